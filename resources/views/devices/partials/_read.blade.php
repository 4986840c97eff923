@if ($page->profiles->isNotEmpty() && auth()->user()->role->mayWriteForAll())
    <form method="post" action="{{ route('devices.read') }}" class="block">
        @csrf
        <h2>Read one</h2>
        <div class="fields">
            <x-select name="profile" label="Map" :options="$page->profileNames()" :value="old('profile', session('profile'))" />
            <x-field name="address" label="Address of the gateway" :value="old('address', '')" placeholder="192.168.20.7" class="fig" />
            <x-field name="port" label="Port" :value="old('port', '502')" inputmode="numeric" />
            <x-field name="unit" label="Unit" :value="old('unit', '1')" inputmode="numeric" hint="Of the device behind the gateway" />
            <x-select name="switch" label="It belongs to" :options="$page->switches()" :value="old('switch')" />
            <x-field name="device_name" label="Name of the device" :value="old('device_name', '')" />
        </div>
        @if ($page->fault)
            <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $page->fault }}</p>
        @endif
        <button class="btn btn-primary" type="submit">Read it</button>
        <button class="btn btn-outline-primary" type="submit" name="keep" value="1">Read it and keep it</button>
    </form>
@endif
