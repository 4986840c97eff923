@use('App\Stage\Circuit\CircuitWords')
<section class="block" aria-labelledby="devices">
    <h2 id="devices">Devices</h2>
    @error('id')
        <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $message }}</p>
    @enderror
    <table class="ruled">
        <tbody>
            @foreach ($page->circuit->devices as $device)
                <tr>
                    <th scope="row">{{ $device->id }}</th>
                    <td>{{ CircuitWords::type($device->type) }}<small>{{ CircuitWords::detail($device) }}</small>
                    </td>
                    <td class="row-do">
                        <a href="{{ route('circuit.edit', ['switch' => $page->switch, 'new' => $device->id]) }}#device">Change</a>
                        <form method="post" action="{{ route('circuit.draft', $page->switch) }}">
                            @csrf
                            <input type="hidden" name="id" value="{{ $device->id }}">
                            <button class="btn btn-link" type="submit" name="verb" value="remove-device">Remove</button>
                        </form>
                    </td>
                </tr>
            @endforeach
        </tbody>
    </table>
    <nav class="choice" aria-label="Add a device">
        <span class="choice-name">Add</span>
        @foreach ($page->types() as $type => $words)
            <a href="{{ route('circuit.edit', ['switch' => $page->switch, 'new' => $type]) }}#device"
                @if ($page->new === $type) aria-current="true" @endif>{{ $words }}</a>
        @endforeach
    </nav>
    @if ($page->newType())
        @php($type = $page->newType())
        @php($was = $page->edited())
        <form method="post" action="{{ route('circuit.draft', $page->switch) }}" id="device" class="fields-form">
            @csrf
            <input type="hidden" name="type" value="{{ $type->value }}">
            <h3>{{ $was ? 'Change ' . $was->id : 'New: ' . lcfirst(CircuitWords::type($type)) }}</h3>
            <div class="fields">
                @if ($was)
                    <input type="hidden" name="id" value="{{ $was->id }}">
                @else
                    <x-field name="id" label="Name" :value="old('id', $page->freeName($type))" maxlength="20" />
                @endif
                @include('circuit.partials._device-fields')
            </div>
            <button class="btn btn-primary" type="submit" name="verb"
                value="put-device">{{ $was ? 'Change device' : 'Add device' }}</button>
        </form>
    @endif
</section>
