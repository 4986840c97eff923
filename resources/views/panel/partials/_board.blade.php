@php($board = $page->board)
@php($figure = fn(string $key) => old($key, ($value = $board?->getAttribute($key)) === null ? '' : +round($value, 3)))
@php($answer = fn(string $key) => old($key, ($value = $board?->getAttribute($key)) === null ? '' : ($value ? 'yes' : 'no')))
<section class="block" aria-labelledby="board">
    <h2 id="board">Sources and board</h2>
    <form method="post" action="{{ route('board.save', $page->switch) }}">
        @csrf @method('put')
        <x-seen :kept="$board?->updated_at?->toIso8601String()" />
        <div class="fields">
            <x-field name="v_ll_v" label="Line voltage" unit="V" inputmode="decimal" :value="$figure('v_ll_v')" />
            <x-field name="transformer_kva" label="Transformer" unit="kVA" inputmode="decimal" :value="$figure('transformer_kva')" />
            <x-field name="z_pct" label="Its impedance" unit="%" inputmode="decimal" :value="$figure('z_pct')" />
            <x-field name="fault_ka" label="Fault current, if the network operator gave it" unit="kA" inputmode="decimal"
                :value="$figure('fault_ka')" />
            @if ($page->facts->hasGenerator())
                <x-field name="generator_kva" label="Generator" unit="kVA" inputmode="decimal" :value="$figure('generator_kva')" />
                <x-field name="generator_breaker_a" label="Breaker on the generator" unit="A" inputmode="decimal"
                    :value="$figure('generator_breaker_a')" />
            @endif
            <x-field name="utility_breaker_a" label="Breaker on the utility" unit="A" inputmode="decimal"
                :value="$figure('utility_breaker_a')" />
            <x-field name="changeover_a" label="Changeover, rated" unit="A" inputmode="decimal" :value="$figure('changeover_a')" />
            <x-field name="withstand_ka" label="Changeover withstands" unit="kA" inputmode="decimal" :value="$figure('withstand_ka')" />
            <x-field name="busbar_a" label="Bus bars, rated" unit="A" inputmode="decimal" :value="$figure('busbar_a')" />
            <x-field name="busbar_icw_ka" label="Bus bars withstand for 1 s" unit="kA" inputmode="decimal"
                :value="$figure('busbar_icw_ka')" />
            <x-field name="neutral_rated_a" label="Neutral bar, rated" unit="A" inputmode="decimal" :value="$figure('neutral_rated_a')" />
            <x-field name="neutral_a" label="Current in the neutral" unit="A" inputmode="decimal" :value="$figure('neutral_a')" />
            @include('panel.partials._choice', [
                'name' => 'diversity',
                'label' => 'Diversity of the ways',
                'value' => $board->diversity ?? 'none',
                'choices' => ['none' => 'none', 'board' => 'distribution board', 'switchgear' => 'switchgear'],
            ])
            @include('panel.partials._choice', [
                'name' => 'poles',
                'label' => 'Poles of the changeover',
                'value' => (string) ($board->poles ?? ''),
                'choices' => ['' => 'not known', '3' => '3, neutral through', '4' => '4, neutral switched'],
            ])
            @include('panel.partials._choice', [
                'name' => 'wording',
                'label' => 'Earthing system',
                'value' => $board->wording ?? '',
                'choices' => [
                    '' => 'not known',
                    'iec_tn_s' => 'TN-S',
                    'iec_tn_c_s' => 'TN-C-S',
                    'iec_tt' => 'TT',
                    'nec' => 'NEC',
                ],
            ])
            @include('panel.partials._choice', [
                'name' => 'neutral_sequence',
                'label' => 'Neutral pole',
                'value' => $board->neutral_sequence ?? 'overlapping',
                'choices' => [
                    'overlapping' => 'closes first, opens last',
                    'simultaneous' => 'with the phases',
                    'late' => 'after the phases',
                ],
            ])
            @foreach ([
        'first_earthed' => 'First source earthed at its star point',
        'second_earthed' => 'Second source earthed at its star point',
        'panel_bond' => 'Neutral joined to earth in the panel',
        'neutrals_swapped' => 'Neutrals swapped',
    ] as $name => $label)
                @include('panel.partials._choice', [
                    'name' => $name,
                    'label' => $label,
                    'value' => $answer($name),
                    'choices' => ['' => 'not known', 'yes' => 'yes', 'no' => 'no'],
                ])
            @endforeach
        </div>
        @if (auth()->user()->role->mayWrite())
            <button class="btn btn-primary" type="submit">Save board</button>
        @endif
    </form>
</section>
