@use('App\Bridge\ProcedureWork')
@extends('layouts.site', ['here' => 'commission'])
@section('title', $switch->site->name . ': commission')
@section('main')
    <div class="head">
        <div>
            <h1>Simulated outage</h1>
        </div><a class="btn btn-outline-primary" href="{{ route('labels', $switch) }}">Labels, PDF</a>
    </div>
    <p class="lead-in">Version {{ $switch->sheet->version }} of the sheet, {{ $switch->sheet->standing->label() }}. A pass is a measured
        time inside its window.</p>
    @include('partials.test-hazard', ['kind' => $switch->plant['kind']])
    @if ($switch->plant['kind'] !== 'mobile')
        @include('partials.test-point')
    @endif
    <p class="small">The maker's instructions, the adopted code and the authority having jurisdiction come first. Work inside a panel is for
        a licensed electrician with both sources isolated, locked out and proved dead.</p>
    @if (auth()->user()->role->mayWrite())
        <form method="post" action="{{ route('runs.begin', $switch) }}" class="block">
            @csrf
            <input type="hidden" name="press" value="{{ \Illuminate\Support\Str::uuid() }}">
            @error('hazards_read')
                <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
            @enderror
            <button class="btn btn-primary btn-glove" type="submit" name="hazards_read" value="1">Hazards read, people told: begin a
                run</button>
            <details class="more-schools" @if ($errors->any()) open @endif>
                <summary>What it proves: outage and bait, with pictures, the owner there. Choose</summary>
                <fieldset class="schools">
                    <legend>What it proves</legend>
                    @php($chosen = ProcedureWork::chosen([], $switch->site->installation))
                    @foreach (ProcedureWork::SCHOOL_WORDS as $school => $words)
                        @continue(in_array($school, ['other_signals', 'bypass'], true) && !$switch->site->installation->isThreePhase())
                        @continue($school === 'test_button' && $switch->plant['kind'] !== 'standby')
                        <label class="check"><input type="hidden" name="options[{{ $school }}]" value="0"><input
                                class="form-check-input" type="checkbox" name="options[{{ $school }}]" value="1"
                                @checked(old("options.$school", $chosen[$school] ? '1' : '0') === '1')>{{ $words }}</label>
                        @if ($school === 'install')
                            <div class="field school-more"><label for="torque-unit">The torque tool in hand reads</label><select
                                    class="form-select" id="torque-unit" name="torque_unit">
                                    @foreach (\Escapement\Core\Commissioning\Procedure\InstallationSteps::UNITS as $unit => $name)
                                        <option value="{{ $unit }}"
                                            @selected(old('torque_unit', $switch->site->units === 'metric' ? 'nm' : 'in_lb') === $unit)>
                                            {{ $name }}</option>
                                    @endforeach
                                </select>
                                @error('torque_unit')
                                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                                @enderror
                            </div>
                        @endif
                    @endforeach
                </fieldset>
            </details>
        </form>
    @endif
    <section class="block">
        <h2>Runs</h2>
        @if ($switch->runs->isEmpty())
            <p class="quiet">Never timed. The first run will stand here.</p>
        @else
            <table class="ruled blocks">
                <thead>
                    <tr>
                        <th scope="col">Run</th>
                        <th scope="col">Sheet</th>
                        <th scope="col">Marks</th>
                        <th scope="col">Verdict</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($switch->runs as $run)
                        <tr>
                            @php($date = $standing->date($run->created_at))
                            <th scope="row"><a
                                    href="{{ route('run', $run) }}">{{ $date }}<small>{{ $run->user->name }}</small></a>
                            </th>
                            <td data-label="Sheet">version {{ $run->sheet->version }}</td>
                            <td class="fig" data-label="Marks">{{ $run->marks->where('is_undone', false)->count() }}</td>
                            <td data-label="Verdict">
                                @if ($run->signed_at)
                                    <x-glyph :kind="['pass' => 'proven', 'fail' => 'stop'][$run->verdict] ?? 'note'" />
                                    {{ ['pass' => 'Passed', 'fail' => 'Failed', 'incomplete' => 'Incomplete'][$run->verdict] }}, <a
                                    href="{{ route('report', $run) }}">report</a>@else<x-glyph kind="note" /> not signed
                                @endif
                            </td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        @endif
    </section>
@endsection
@section('aside')
    <h2>Where it stands</h2>
    @include('partials.standing')
    <h2 class="gap">What to expect</h2>
    <dl class="pairs">
        @foreach ($expected->windows as $window)
            @if ($window->event !== 'dark_ms')
                <div>
                    <dt>{{ \App\Stage\Commissioning\RunResult::intervalName($window->event) }}</dt>
                    <dd class="fig">
                        @if ($window->minMs === null)
                            never @else{{ \App\Stage\Commissioning\RunResult::tenths($window->minMs) }} to
                            {{ \App\Stage\Commissioning\RunResult::tenths($window->maxMs) }}
                        @endif
                    </dd>
                </div>
            @endif
        @endforeach
        @if ($expected->baitMs)
            <div>
                <dt>Bait: utility back for</dt>
                <dd class="fig">{{ \App\Stage\Commissioning\RunResult::seconds($expected->baitMs) }}</dd>
            </div>
        @endif
    </dl>
    <details class="why">
        <summary>How it adds up</summary>
        @foreach ($expected->working as $line)
            <p><b>{{ $line->label }}</b><br><span class="fig">{{ $line->expression }} = {{ $line->value }} {{ $line->unit }}</span>
            </p>
        @endforeach
    </details>
@endsection
