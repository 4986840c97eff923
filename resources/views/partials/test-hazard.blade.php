{{-- the hazards of an outage test: $test from the core, $kind of the plant --}}
@if ($kind === 'mobile')
    <x-hazard>
        <b>Carbon monoxide kills, and the generator is hot.</b> It runs outdoors, away from every opening. Unplugged is not dead: batteries
        and inverter remain. Covers on.</x-hazard>
@else
    @php($starts = $kind === 'standby' ? ' Nobody at the engine: it starts by itself.' : '')
    <x-hazard><b>Lethal voltage.</b> The line side of {{ $test->name ?? 'the device that is opened' }} stays energized until the supply is
        open upstream. Covers on.{{ $starts }}@if ($kind === 'standby')
            Exhaust stays outdoors: carbon monoxide kills.
        @endif
    </x-hazard>
@endif
