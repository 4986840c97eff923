@use('App\Stage\SwitchPlate')
@use('App\Stage\Commissioning\RunResult')
@php($run = $report->run)
@php($switch = $run->switch)
@php($site = $switch->site)
<section class="report-part">
    <h1 class="report-site">{{ $site->name }}</h1>
    @include($run->isService() ? 'handover.service-summary' : 'handover.summary')
    @php($plate = new SwitchPlate($switch))
    <table class="facts">
        <tbody>
            <tr>
                <th>Address</th>
                <td>{{ $site->address ?? 'not recorded' }}</td>
                <th>Kind</th>
                <td>{{ $site->installation->label() }}</td>
            </tr>
            <tr>
                <th>Switch</th>
                <td>{{ $switch->name }},
                    {{ $plate->rating('not recorded') }}
                </td>
                <th>Service</th>
                <td>{{ $site->service_a ? $site->service_a . ' A' : 'not recorded' }}</td>
            </tr>
            <tr>
                <th>Generator</th>
                <td>{{ $plate->source('not recorded') }}
                </td>
                <th>Owner</th>
                <td>{{ $site->owner ?? 'not recorded' }}</td>
            </tr>
            <tr>
                <th>Run by</th>
                <td>{{ $report->begunBy() }}, {{ $report->when($run->created_at) }}</td>
                <th>Outage test point</th>
                <td>{{ $report->test->name ?? 'not known' }}</td>
            </tr>
        </tbody>
    </table>
