@php($test = $report->test)
@php($judged = $report->judged)
<section class="report-part">
    <h1 class="report-site">{{ $test->switch->site->name }}</h1>
    <table class="summary">
        <tbody>
            <tr>
                <td colspan="2" class="verdict-line">
                    @if ($test->isClosed())
                        {{ $judged::VERDICTS[$test->verdict] ?? $test->verdict }}, as signed
                    @else
                        Draft: not signed yet
                    @endif
                </td>
            </tr>
            <tr>
                <td>
                    <h3>Proved by this test</h3>
                    <ul>
                        @forelse ($report->proved() as $line)
                            <li>{{ $line }}</li>
                        @empty
                            <li>Nothing yet.</li>
                        @endforelse
                    </ul>
                </td>
                <td class="not-proved">
                    <h3>Not proved by this test</h3>
                    <ul>
                        @foreach ($report->notProved() as $line)
                            <li>{{ $line }}</li>
                        @endforeach
                    </ul>
                </td>
            </tr>
            <tr>
                <td><b>Planned by</b> {{ $test->user->name }}, {{ $report->when($test->created_at) }}</td>
                <td class="not-proved">
                    @if ($test->isClosed())
                        <b>Signed</b> {{ $test->closed_by }}, {{ $report->when($test->closed_at) }}
                    @else
                        Nobody has signed.
                    @endif
                </td>
            </tr>
        </tbody>
    </table>
    <table class="facts">
        <tbody>
            <tr>
                <th>What was asked</th>
                <td>{{ $judged->title() }}</td>
                <th>Generator</th>
                <td>{{ $report->generator() }}</td>
            </tr>
            <tr>
                <th>Load bank</th>
                <td>{{ $report->bank() }}</td>
                <th>Edition</th>
                <td>{{ $test->edition ?? 'not entered' }}; profiles are commonly required, confirm them in the adopted edition</td>
            </tr>
            @if ($test->people || $test->hours || $test->noise)
                <tr>
                    <th>People</th>
                    <td>{{ $test->people }}</td>
                    <th>Hours, noise</th>
                    <td>{{ implode('; ', array_filter([$test->hours, $test->noise])) }}</td>
                </tr>
            @endif
        </tbody>
    </table>
</section>
<section class="report-part">
    <h2>Steps and readings</h2>
    @if ($isPdf)
        <p><img alt="Steps of the test" src="{{ $judged->chart(true)->pdfImage() }}" width="470"></p>
        @if ($judged->figures(true))
            <p><img alt="Figures of the readings" src="{{ $judged->figures(true)->pdfImage() }}" width="470"></p>
        @endif
    @else
        <div class="scroll-x">{!! $judged->chart()->svg() !!}</div>
        @if ($judged->figures())
            <div class="scroll-x">{!! $judged->figures()->svg() !!}</div>
        @endif
    @endif
    @if ($judged->marked() !== [])
        <table class="ruled">
            <thead>
                <tr>
                    <th>Step as it was</th>
                    <th>From</th>
                    <th>To</th>
                    <th>Minutes</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($judged->marked() as $span)
                    <tr>
                        <td>{{ $span['title'] }}</td>
                        <td class="fig">{{ $span['from'] }}</td>
                        <td class="fig">{{ $span['to'] }}</td>
                        <td class="fig">{{ $span['minutes'] }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
    @endif
    <div class="scroll-x">
        <table class="ruled">
            <thead>
                <tr>
                    <th>Hour</th>
                    <th>V</th>
                    <th>A</th>
                    <th>Hz</th>
                    <th>kW</th>
                    <th>Oil</th>
                    <th>Coolant</th>
                    <th>Exhaust</th>
                    <th>By</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($report->shownReadings() as $one)
                    <tr @class(['is-struck' => $one->struck_why !== null])>
                        <td class="fig">{{ $judged->words->hour($one->taken_at) }}</td>
                        <td class="fig">{{ implode(' ', array_map(fn($v) => round($v, 1), $one->v_v)) }}</td>
                        <td class="fig">{{ implode(' ', array_map(fn($a) => round($a, 1), $one->a_a)) }}</td>
                        <td class="fig">{{ $one->hz }}</td>
                        <td class="fig">{{ $judged->words::kw($one->figures()) }}</td>
                        <td class="fig">{{ $judged->words->oil($one->oil_kpa) }}</td>
                        <td class="fig">{{ $judged->words->temperature($one->coolant_c) }}</td>
                        <td class="fig">{{ $judged->words->temperature($one->exhaust_c) }}</td>
                        <td>{{ $report->maker($one) }}{{ $one->struck_why === null ? '' : '; struck out: ' . $one->struck_why }}
                            {{ $one->note }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
    </div>
    @if ($report->leftOut() > 0)
        <p>{{ $report->leftOut() }} more readings are in the CSV and the JSON.</p>
    @endif
</section>
@if ($judged->recordings() !== [])
    <section class="report-part">
        <h2>Load steps as they were recorded</h2>
        @foreach ($judged->recordings() as $part)
            <table class="ruled">
                <caption>{{ $part->recording->source }}, class {{ $part->class }}</caption>
                <thead>
                    <tr>
                        <th>At</th>
                        <th>Power</th>
                        <th>Volts</th>
                        <th>back after</th>
                        <th>Hertz</th>
                        <th>back after</th>
                        <th>Class met</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($part->steps as $step)
                        <tr>
                            <td class="fig">{{ round(($step['t_ms'] ?? 0) / 1000, 2) }} s</td>
                            <td class="fig">{{ $part->figure($step, 'from_kw') }} to {{ $part->figure($step, 'to_kw') }} kW</td>
                            <td class="fig">{{ $part->figure($step, 'v_dev_pct') }} %</td>
                            <td class="fig">{{ $part->recovery($step, 'v') }}</td>
                            <td class="fig">{{ $part->figure($step, 'hz_dev_pct', 2) }} %</td>
                            <td class="fig">{{ $part->recovery($step, 'hz') }}</td>
                            <td>{{ $step['class_met'] ?? 'none' }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        @endforeach
    </section>
@endif
@if ($judged->findings() !== [])
    <section class="report-part">
        <h2>Findings</h2>
        <ul>
            @foreach ($judged->findings() as $finding)
                <li><b>{{ ucfirst($finding->severity->value) }}:</b> {{ $finding->sentence() }}</li>
            @endforeach
        </ul>
    </section>
@endif
@if ($report->notes() !== [])
    <section class="report-part">
        <h2>Notes and amendments</h2>
        <ul>
            @foreach ($report->notes() as $note)
                <li>{{ $note['when'] }}, {{ $note['who'] }}{{ $note['isAmendment'] ? ' (after signing)' : '' }}: {{ $note['text'] }}
                </li>
            @endforeach
        </ul>
    </section>
@endif
<section class="report-part">
    <h2>Signature and record</h2>
    @if ($test->isClosed())
        <p>{{ $test->closed_by }}, {{ $report->when($test->closed_at) }}{{ $report->signedBy() }}</p>
        @if ($test->signed_drawing)
            @include('handover.signature', ['drawing' => $test->signed_drawing, 'name' => $test->closed_by])
        @endif
    @else
        <p>Not signed yet.</p>
    @endif
    @if ($report->fault === null)
        <p>Record whole: {{ count($report->entries) }} entries, head <span class="fig">{{ substr($test->head, 0, 16) }}</span>.
            {{ $report->vouched() }}</p>
    @else
        <p><b>Record: {{ $report->fault }}</b></p>
    @endif
</section>
