@php($kept = json_decode($page->stored->times, true))
<details class="block" @if ($errors->any()) open @endif>
    <summary>
        <h2>Times of the devices</h2>
    </summary>
    <p class="lead-in">Usual values until the maker's data or a measurement is typed in. Empty: the usual one.</p>
    <form method="post" action="{{ route('circuit.times', $page->switch) }}">
        @csrf @method('put')
        @foreach ($page->timed() as $device)
            <fieldset class="times-row">
                <legend>{{ $device->id }} <small>{{ \App\Stage\Circuit\CircuitWords::type($device->type) }}</small></legend>
                @foreach (\App\Stage\Circuit\TimeFields::of($device->type) as $key => [$words, $unit, $usual])
                    <x-field :name="'times[' . $device->id . '][' . $key . ']'" :errorKey="'times.' . $device->id . '.' . $key"
                        :label="$words" :unit="$unit" :value="old('times.' . $device->id . '.' . $key, $kept[$device->id][$key] ?? '')"
                        inputmode="decimal"
                        :placeholder="$usual" />
                @endforeach
            </fieldset>
        @endforeach
        @if (auth()->user()->role->mayWrite())
            <button class="btn btn-primary" type="submit">Save times</button>
        @endif
    </form>
</details>
