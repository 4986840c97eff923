@use('App\Stage\Commissioning\RunResult')
<h2>
    Measured against expected</h2>
<p class="verdict" role="status"><x-glyph :kind="$result->mark()" /><b>{{ $result->headline() }}</b></p>
@foreach ($result->verdict->runs as $i => $timed)
    <div class="wide" tabindex="0" role="region" aria-label="Measured against expected, table">
        <table class="ruled measured">
            <caption @class([
                'visually-hidden' =>
                    count($result->verdict->runs) === 1 && !$timed->isByButton,
            ])>{{ $result->title($i) }}</caption>
            <thead>
                <tr>
                    <th scope="col">Interval</th>
                    <th scope="col">Measured</th>
                    <th scope="col">Expected</th>
                    <th scope="col">Verdict</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($timed->intervals as $interval)
                    <tr>
                        <th scope="row">{{ \App\Stage\Commissioning\RunResult::intervalName($interval->event) }}</th>
                        <td class="fig">
                            {{ $interval->measuredMs === null ? '–' : RunResult::seconds($interval->measuredMs) }}
                        </td>
                        <td class="fig">{{ \App\Stage\Commissioning\RunResult::window($interval) }}</td>
                        <td>
                            @if ($interval->verdict->value === 'pass')
                                <x-glyph kind="proven" /> inside
                            @elseif ($interval->verdict->value === 'missing')
                                <x-glyph kind="note" /> {{ $interval->event === 'start_signal' ? 'not marked, optional' : 'not timed' }}
                            @else<x-glyph kind="warn" /> {{ $interval->verdict->value }}
                            @endif
                        </td>
                    </tr>
                    @if ($told = $result->crank($interval))
                        <tr class="told-row">
                            <td colspan="4"><x-glyph kind="warn" /> {{ $told->sentence }}</td>
                        </tr>
                    @endif
                    @if ($built = $result->againstCircuit($interval))
                        <tr class="told-row">
                            <td colspan="4"><x-glyph kind="warn" /> {{ $built->sentence }}</td>
                        </tr>
                    @endif
                @endforeach
                @foreach ($timed->baits as $bait)
                    <tr>
                        <th scope="row">Bait</th>
                        <td class="fig">
                            {{ $bait->heldMs === null ? 'end not marked' : 'held ' . RunResult::seconds($bait->heldMs) }}
                        </td>
                        <td>the load stays on G</td>
                        <td><x-glyph :kind="['pass' => 'proven', 'fail' => 'stop', 'void' => 'warn'][$bait->verdict]" />
                            {{ ['pass' => 'not taken', 'fail' => 'took it', 'void' => 'proves nothing'][$bait->verdict] }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
    </div>
    @if ($result->isAsBuilt($timed))
        <p><x-glyph kind="proven" /> The circuit as built, played, gives these times too.</p>
    @endif
@endforeach
@if ($result->repeats() !== [])
    <div class="wide" tabindex="0" role="region" aria-label="Timed more than once, table">
        <table class="ruled again">
            <thead>
                <tr>
                    <th scope="col">Timed more than once</th>
                    <th scope="col">Times</th>
                    <th scope="col">Middle</th>
                    <th scope="col">Apart</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($result->repeats() as ['name' => $name, 'repeats' => $times])
                    <tr>
                        <th scope="row">{{ $name }}</th>
                        <td class="fig">{{ $times->count }}</td>
                        <td class="fig">{{ RunResult::seconds($times->medianMs) }}</td>
                        <td class="fig">{{ RunResult::seconds($times->spreadMs) }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
    </div>
@endif
@foreach ($result->verdict->findings as $finding)
    <div class="told">
        @if (count($result->verdict->runs) > 1)
            <p class="told-of">{{ $result->about($finding) }}</p>
        @endif
        <x-finding :finding="$finding"
            :where="$finding->path ? route('sheet', $run->switch_id) . '#' . \App\Http\SettingAnchor::of($finding->path) : null" />
    </div>
@endforeach
<p class="small">Outside the window by up to {{ RunResult::seconds($run->reaction_ms) }} still counts as inside:
    that is the hand's reaction.</p>
