<section class="block" aria-labelledby="maps">
    <h2 id="maps">Maps</h2>
    @forelse ($page->profiles as $profile)
        <div class="device-map">
            <p><b>{{ $profile->name }}</b> {{ count($profile->profile['rows']) }} quantities.
                <a href="{{ route('devices.profile', ['profile' => $profile, 'form' => 'csv']) }}">CSV</a>
                <a href="{{ route('devices.profile', ['profile' => $profile, 'form' => 'json']) }}">JSON</a>
            </p>
            @if ($profile->devices->isNotEmpty())
                <ul class="people">
                    @foreach ($profile->devices as $device)
                        <li>
                            <form method="post" action="{{ route('devices.remove', $device) }}">
                                @csrf @method('delete')
                                <span><b>{{ $device->name }}</b><small>{{ $device->switch->site->name }}, {{ $device->switch->name }};
                                        {{ $device->address }}, port {{ $device->port }}, unit {{ $device->unit }}</small></span>
                                @if (auth()->user()->role->mayWriteForAll())
                                    <button class="btn btn-outline-primary" type="submit">Take it away</button>
                                @endif
                            </form>
                        </li>
                    @endforeach
                </ul>
            @endif
            @if ($profile->devices->isEmpty() && auth()->user()->role->mayWriteForAll())
                <form method="post" action="{{ route('devices.profile.remove', $profile) }}">
                    @csrf @method('delete')
                    <button class="btn btn-outline-primary" type="submit">Take the map away</button>
                </form>
            @endif
        </div>
    @empty
        <p class="quiet">None yet.</p>
    @endforelse
</section>
@if (auth()->user()->role->mayWriteForAll())
    <form method="post" action="{{ route('devices.profile.add') }}" class="block" enctype="multipart/form-data">
        @csrf
        <h2>Add a map</h2>
        <div class="fields">
            <x-field name="profile_name" label="Name" :value="old('profile_name', '')" hint="A map of this name is replaced" />
            <div class="field">
                <label for="f-file">File, CSV or JSON</label>
                <input id="f-file" class="form-control" type="file" name="file" accept=".csv,.json,.txt">
            </div>
        </div>
        <div class="field">
            <label for="f-map">Or the table itself</label>
            <textarea id="f-map" name="map" rows="6" spellcheck="false"
                @class(['form-control', 'fig', 'is-invalid' => $errors->has('map')])>{{ old('map', '') }}</textarea>
            @error('map')
                <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
            @enderror
        </div>
        <details>
            <summary>How it is written</summary>
            <p>The first line names the columns: <code>{{ implode(',', \Escapement\Core\Wire\Device\ProfileReader::COLUMNS) }}</code>; the
                last six may be left out. A line as <code>v_l1,holding,0,u16,high,,0.1,0,V,</code>. Tables are holding, input, coil,
                discrete;
                types u16, s16, u32, s32, f32, bit; addresses count from 0, as on the wire. Value = what stands there × scale + offset, in
                the
                unit that is named.</p>
            <p>Quantities:
                @foreach (\Escapement\Core\Device\Profile\Quantity::cases() as $quantity)
                    <code>{{ $quantity->value }}</code> {{ $quantity->label() }}{{ $loop->last ? '.' : ',' }}
                @endforeach
            </p>
        </details>
        <button class="btn btn-outline-primary" type="submit">Keep the map</button>
    </form>
@endif
