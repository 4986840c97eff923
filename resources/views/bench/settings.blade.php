@extends('layouts.site', ['here' => 'rehearsal'])
@section('title', $switch->site->name . ': settings on the bench')
@section('main')
    <p class="net bench-bar"><b>Simulated.</b> <span>Versions that come from the bench are proposals: nothing of them was found or left on
            site.</span></p>
    <div class="head">
        <div>
            <h1>Settings on the device</h1>
            <p>Read, compared, written with its serial number, read back. <a href="{{ route('bench', $switch) }}">To the front
                    panel</a></p>
        </div>
    </div>
    @foreach (['found', 'device', 'revision', 'version'] as $field)
        @error($field)
            <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $message }}</p>
        @enderror
    @endforeach
    @if ($device === null)
        <p class="missing"><x-glyph kind="warn" /><span>{{ $why }}</span></p>
    @else
        <dl class="pairs">
            <div>
                <dt>Device</dt>
                <dd class="fig">{{ $device->serial }}{{ $device->isSimulated ? ', simulated' : '' }}</dd>
            </div>
            <div>
                <dt>Revision</dt>
                <dd class="fig">{{ $device->revision }}</dd>
            </div>
        </dl>
        <section class="block">
            <h2>As found, against version {{ $sheet?->version }} of the sheet</h2>
            @if ($rows === [])
                <p class="missing"><x-glyph kind="proven" />The device keeps what the sheet says.</p>
            @else
                <div class="wide" tabindex="0" role="region" aria-label="Differences, table">
                    <table class="ruled difference">
                        <thead>
                            <tr>
                                <th scope="col">Setting</th>
                                <th scope="col">Device</th>
                                <th scope="col">Version {{ $sheet?->version }}</th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($rows as $row)
                                <tr>
                                    <th scope="row">{{ $row['label'] }}</th>
                                    <td class="fig">{{ $row['from'] }}</td>
                                    <td class="fig changed">{{ $row['to'] }}</td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                </div>
            @endif
            @if (auth()->user()->role->mayWrite() && $rows !== [])
                <form method="post" action="{{ route('bench.settings.found', $switch) }}">@csrf<input type="hidden" name="seen_version"
                        value="{{ $sheet?->version ?? 0 }}"><button class="btn btn-outline-primary" type="submit">Keep what it has as a
                        version</button></form>
            @endif
        </section>
        @if (auth()->user()->role->mayWrite() && $sheet && $rows !== [])
            <section class="block">
                <h2>Write version {{ $sheet->version }} to it</h2>
                <p>As a whole, or nothing of it; only at rest. It is read back, and what does not read back is a stop.</p>
                @foreach ($stops as $finding)
                    <x-finding :finding="$finding" />
                @endforeach
                <form method="post" action="{{ route('bench.settings.write', $switch) }}">@csrf<input type="hidden" name="version"
                        value="{{ $sheet->version }}"><input type="hidden" name="revision" value="{{ $device->revision }}">
                    @if ($stops !== [] && auth()->user()->role->mayLead())
                        <label class="check"><input class="form-check-input" type="checkbox" name="read_stops" value="1">Read: I answer
                            for these findings</label>
                    @endif
                    @error('read_stops')
                        <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                    @enderror
                    <div class="fields"><x-field name="confirm" label="Serial number of the device, typed" :value="old('confirm', '')"
                            autocomplete="off" /></div>
                    <button class="btn btn-primary btn-glove" type="submit">Write it, and read it back</button>
                </form>
            </section>
        @endif
    @endif
@endsection
