@php($upkeep = $page->facts->upkeep)
<section class="block" aria-labelledby="known">
    <h2 id="known">What is known of it</h2>
    <form method="post" action="{{ route('upkeep.save', $page->switch) }}">
        @csrf @method('put')
        <x-seen :kept="$upkeep?->updated_at?->toIso8601String()" />
        <div class="fields">
            @if ($page->switch->site->installation->hasGenerator())
                <x-field name="installed_on" label="Set installed on" type="date"
                    :value="old('installed_on', $upkeep?->installed_on?->format('Y-m-d'))" />
                <x-field name="battery_installed_on" label="Battery installed on" type="date"
                    :value="old('battery_installed_on', $upkeep?->battery_installed_on?->format('Y-m-d'))" />
                <x-field name="fuel_days" label="Fuel at storm load" unit="days" inputmode="decimal"
                    :value="old('fuel_days', $upkeep?->fuel_days === null ? '' : +$upkeep->fuel_days)" />
            @endif
            @foreach ($page->choices() as $name => [$label, $choices, $value])
                @include('panel.partials._choice')
            @endforeach
        </div>
        <h3>For the calendar and for visits</h3>
        <div class="fields">
            <x-field name="sleep_from" label="People sleep from" :value="old('sleep_from', $upkeep?->sleep_from)" inputmode="numeric"
                hint="As 22:00; empty: nobody sleeps there" />
            <x-field name="sleep_to" label="until" :value="old('sleep_to', $upkeep?->sleep_to)" inputmode="numeric" />
            <x-field name="business_from" label="Work on weekdays from" :value="old('business_from', $upkeep?->business_from)"
                inputmode="numeric"
                hint="When moving the load would hurt" />
            <x-field name="business_to" label="until" :value="old('business_to', $upkeep?->business_to)" inputmode="numeric" />
            <x-field name="noise_group" label="Neighbors" :value="old('noise_group', $upkeep?->noise_group)" maxlength="40"
                hint="The same word for sets on one street or main" />
            <div class="field"><label for="attends">Has to be there when it runs</label><select class="form-select" id="attends"
                    name="attends_user_id">
                    <option value="">nobody</option>
                    @foreach ($page->people() as $id => $name)
                        <option value="{{ $id }}" @selected(old('attends_user_id', $upkeep?->attends_user_id) == $id)>{{ $name }}</option>
                    @endforeach
                </select>
                @error('attends_user_id')
                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                @enderror
            </div>
            <x-field name="lat" label="Latitude" unit="°" inputmode="decimal" :value="old('lat', $page->switch->site->lat)" />
            <x-field name="lon" label="Longitude" unit="°" inputmode="decimal" :value="old('lon', $page->switch->site->lon)" />
        </div>
        @if (auth()->user()->role->mayWrite())
            <button class="btn btn-primary" type="submit">Save</button>
        @endif
    </form>
</section>