</section>
@unless ($run->isService())
    <section class="report-part">
        <h2>Measured against expected</h2>
        <p class="verdict"><b>{{ $report->result->headline() }}</b></p>
        @foreach ($report->result->verdict->runs as $i => $timed)
            <table class="ruled measured">
                @if (count($report->result->verdict->runs) > 1 || $timed->isByButton)
                    <caption>{{ $report->result->title($i) }}</caption>
                @endif
                <thead>
                    <tr>
                        <th>Interval</th>
                        <th>Measured</th>
                        <th>Expected</th>
                        <th>Verdict</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($timed->intervals as $interval)
                        <tr>
                            <td>{{ \App\Stage\Commissioning\RunResult::intervalName($interval->event) }}</td>
                            <td class="fig">
                                {{ $interval->measuredMs === null ? '–' : RunResult::seconds($interval->measuredMs) }}
                            </td>
                            <td class="fig">{{ \App\Stage\Commissioning\RunResult::window($interval) }}</td>
                            <td>{{ $report->verdictOf($interval) }}
                            </td>
                        </tr>
                        @if ($told = $report->result->crank($interval))
                            <tr class="told-row">
                                <td colspan="4">Warn: {{ $told->sentence }}</td>
                            </tr>
                        @endif
                        @if ($built = $report->result->againstCircuit($interval))
                            <tr class="told-row">
                                <td colspan="4">Warn: {{ $built->sentence }}</td>
                            </tr>
                        @endif
                    @endforeach
                    @foreach ($timed->baits as $bait)
                        <tr>
                            <td>Bait test</td>
                            <td class="fig">
                                {{ $bait->heldMs === null ? 'end not marked' : 'held ' . RunResult::seconds($bait->heldMs) }}
                            </td>
                            <td>the load stays on G</td>
                            <td>{{ ['pass' => 'not taken', 'fail' => 'took it', 'void' => 'proves nothing'][$bait->verdict] }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
            @if ($report->result->isAsBuilt($timed))
                <p>The circuit as built, played, gives these times too.</p>
            @endif
        @endforeach
        @if ($report->result->repeats() !== [])
            <table class="ruled">
                <thead>
                    <tr>
                        <th>Timed more than once</th>
                        <th>Times</th>
                        <th>Middle</th>
                        <th>Apart</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($report->result->repeats() as ['name' => $name, 'repeats' => $times])
                        <tr>
                            <td>{{ $name }}</td>
                            <td class="fig">{{ $times->count }}</td>
                            <td class="fig">{{ RunResult::seconds($times->medianMs) }}</td>
                            <td class="fig">{{ RunResult::seconds($times->spreadMs) }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        @endif
        @foreach ($report->result->verdict->findings as $finding)
            <p><b>{{ ucfirst($finding->severity->value) }}: {{ $finding->message }}</b>
                {{ $finding->because }}@if (count($report->result->verdict->runs) > 1)
                    ({{ $report->result->about($finding) }})
                @endif
            </p>
        @endforeach
        <h3>What was not proved</h3>
        <ul>
            @foreach ($report->notProved() as $missing)
                <li>{{ $missing }}</li>
            @endforeach
        </ul>
    </section>
@endunless
@if ($report->procedure !== [])
    <section class="report-part">
        <h2>Procedure</h2>
        @if ($report->findingLines() !== [])
            <table class="ruled procedure-list">
                <thead>
                    <tr>
                        <th>Step</th>
                        <th>Expected</th>
                        <th>Found</th>
                        <th>Who</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($report->findingLines() as $stage => $lines)
                        @foreach ($lines as $line)
                            {{-- the stage stands in the row of its first step: alone it could stay behind at the foot of a page --}}
                            @php($above = $loop->first ? '<br>' : '')
                            <tr @class(['stage-first' => $loop->first])>
                                <td>
                                    @if ($loop->first)
                                        <b class="stage-name">{{ $stage }}</b><br>
                                    @endif{{ $line->step->title }}
                                </td>
                                <td class="fig">
                                    {!! $above !!}{{ $line->step->band || $line->step->window ? $line->step->expectation : '' }}
                                </td>
                                <td>{!! $above !!}{{ $line->found() }}</td>
                                <td>{!! $above !!}{{ $line->who() }}</td>
                            </tr>
                        @endforeach
                    @endforeach
                </tbody>
            </table>
        @endif
        @if ($report->doneLines() !== [])
            <h3>Done as expected</h3>
            <table class="ruled done-list">
                <tbody>
                    @foreach ($report->doneLines() as $stage => $lines)
                        @foreach (array_chunk($lines, 2) as $pair)
                            @php($isFirst = $loop->first)
                            <tr @class(['stage-first' => $isFirst])>
                                @foreach ($pair as $line)
                                    <td>
                                        @if ($isFirst)
                                            <b class="stage-name">{{ $loop->first ? $stage : "\u{00A0}" }}</b><br>
                                            @endif{{ $line->step->title }}@if ($line->photos !== [])
                                                <span
                                                    class="small">{{ $line->pictures() }}</span>
                                            @endif
                                    </td>
                                    <td class="who">
                                        @if ($isFirst)
                                            <br>
                                        @endif{{ $line->who() === '' ? 'timed' : $line->who() }}
                                    </td>
                                    @endforeach @if (count($pair) === 1)
                                        <td></td>
                                        <td class="who"></td>
                                    @endif
                            </tr>
                        @endforeach
                    @endforeach
                </tbody>
            </table>
        @endif
    </section>
@endif
@if ($report->panel !== null)
    @include('handover.circuit')
@endif
<section class="report-part">
    <h2>Settings, version {{ $run->sheet->version }}, {{ $run->sheet->standing->label() }}</h2>
    <p>{{ $run->sheet->user->name }}, {{ $report->when($run->sheet->created_at) }}. {{ $run->sheet->note }}</p>
    @include('handover.settings')
    @if ($report->settingsFindings !== [])
        <h3>Findings on these settings</h3>
        @foreach ($report->settingsFindings as $finding)
            <p><b>{{ ucfirst($finding->severity->value) }}: {{ $finding->message }}</b> {{ $finding->because }}</p>
        @endforeach
    @endif
</section>
@unless ($run->isService())
    <section class="report-part strip-part">
        <h2>A plain outage, rehearsed on these settings</h2>
        @if ($isPdf)
            <img class="strip-image" src="data:image/svg+xml;base64,{{ base64_encode($report->strip(isPrint: true)->wholeSvg()) }}"
                alt="Timing strip">
        @else
            @php($strip = $report->strip(isPrint: false))
            <div class="strip">{!! $strip->labelSvg() !!}
                <div class="strip-scroll" tabindex="0" role="region" aria-label="Timing strip">{!! $strip->plotSvg() !!}</div>
            </div>
        @endif
    </section>
@endunless
<section class="report-part">
    @unless ($run->isService())
        <h2>Marks</h2>
        <table class="ruled">
            <thead>
                <tr>
                    <th>Mark</th>
                    <th>At</th>
                    <th>Who</th>
                    <th>Remark</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($run->marks as $mark)
                    <tr>
                        <td @if ($mark->is_undone) class="struck" @endif>
                            {{ \App\Stage\Commissioning\RunResult::eventName($mark->event, $run->plantThen()['kind']) }}</td>
                        <td class="fig">{{ RunResult::seconds($mark->at_ms) }}</td>
                        <td>{{ \App\Models\User::initialsOf($report->maker($mark)) }}</td>
                        <td>{{ $report->remarks($mark) }}
                        </td>
                    </tr>
                @endforeach
            </tbody>
        </table>
    @endunless
    @if ($report->notes() !== [])
        <h3>Notes</h3>
        @foreach ($report->notes() as $note)
            <p><b>{{ $note['isAmendment'] ? 'Amendment, ' : '' }}{{ $note['who'] }}, {{ $note['when'] }}:</b> {{ $note['text'] }}</p>
        @endforeach
    @endif
</section>
<section class="report-part">
    <h2>Signed</h2>
    @if ($run->signed_at)
        <p><b>{{ $run->signed_name }}</b>, {{ $report->when($run->signed_at) }} ({{ $site->timezone }}). Verdict as
            signed:
            {{ $report->verdict() }}.
        </p>
        @if ($run->signed_drawing)
            @include('handover.signature', ['name' => $run->signed_name, 'drawing' => $run->signed_drawing])
        @endif
    @else
        <p>Not signed yet: this is a draft.</p>
    @endif
    @foreach ($report->procedure as $line)
        @if ($line->signature())
            <p>{{ $line->step->title }}: <b>{{ $line->signature()['name'] }}</b></p>
            @if ($line->signature()['drawing'] !== '')
                @include('handover.signature', $line->signature())
            @endif
        @endif
    @endforeach
    @if ($report->signedBy())
        <p class="small">Signed in the account of {{ $report->signedBy() }}.</p>
    @endif
    <p class="small">Record of {{ $report->record->entries }} entries,
        {{ $report->record->isWhole ? 'chain whole' : "NOT WHOLE: {$report->record->fault}" }}. Head <span
            class="fig hash">{{ $run->head }}</span></p>
    <p class="small">The maker's instructions, the adopted code and the authority having jurisdiction come first. Limits and planning
        values are to be confirmed against the edition in force. Nothing here permits work on live parts.</p>
</section>
