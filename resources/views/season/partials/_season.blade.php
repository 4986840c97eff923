@php($season = $page->season)
<div id="season"
    @unless ($season->state->isOver()) hx-get="{{ route('season', [$season, 'seen' => $season->played]) }}" hx-trigger="every 1s"
        hx-swap="outerHTML" @endunless>
    <div class="head">
        <div>
            <h1>Season: {{ $season->title }}</h1>
            <p>{{ $season->user->name }}, {{ $season->created_at->setTimezone($season->switch->site->timezone)->format('j M Y H:i') }}. <a
                    href="{{ route('seasons', $season->switch) }}">Describe another</a></p>
        </div>
    </div>
    @if (!$season->state->isOver())
        <p aria-live="polite">
            @if ($season->state->value === 'waiting')
                Waits for its turn.
            @else
                Plays candidate {{ min($page->count, $season->played + 1) }} of {{ $page->count }}.
            @endif
        </p>
        <div class="teeth-bar" role="progressbar" aria-label="Candidates played" aria-valuemin="0" aria-valuemax="{{ $page->count }}"
            aria-valuenow="{{ $season->played }}">
            @for ($i = 0; $i < $page->count; $i++)
                <svg width="22" height="26" viewBox="-1 0 22 26" aria-hidden="true">
                    <path d="M0 25L13 2H15L20 25Z" @class(['passed' => $i < $season->played]) />
                </svg>
            @endfor
        </div>
        @if (auth()->user()->role->mayWrite())
            <form method="post" action="{{ route('season.cancel', $season) }}">@csrf<button class="btn btn-outline-primary"
                    type="submit">Stop it</button></form>
        @endif
    @elseif ($season->result === null)
        <p>
            @if ($season->state->value === 'cancelled')
                Stopped after {{ $season->played }} of {{ $page->count }} candidates.
            @else
                It did not work: {{ $season->failure }}
            @endif
        </p>
    @else
        <div class="season-two">
            <div>{!! $page->plotSvg() !!}
                <p class="key"><span>filled: no other candidate has both less dark time and fewer starts</span></p>
            </div>
            <div class="season-pick" aria-live="polite">
                @if ($page->picked)
                    <h2>{{ $page->picked->place + 1 }} &middot; {{ $page->picked->name }}</h2>
                    <dl class="pairs">
                        <div>
                            <dt>Dark</dt>
                            <dd class="fig">{{ \App\Stage\Season\SeasonPage::long($page->picked->darkMs()) }}</dd>
                        </div>
                        <div>
                            <dt>Starts</dt>
                            <dd class="fig">{{ $page->picked->starts() }}</dd>
                        </div>
                        <div>
                            <dt>Nuisance starts</dt>
                            <dd class="fig">{{ $page->picked->nuisanceStarts() }}</dd>
                        </div>
                        <div>
                            <dt>Transfers</dt>
                            <dd class="fig">{{ $page->picked->transfers() }}</dd>
                        </div>
                    </dl>
                    @if (auth()->user()->role->mayWrite())
                        <form method="post" action="{{ route('season.adopt', $season) }}">@csrf<input type="hidden" name="pick"
                                value="{{ $page->picked->place }}"><button class="btn btn-primary" type="submit">Propose this
                                sheet</button></form>
                    @endif
                @else
                    <h2>Pick a candidate</h2>
                    <p class="quiet">On the drawing or in the table, to see it and to propose its sheet.</p>
                @endif
            </div>
        </div>
        <div class="scroll-x">
            <table class="ruled">
                <thead>
                    <tr>
                        <th></th>
                        <th>Sheet</th>
                        <th class="num-col">Dark</th>
                        <th class="num-col">Interruptions at the load</th>
                        <th class="num-col">Starts</th>
                        <th class="num-col">Nuisance starts</th>
                        <th class="num-col">Transfers</th>
                        <th class="num-col">Engine</th>
                        @if ($page->rows !== [] && $page->rows[0]->fuelLitres !== null)
                            <th class="num-col">Fuel</th>
                        @endif
                    </tr>
                </thead>
                <tbody>
                    @php($units = new \App\Bridge\Units($season->switch->site->units))
                    @foreach ($page->rows as $row)
                        <tr @class(['is-picked' => $page->picked?->place === $row->place])>
                            <td class="fig">{{ $row->place + 1 }}</td>
                            <td><a class="row-link" href="{{ route('season', [$season, 'pick' => $row->place]) }}">{{ $row->name }}</a>
                            </td>
                            <td class="num-col fig">{{ \App\Stage\Season\SeasonPage::long($row->darkMs()) }}</td>
                            <td class="num-col fig">{{ $row->outages }}</td>
                            <td class="num-col fig">{{ $row->starts() }}</td>
                            <td class="num-col fig">{{ $row->nuisanceStarts() }}</td>
                            <td class="num-col fig">{{ $row->transfers() }}</td>
                            <td class="num-col fig">{{ number_format($row->engineHours(), 1) }}&#8239;h</td>
                            @if ($row->fuelLitres !== null)
                                <td class="num-col fig">
                                    {{ number_format($units->fromLitres($row->fuelLitres), 1) }}&#8239;{{ $units->volume() }}
                                </td>
                            @endif
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </div>
        <details class="block">
            <summary>
                <h2>Where they differ: {{ $page->differingCount() }} disturbances</h2>
            </summary>
            <div class="scroll-x">
                <table class="ruled">
                    <thead>
                        <tr>
                            <th>When</th>
                            @foreach ($page->rows as $row)
                                <th class="num-col" title="{{ $row->name }}">{{ $row->place + 1 }}</th>
                            @endforeach
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($page->differing() as $line)
                            <tr>
                                <td class="fig">{{ $line['at'] }}</td>
                                @foreach ($line['outcomes'] as $outcome)
                                    <td class="num-col fig">{{ $outcome }}</td>
                                @endforeach
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            </div>
            <p class="quiet">Starts / dark time of each candidate from this disturbance to the next. The first forty are shown; the file
                has more.</p>
        </details>
        <p class="choice"><a href="{{ route('season.export', $season) }}">All, JSON</a></p>
    @endif
</div>
