@extends('layouts.site', ['standing' => $page->standing, 'here' => 'plan'])
@section('title', $page->switch->site->name . ': power-down')
@section('frame', 'frame-wide')
@section('main')
    <div class="head">
        <div>
            <h1>Power-down</h1>
            <p>
                @if ($page->isProposed)
                    The usual day of such a plan: correct it and save it.
                @else
                    What is done before, in the dark, and after.
                @endif
            </p>
        </div>
    </div>
    @include('plan.partials._nav', ['switch' => $page->switch, 'now' => 'power-down'])
    <x-hazard><b>No work on what may be live.</b> Dark work begins only when the supply is open upstream, locked, tagged and proved dead;
        {{ $page->acts()->keptAway() }}. A licensed electrician decides; the adopted code and the authority
        rule.</x-hazard>
    @foreach ($page->unknown() as $finding)
        <x-finding :finding="$finding" />
    @endforeach
    <dl class="day-sums">
        <div>
            <dt>Dark</dt>
            <dd class="fig">{{ $page->minutes('window_min') }}&#8239;min</dd>
        </div>
        <div>
            <dt>Before</dt>
            <dd class="fig">{{ $page->minutes('before_min') }}&#8239;min</dd>
        </div>
        <div>
            <dt>After</dt>
            <dd class="fig">{{ $page->minutes('after_min') }}&#8239;min</dd>
        </div>
        <div>
            <dt>Opens</dt>
            <dd class="fig">{{ $page->opensAt?->format('D j M H:i') ?? 'not agreed' }}</dd>
        </div>
        <div>
            <dt>Closes</dt>
            <dd class="fig">{{ $page->opensAt ? $page->clock($page->minutes('window_min')) : '–' }}</dd>
        </div>
    </dl>
    @php($chart = $page->chart())
    <div class="day-wide"><svg class="day-chart" width="{{ $chart->width }}" height="{{ $chart->height }}"
            viewBox="0 0 {{ $chart->width }} {{ $chart->height }}" role="img"
            aria-label="The day: {{ $page->minutes('window_min') }} minutes dark">
            @php($window = $chart->window())
            <rect class="dark-window" x="{{ $window['x'] }}" y="24" width="{{ $window['width'] }}" height="{{ $chart->height - 24 }}" />
            @foreach ($chart->ticks() as $tick)
                <text class="tick" x="{{ $tick['x'] }}" y="16" text-anchor="middle">{{ $tick['words'] }}</text>
                <path class="tick" d="M{{ $tick['x'] }} 22V{{ $chart->height }}" />
            @endforeach
            @foreach ($chart->bars() as $bar)
                <g><text class="who" x="18" y="{{ $bar['y'] + 15 }}" text-anchor="end">{{ $bar['id'] }}</text><text x="28"
                        y="{{ $bar['y'] + 15 }}">{{ $bar['name'] }}</text>
                    <rect class="bar bar-{{ $bar['kind'] }}" x="{{ $bar['x'] }}" y="{{ $bar['y'] }}"
                        width="{{ max(3, $bar['width']) }}" height="20">
                        <title>{{ $bar['name'] }}: {{ $bar['who'] }}, {{ $bar['minutes'] }} min</title>
                    </rect>
                </g>
            @endforeach
        </svg></div>
    <ol class="day-list" aria-label="The day">
        @foreach ($page->tasks() as $task)
            <li @class([
                'in-dark' => $task['phase'] === 'dark',
                'is-critical' => $task['critical'],
            ])><span
                    class="fig">{{ $page->clock($task['start_min']) }}</span><span><b>{{ $task['name'] }}</b>
                    <small>{{ $page->who($task) }}</small></span>
                <span
                    class="fig">{{ $task['finish_min'] - $task['start_min'] }}&#8239;min</span>
            </li>
        @endforeach
    </ol>
    <p class="field-hint day-key"><span class="key key-critical"></span> a minute more here, a minute more dark <span
            class="key key-dark"></span> dark, with time to spare <span class="key key-before"></span> before or after</p>
    @foreach ($page->answer->findings as $finding)
        <x-finding :finding="$finding" />
    @endforeach
    <details class="why">
        <summary>Working</summary>
        @foreach ($page->answer->working as $line)
            <p><b>{{ $line->label }}</b>: <span class="fig">{{ $line->expression }} = {{ $line->value }} {{ $line->unit }}</span></p>
        @endforeach
    </details>
    <p class="choice">
        @if ($page->opensAt && $page->minutes('window_min') > 0)
            <a href="{{ route('power-down.ics', $page->switch) }}">Appointment (iCalendar)</a>
        @endif <a href="{{ route('power-down.pdf', $page->switch) }}">Page for the owner and the utility (PDF)</a>
    </p>
    @if (auth()->user()->role->mayWrite())
        <form method="post" action="{{ route('power-down.save', $page->switch) }}" class="block">
            @csrf @method('put')
            <x-seen :kept="$page->switch->plan?->power_down" />
            <h2>The day</h2>
            <div class="fields">
                <x-field name="opens_at" label="Supply opens" type="datetime-local"
                    :value="old('opens_at', $page->opensAt?->format('Y-m-d\TH:i'))"
                    :hint="'Agreed with the person who opens it; time at the site (' . $page->switch->site->timezone . ').'" />
                <x-field name="promised_min" label="Promised to the owner, min"
                    :value="old('promised_min', $page->input['promised_min'] ?? '')" />
                @foreach (['open' => 'Open, lock, prove dead', 'close' => 'Clear, unlock, close'] as $key => $words)
                    <x-field :name="$key . '_minutes'" :label="$words . ', min'"
                        :value="old($key . '_minutes', $page->input[$key]['minutes'])" />
                    <x-field :name="$key . '_who'" label="Who" :value="old($key . '_who', implode(', ', $page->input[$key]['who']))" />
                @endforeach
                <label class="check"><input class="form-check-input" type="checkbox" name="hot_day" value="1"
                        @checked(old('_token') ? old('hot_day') : $page->input['hot_day'] ?? false)> A hot day is forecast</label>
            </div>
            @php($lines = $page->lines(old('tasks')))
            @php($free = $lines === [] ? 0 : max(array_keys($lines)))
            <div class="scroll-x">
                <table class="ruled tasks-form">
                    <thead>
                        <tr>
                            <th>No.</th>
                            <th>Task</th>
                            <th>Who</th>
                            <th>Minutes</th>
                            <th>Waits for</th>
                            <th>Needs it dead</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ([...array_keys($lines), $free + 1, $free + 2] as $n)
                            <tr>
                                <td class="fig">{{ $n }}</td>
                                @foreach ([
            'name' => 'Name',
            'who' => 'Who does',
            'minutes' => 'Minutes',
            'after' => 'What is waited for by',
        ] as $key => $words)
                                    <td class="td-{{ $key }}"><input @class([
                                        'form-control',
                                        'is-invalid' => $errors->has("tasks.$n.$key"),
                                    ])
                                            aria-label="{{ $words }} of task {{ $n }}"
                                            name="tasks[{{ $n }}][{{ $key }}]" value="{{ $lines[$n][$key] ?? '' }}">
                                        @error("tasks.$n.$key")
                                            <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                                        @enderror
                                    </td>
                                @endforeach
                                <td><label class="check"><input class="form-check-input" type="checkbox"
                                            name="tasks[{{ $n }}][dark]" value="1"
                                            aria-label="Task {{ $n }} needs the supply dead" @checked($lines[$n]['dark'] ?? false)></label>
                                </td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            </div>
            <p class="field-hint">Names parted by commas work together on it. A task waits for the numbers it names. Clear a line to take
                its task out.</p>
            <button class="btn btn-primary" type="submit">Save the day</button>
        </form>
    @endif
@endsection
