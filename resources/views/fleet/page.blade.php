@extends('layouts.app')
@section('title', 'Fleet before a storm')
@section('content')
    <main id="main" class="main fleet">
        <div class="head">
            <div>
                <h1>Before a storm</h1>
                <p>{{ $page->counts['ready'] }} ready, {{ $page->counts['watch'] }} to watch, {{ $page->counts['act'] }} to act on,
                    {{ $page->counts['not_ready'] }} not ready. What is not known counts nearly as bad as
                    bad.{{ $page->withoutEngine > 0 ? " $page->withoutEngine without a generator not judged." : '' }}</p>
            </div>
            <a class="btn btn-outline-primary" href="{{ route('fleet.export') }}">CSV</a>
        </div>
        @if (session('said'))
            <p class="said" role="status">{{ session('said') }}</p>
        @endif
        @if ($page->count === 0)
            <p class="quiet">No switch yet.</p>
        @else
            <div class="scroll-x" tabindex="0" role="region" aria-label="Fleet, scrollable">
                <table class="ruled fleet-table">
                    <thead>
                        <tr>
                            <th></th>
                            <th>Site, most urgent first</th>
                            <th>Readiness</th>
                            <th>What costs it most</th>
                            <th>Least work to reach 85</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($page->shown() as $row)
                            @php($work = $row->work())
                            <tr>
                                <td><x-glyph :kind="$row->severity()" /></td>
                                <th scope="row"><a href="{{ route('schedule', $row->status->switch_id) }}">{{ $row->status->name }}</a>
                                    <small>{{ $row->status->kind }}</small>
                                </th>
                                <td>
                                    <svg class="score" width="104" height="20" viewBox="0 0 104 20" role="img"
                                        aria-label="{{ round($row->of->score) }} of 100">
                                        @for ($i = 0; $i < 10; $i++)
                                            <path d="M{{ 2 + 10 * $i }} 19l6 -16h2l2 16z"
                                                @class(['full' => $row->of->score >= 10 * ($i + 1) - 5]) />
                                        @endfor
                                        <path class="target" d="M86 0v20" />
                                    </svg>
                                    <b class="fig">{{ round($row->of->score) }}</b> <small>{{ $row->grade() }}</small>
                                </td>
                                <td data-label="Costs it most">{{ $row->reason() }}</td>
                                <td data-label="Least work to reach 85">{{ $work['words'] }}
                                    @if ($work['minutes'] > 0)
                                        <small class="fig">{{ $work['minutes'] }} min to {{ $work['score'] }}</small>
                                    @endif
                                </td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            </div>
            @if ($page->notShown() > 0)
                <p class="quiet">{{ $page->notShown() }} more, in less need, are in the <a
                        href="{{ route('fleet.export') }}">CSV</a>.</p>
            @endif
            @if (auth()->user()->role->mayWriteForAll())
                <section class="block" aria-labelledby="storm">
                    <h2 id="storm">A storm is coming</h2>
                    <form method="post" action="{{ route('fleet.visits') }}" class="fields">
                        @csrf
                        <x-field name="days" label="It is here in" unit="days" inputmode="numeric" :value="old('days', 5)" />
                        <x-field name="count" label="Visit the most urgent" unit="sites" inputmode="numeric" :value="old('count', 4)" />
                        <div><button class="btn btn-primary" type="submit">Make visits of the least work</button></div>
                    </form>
                </section>
            @endif
            @if (auth()->user()->role->mayLead())
                <section class="block" aria-labelledby="storm-season">
                    <h2 id="storm-season">Storm season</h2>
                    <form method="post" action="{{ route('fleet.season') }}" class="fields">
                        @csrf @method('put')
                        @foreach (['storm_from' => 'From', 'storm_to' => 'to the end of'] as $key => $words)
                            <div class="field"><label for="f-{{ $key }}">{{ $words }}</label><select class="form-select"
                                    id="f-{{ $key }}" name="{{ $key }}">
                                    <option value="">none</option>
                                    @foreach (\App\Stage\Fleet\SaveStormSeason::MONTHS as $month => $name)
                                        <option value="{{ $month }}" @selected((int) old($key, auth()->user()->company->$key) === $month)>
                                            {{ $name }}</option>
                                    @endforeach
                                </select>
                                @error($key)
                                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                                @enderror
                            </div>
                        @endforeach
                        <div><button class="btn btn-outline-primary" type="submit">Save the season</button></div>
                    </form>
                </section>
            @endif
            <section class="block" aria-labelledby="fleet-findings">
                <h2 id="fleet-findings">Findings</h2>
                <div class="two-blocks">
                    @foreach ($page->findings as $finding)
                        <x-finding :finding="$finding" />
                    @endforeach
                </div>
            </section>
        @endif
        <p class="working">Weights and minutes are planning figures, to be confirmed by you. No engine is run in a storm to see whether it
            works with people near it.</p>
    </main>
@endsection
