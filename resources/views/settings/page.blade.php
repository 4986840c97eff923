@extends('layouts.site', ['standing' => $page->standing, 'here' => 'settings'])
@section('title', $page->switch->site->name . ': settings')
@section('main')
    @php($sheet = $page->sheet)
    <div class="head">
        <div>
            <h1>Settings{{ $sheet ? ', version ' . $sheet->version : '' }}</h1>
            <p>
                @if ($sheet)
                    {{ ucfirst($sheet->standing->label()) }},
                    {{ $sheet->user->name }}, {{ $page->when($sheet) }}{{ $sheet->note ? ". $sheet->note" : '' }}
                @else
                    The template for {{ lcfirst($page->switch->site->installation->label()) }}; not saved yet.
                @endif
            </p>
        </div>
        @if ($sheet)
            <a class="btn btn-outline-primary" href="{{ route('sheet.export', [$page->switch, $sheet->version]) }}">Save as file</a>
        @endif
    </div>
    @if (session('overtaken'))
        <div class="finding finding-stop boxed" role="alert">
            <p class="finding-head"><x-glyph kind="stop" /><b>Not saved</b></p>
            <p class="finding-claim">{{ session('overtaken.by') }} saved version {{ session('overtaken.version') }} while you were writing.
                What you typed is below, untouched.</p>
            <p class="finding-because">
                @if (session('overtaken.changes') === [])
                    Yours says the same.
                @else
                    Yours against it: {{ implode(' ', session('overtaken.changes')) }}
                @endif
            </p>
            <p class="finding-because">Save again to put yours on top as version {{ session('overtaken.version') + 1 }}; version
                {{ session('overtaken.version') }} stays in the list.</p>
        </div>
    @endif
    @if (!$sheet)
        <nav class="choice" aria-label="School of return delay">
            @foreach (\Escapement\Core\Settings\Template\ReturnDelayMethod::cases() as $school)
                <a href="{{ route('sheet', ['switch' => $page->switch, 'school' => $school->value]) }}"
                    @if ($school === $page->school) aria-current="true" @endif>{{ $school->label() }}</a>
            @endforeach
        </nav>
        <p class="working">{{ $page->school->reason() }}</p>
    @endif
    <p class="working">{{ $page->template->hint() }}</p>
    <nav class="jump" aria-label="Jump to">
        @foreach (array_keys($page->form->groups()) as $heading)
            <a href="#at-{{ \Illuminate\Support\Str::slug($heading) }}">{{ $heading }}</a>
        @endforeach
        @if ($page->switch->plant['engine'] ?? null)
            <a href="#at-exercise">Exercise</a>
        @endif <a href="#at-save">Save</a>
    </nav>
    @if ($sheet && $page->differences() !== [])
        <details class="block" open>
            <summary>
                <h2>Differs from the template in {{ count($page->differences()) }}</h2>
            </summary>
            <dl class="pairs">
                @foreach ($page->differences() as $one)
                    <div>
                        <dt><a href="#{{ $one['anchor'] }}">{{ $one['label'] }}</a></dt>
                        <dd><span class="fig">{{ $one['mine'] }}</span>, template <span class="fig">{{ $one['template'] }}</span></dd>
                    </div>
                @endforeach
            </dl>
        </details>
    @endif
    @includeWhen($page->panel !== null, 'settings.partials._circuit')
    <form method="post" action="{{ route('sheet.save', $page->switch) }}" class="sheet" id="sheet">
        @csrf
        <input type="hidden" name="seen_version" value="{{ session('overtaken.version', $page->switch->sheet?->version ?? 0) }}">
        @foreach ($page->form->groups() as $heading => $fields)
            <fieldset class="block" id="at-{{ \Illuminate\Support\Str::slug($heading) }}">
                <legend>
                    <h2>{{ $heading }}</h2>
                </legend>
                @foreach ($page->form->lines($fields) as $line)
                    @include('settings.partials._line', ['line' => $line])
                @endforeach
            </fieldset>
        @endforeach
        @if ($page->switch->plant['engine'] ?? null)
            <fieldset class="block" id="at-exercise">
                <legend>
                    <h2>Exercise, as agreed on site</h2>
                </legend>
                @php($exercise = $page->habits['exercise'] ?? null)
                <div class="fields">
                    <div class="field"><label for="f-day">Day</label><select id="f-day" class="form-select" name="h[day]">
                            <option value="">no exercise</option>
                            @foreach ([
            'mon' => 'Monday',
            'tue' => 'Tuesday',
            'wed' => 'Wednesday',
            'thu' => 'Thursday',
            'fri' => 'Friday',
            'sat' => 'Saturday',
            'sun' => 'Sunday',
        ] as $day => $name)
                                <option value="{{ $day }}" @selected(old('h.day', $exercise['day'] ?? '') === $day)>{{ $name }}</option>
                            @endforeach
                        </select>
                    </div>
                    <x-field name="h[time]" errorKey="h.time" label="Time, local" :value="old('h.time', $exercise['time'] ?? '11:00')"
                        hint="00:00 to 23:59. Not while people sleep, trade or eat." />
                    <div class="field"><label for="f-every">Every</label><select id="f-every" class="form-select" name="h[every]">
                            @foreach ($page->intervals($exercise['every'] ?? null) as $every)
                                <option value="{{ $every }}" @selected(old('h.every', $exercise['every'] ?? 'weekly') == $every)>
                                    {{ is_numeric($every) ? "$every days" : $every }}</option>
                            @endforeach
                        </select>
                    </div>
                    <x-field name="h[for_min]" errorKey="h.for_min" label="Length" unit="min" inputmode="numeric"
                        :value="old('h.for_min', $exercise['for_min'] ?? 15)" />
                    <label class="check"><input class="form-check-input" type="checkbox" name="h[with_load]" value="1"
                            @checked(old('h.with_load', $exercise['with_load'] ?? false))>With load</label>
                    <x-field name="h[load_tests_per_year]" errorKey="h.load_tests_per_year" label="Load tests a year" inputmode="numeric"
                        :value="old('h.load_tests_per_year', $page->habits['load_tests_per_year'] ?? 0)"
                        hint="Default four: the weekly run proves that it starts, not that it carries." />
                </div>
            </fieldset>
        @endif
        @if (auth()->user()->role->mayWrite())
            <fieldset class="block" id="at-save">
                <legend>
                    <h2>Save as a new version</h2>
                </legend>
                <div class="fields">
                    <fieldset class="field field-wide">
                        <legend>This is how it</legend>
                        <div class="choice">
                            @foreach (['as_found' => 'was found', 'proposed' => 'is proposed', 'as_left' => 'is left'] as $value => $label)
                                <label><input type="radio" name="standing" value="{{ $value }}"
                                        @checked(old('standing', 'proposed') === $value)><span>{{ $label }}</span></label>
                            @endforeach
                        </div>
                        @error('standing')
                            <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                        @enderror
                    </fieldset>
                    @error('sure')
                        <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $message }}</p>
                        <label class="check"><input class="form-check-input" type="checkbox" name="sure" value="1">It is meant</label>
                    @enderror
                    <x-field name="note" label="Why" :value="old('note', '')" hint="The next technician reads it" />
                </div>
                <button class="btn btn-primary" type="submit">Save version
                    {{ session('overtaken.version', $page->switch->sheet?->version ?? 0) + 1 }}</button>
            </fieldset>
        @endif
    </form>
    @if (auth()->user()->role->mayWrite())
        <form method="post" action="{{ route('sheet.import', $page->switch) }}" enctype="multipart/form-data" class="block">
            @csrf
            <h2>Read from a file</h2>
            <div class="field"><label for="f-file">A sheet saved by Escapement (JSON)</label><input id="f-file" type="file"
                    name="file" accept="application/json,.json" @class(['form-control', 'is-invalid' => $errors->has('file')])>
                @error('file')
                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                @enderror
            </div>
            <button class="btn btn-outline-primary" type="submit">Read it as proposed</button>
        </form>
    @endif
    @if ($page->switch->sheets->isNotEmpty())
        <section class="block">
            <h2>Versions</h2>
            <form method="get" action="{{ route('difference', $page->switch) }}">
                <div class="wide" tabindex="0" role="region" aria-label="Versions, table">
                    <table class="ruled">
                        <thead>
                            <tr>
                                <th scope="col">Version</th>
                                <th scope="col">Standing</th>
                                <th scope="col">Who and when</th>
                                <th scope="col">From</th>
                                <th scope="col">To</th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($page->switch->sheets as $i => $version)
                                <tr>
                                    <td><a href="{{ route('sheet', ['switch' => $page->switch, 'version' => $version->version]) }}">Version
                                            {{ $version->version }}</a></td>
                                    <td>{{ $version->standing->label() }}</td>
                                    <td>{{ $version->user->initials() }},
                                        {{ $page->when($version) }}<small>{{ $version->note }}</small></td>
                                    <td><label class="check"><input class="form-check-input" type="radio" name="from"
                                                value="{{ $version->version }}" aria-label="From version {{ $version->version }}"
                                                @checked($i === min(1, count($page->switch->sheets) - 1))></label></td>
                                    <td><label class="check"><input class="form-check-input" type="radio" name="to"
                                                value="{{ $version->version }}" aria-label="To version {{ $version->version }}"
                                                @checked($i === 0)></label></td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                </div>
                <button class="btn btn-outline-primary" type="submit">Show the difference</button>
            </form>
        </section>
    @endif
