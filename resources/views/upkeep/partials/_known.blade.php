@php($upkeep = $page->facts->upkeep)
<section class="block" aria-labelledby="known">
    <h2 id="known">What is known of it</h2>
    <form method="post" action="{{ route('upkeep.save', $page->switch) }}">
        @csrf @method('put')
        <x-seen :kept="$upkeep?->updated_at?->toIso8601String()" />
        <div class="fields">
            <x-field name="installed_on" label="Set installed on" type="date" :value="old('installed_on', $upkeep?->installed_on?->format('Y-m-d'))" />
            <x-field name="battery_installed_on" label="Battery installed on" type="date" :value="old('battery_installed_on', $upkeep?->battery_installed_on?->format('Y-m-d'))" />
            <x-field name="fuel_days" label="Fuel at storm load" unit="days" inputmode="decimal" :value="old('fuel_days', $upkeep?->fuel_days === null ? '' : +$upkeep->fuel_days)" />
            @foreach ($page->choices() as $name => [$label, $choices, $value])
                @include('panel.partials._choice')
            @endforeach
        </div>
        @if (auth()->user()->role->mayWrite())
            <button class="btn btn-primary" type="submit">Save</button>
        @endif
    </form>
</section>
