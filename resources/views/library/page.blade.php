@extends('layouts.app')
@section('title', 'Library: scenarios and recordings')
@section('content')
    <main id="main" class="main library">
        @if (session('said'))
            <p class="said" role="status">{{ session('said') }}</p>
        @endif
        <div class="head">
            <div>
                <h1>Library</h1>
                <p>What this company keeps to rehearse with. Choose a site on its Rehearsal page to play one. Beside it stand the <a
                        href="{{ route('typical-loads') }}">usual loads</a> of a survey and the <a
                        href="{{ route('equipment') }}">equipment</a>, the <a href="{{ route('devices') }}">devices</a> that are read over a
                    wire and the <a href="{{ route('benches') }}">benches</a>.
                </p>
            </div>
        </div>
        <section class="block" aria-labelledby="recordings">
            <h2 id="recordings">Recordings</h2>
            @if ($recordings->isEmpty())
                <p class="quiet">No recording yet. Import one from a meter, a controller or a fault recorder: a table (CSV) or COMTRADE.</p>
            @else
                <div class="scroll-x">
                    <table class="ruled blocks">
                        <thead>
                            <tr>
                                <th>Name</th>
                                <th>Supply</th>
                                <th class="num-col">Length</th>
                                <th>From</th>
                                <th>Imported</th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($recordings as $recording)
                                <tr>
                                    <td data-label="Name"><a href="{{ route('recording', $recording) }}">{{ $recording->name }}</a></td>
                                    <td data-label="Supply">{{ $recording->phases }} &times; <span
                                            class="fig">{{ $recording->nominal_v }}</span>&#8239;V, <span
                                            class="fig">{{ $recording->nominal_hz }}</span>&#8239;Hz</td>
                                    <td data-label="Length" class="num-col fig">
                                        {{ \Escapement\Core\Settings\SheetWords::clock($recording->until_ms) }}</td>
                                    <td data-label="From">{{ $recording->source }}</td>
                                    <td data-label="Imported">{{ $recording->created_at->format('j M Y') }}, {{ $recording->user->name }}
                                    </td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                </div>
            @endif
            @if (auth()->user()->role->mayWriteForAll())
                <details class="block add-one" @if ($errors->hasAny(['files', 'name', 'phases', 'nominal_v', 'nominal_hz'])) open @endif>
                    <summary>
                        <h2>Import a recording</h2>
                    </summary>
                    <form method="post" action="{{ route('recordings') }}" enctype="multipart/form-data" x-data="recordingForm"
                        data-look="{{ route('recordings.look') }}">
                        @csrf
                        <div class="fields">
                            <div class="field field-wide"><label for="files">File: a table (.csv), a .cff, or a .cfg with its .dat</label>
                                <input id="files" @class(['form-control', 'is-invalid' => $errors->has('files')]) type="file" name="files[]"
                                    multiple accept=".csv,.txt,.tsv,.cff,.cfg,.dat" x-on:change="look">
                                @error('files')
                                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                                @enderror
                                <p class="field-hint">48 MB at most. Of a waveform the RMS of each cycle is kept, not the file.</p>
                            </div>
                            <x-field name="name" label="Name" :value="old('name')" maxlength="80" />
                            <fieldset class="field">
                                <legend>Voltages</legend>
                                <div class="choice">
                                    @foreach ([1, 2, 3] as $n)
                                        <label><input type="radio" name="phases" value="{{ $n }}" @checked((int) old('phases', 2) === $n)
                                                x-on:change="look"><span>{{ $n }}</span></label>
                                    @endforeach
                                </div>
                                @error('phases')
                                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                                @enderror
                            </fieldset>
                            <x-field name="nominal_v" label="Nominal voltage" unit="V" :value="old('nominal_v', 120)" inputmode="decimal" />
                            <x-field name="nominal_hz" label="Nominal frequency" unit="Hz" :value="old('nominal_hz', 60)"
                                inputmode="decimal" />
                        </div>
                        <div data-columns aria-live="polite"></div>
                        <button class="btn btn-primary" type="submit">Read it</button>
                    </form>
                </details>
            @endif
        </section>
        <section class="block" aria-labelledby="scenarios">
            <h2 id="scenarios">Scenarios of our own</h2>
            @if ($scenarios->isEmpty())
                <p class="quiet">None yet. On a site's Rehearsal page, edit a scenario on the strip and keep it.</p>
            @else
                <div class="scroll-x">
                    <table class="ruled blocks">
                        <thead>
                            <tr>
                                <th>Name</th>
                                <th>What it teaches</th>
                                <th>Written for</th>
                                <th class="num-col">Events</th>
                                <th></th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($scenarios as $scenario)
                                <tr>
                                    <td data-label="Name">{{ $scenario->name }}</td>
                                    <td data-label="What it teaches">{{ $scenario->teaches }}</td>
                                    <td data-label="Written for">{{ $scenario->phases }} &times; <span
                                            class="fig">{{ $scenario->nominal_v }}</span>&#8239;V</td>
                                    <td data-label="Events" class="num-col fig">{{ count($scenario->events) }}</td>
                                    <td>
                                        <div class="row-acts"><a href="{{ route('scenarios.export', $scenario) }}">JSON</a>
                                            @if (auth()->user()->role->mayWriteForAll())
                                                <form method="post" action="{{ route('scenarios.remove', $scenario) }}">@csrf
                                                    @method('delete')<button class="link-button" type="submit"
                                                        aria-label="Remove {{ $scenario->name }}">Remove</button></form>
                                            @endif
                                        </div>
                                    </td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                </div>
            @endif
            @if (auth()->user()->role->mayWriteForAll())
                <form method="post" action="{{ route('scenarios.import') }}" enctype="multipart/form-data" class="inline-form">
                    @csrf
                    <div class="field"><label for="scenario">Read one from a file (JSON)</label><input id="scenario"
                            @class(['form-control', 'is-invalid' => $errors->has('scenario')]) type="file" name="scenario" accept=".json">
                        @error('scenario')
                            <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                        @enderror
                    </div>
                    <button class="btn btn-outline-primary" type="submit">Read it</button>
                </form>
            @endif
        </section>
        <section class="block" aria-labelledby="runs">
            <h2 id="runs">Runs and load tests from elsewhere</h2>
            @if ($runs->isEmpty())
                <p class="quiet">None yet. A run or a load test that another company exported as JSON is read here: its record is verified,
                    and its report and verdicts are made again.</p>
            @else
                <div class="scroll-x">
                    <table class="ruled blocks">
                        <thead>
                            <tr>
                                <th>Site</th>
                                <th>As signed</th>
                                <th>Imported</th>
                                <th></th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($runs as $run)
                                <tr>
                                    <td data-label="Site"><a
                                            href="{{ route('imported', $run) }}">{{ $run->site }}</a>
                                        <small>{{ $run->isLoadTest() ? 'load test' : 'run' }}</small>
                                    </td>
                                    <td data-label="As signed"><x-glyph
                                            :kind="['pass' => 'proven', 'fail' => 'stop'][$run->verdict] ?? 'note'" />
                                        {{ $run->verdictWords() }}
                                    </td>
                                    <td data-label="Imported">{{ $run->created_at->format('j M Y') }}, {{ $run->user->name }}</td>
                                    <td>
                                        <div class="row-acts">
                                            @if (auth()->user()->role->mayWriteForAll())
                                                <form method="post" action="{{ route('imported.remove', $run) }}">@csrf
                                                    @method('delete')<button class="link-button" type="submit"
                                                        aria-label="Remove the run of {{ $run->site }}">Remove</button></form>
                                            @endif
                                        </div>
                                    </td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                </div>
            @endif
            @if (auth()->user()->role->mayWriteForAll())
                <form method="post" action="{{ route('imported.add') }}" enctype="multipart/form-data" class="inline-form">
                    @csrf
                    <div class="field"><label for="run">Read one from a file (JSON)</label><input id="run"
                            @class(['form-control', 'is-invalid' => $errors->has('run')]) type="file" name="run" accept=".json">
                        @error('run')
                            <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                        @enderror
                    </div>
                    <button class="btn btn-outline-primary" type="submit">Read it</button>
                </form>
            @endif
        </section>
    </main>
@endsection