@endsection
@section('aside')
    <h2>A plain outage would take</h2>
    <dl class="pairs">
        @foreach ($page->check->expected->windows as $window)
            <div>
                <dt>{{ $window->event === 'dark_ms' ? 'Dark' : \App\Stage\Commissioning\RunResult::intervalName($window->event) }}</dt>
                <dd class="fig">{{ $page->seconds($window->nominalMs) }}</dd>
            </div>
        @endforeach
    </dl>
    <details class="why">
        <summary>How it adds up</summary>
        @foreach ($page->check->expected->working as $line)
            <p><b>{{ $line->label }}</b><br><span class="fig">{{ $line->expression }} = {{ $line->value }} {{ $line->unit }}</span>
            </p>
        @endforeach
    </details>
    <h2 class="gap">Findings here</h2>
    @forelse ($page->findings() as $finding)
        <x-finding :finding="$finding"
            :where="str_starts_with((string) $finding->path, '/settings/') ? '#' . \App\Http\SettingAnchor::of($finding->path) : null">
            @php($fixed = $page->fixed($finding))
            @if ($fixed !== null && auth()->user()->role->mayWrite())
                <form method="post" action="{{ route('sheet.save', $page->switch) }}" class="fix">
                    @csrf
                    @include('settings.partials._carried', [
                        'seen' => $page->switch->sheet?->version ?? 0,
                        'note' => 'Clears: ' . $finding->message,
                        'fields' => $fixed,
                        'habits' => $page->habits,
                    ])
                    <p class="finding-because">{{ $page->fixWords($finding) }}</p>
                    <button class="btn btn-outline-primary" type="submit">Propose it so</button>
                </form>
            @endif
        </x-finding>
    @empty
        <p class="missing"><x-glyph kind="proven" />Nothing to say against this sheet.</p>
    @endforelse
    <p class="small">Planning values and limits are generic: the maker's instructions, the adopted code and the authority having
        jurisdiction come first.</p>
@endsection
