@extends('layouts.site', ['standing' => $page->standing, 'here' => 'schedule'])
@section('title', $page->switch->site->name . ': service visit')
@section('main')
    <div class="head">
        <div>
            <h1>Service visit</h1>
            <p>As found, blocked and tried, the work, a run that somebody watches, as left.</p>
        </div>
    </div>
    <x-hazard><b>{{ $page->acts()->title() }}</b> {{ $page->acts()->danger() }} {{ $page->acts()->before() }}</x-hazard>
    @if (auth()->user()->role->mayWrite())
        <form method="post" action="{{ route('service.begin', $page->switch) }}" class="block">
            @csrf
            <input type="hidden" name="press" value="{{ \Illuminate\Support\Str::uuid() }}">
            <fieldset class="schools">
                <legend>What is done today</legend>
                @if ($page->facts->missing() !== [])
                    <p class="quiet">Not known: {{ implode(', ', $page->facts->missing()) }}. Tick what you do; what is due can be said once
                        <a href="{{ route('schedule', $page->switch) }}#known">that is known</a>.
                    </p>
                @endif
                @php($ticked = session()->hasOldInput('press') ? (array) old('items', []) : $page->planned)
                <div class="service-items">
                    @foreach ($page->items() as $id => $item)
                        <label class="check"><input class="form-check-input" type="checkbox" name="items[]" value="{{ $id }}"
                                @checked($ticked === null ? $item['isDue'] : in_array($id, $ticked, true))>
                            <span>{{ $item['name'] }}<small>{{ $item['state'] }}</small></span></label>
                    @endforeach
                </div>
                @error('items.*')
                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                @enderror
            </fieldset>
            <fieldset class="schools">
                <legend>How</legend>
                <label class="check"><input class="form-check-input" type="checkbox" name="enclosure" value="1"
                        @checked(session()->hasOldInput('press') ? old('enclosure') === '1' : $page->isOpened())>
                    <span>The enclosure of the switch is opened: all of it is isolated and proved dead first</span></label>
                @error('enclosure')
                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                @enderror
                @foreach ($page::OPTIONS as $school => $words)
                    <label class="check"><input type="hidden" name="options[{{ $school }}]" value="0"><input
                            class="form-check-input"
                            type="checkbox" name="options[{{ $school }}]" value="1"
                            @checked(old("options.$school", '1') === '1')>{{ $words }}</label>
                @endforeach
            </fieldset>
            @error('hazards_read')
                <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
            @enderror
            <button class="btn btn-primary btn-glove" type="submit" name="hazards_read" value="1">Hazards read: begin the visit</button>
        </form>
    @endif
    <section class="block">
        <h2>Visits</h2>
        @if ($page->switch->services->isEmpty())
            <p class="quiet">None yet. What is signed here goes into the logbook by itself.</p>
        @else
            <table class="ruled">
                <thead>
                    <tr>
                        <th scope="col">Visit</th>
                        <th scope="col">Sheet</th>
                        <th scope="col">State</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($page->switch->services as $visit)
                        <tr>
                            <th scope="row"><a
                                    href="{{ route('procedure', $visit) }}">{{ $page->standing->date($visit->created_at) }}
                                    <small>{{ $visit->user->name }}</small></a>
                            </th>
                            <td>version {{ $visit->sheet->version }}</td>
                            <td>
                                @if ($visit->isSigned())
                                    <x-glyph :kind="['pass' => 'proven', 'fail' => 'stop'][$visit->verdict] ?? 'warn'" />
                                    {{ \App\Stage\Commissioning\ServiceWords::VERDICTS[$visit->verdict] }}, <a
                                        href="{{ route('report', $visit) }}">report</a>
                                @else
                                    <x-glyph kind="note" /> not signed
                                @endif
                            </td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        @endif
    </section>
@endsection
