@use('App\Stage\SwitchPlate')
<!doctype html>
@php($switch = $plan->switch)
@php($site = $switch->site)
<html lang="en">

<head>
    <meta charset="utf-8">
    <title>Plan: {{ $site->name }}</title>@include('partials.paper-style')
</head>

<body>
    @include('handover.letterhead', [
        'company' => auth()->user()->company,
        'title' => 'Plan',
        'under' => 'printed ' . $plan->standing->date(now()),
    ])
    <h1>Plan: {{ $site->name }}</h1>
    <p class="small">{{ $site->address }} {{ $site->installation->label() }}. Printed {{ $plan->standing->date(now()) }}. Escapement.</p>
    <div class="box"><b>A plan, not permission.</b> Nothing here permits work on live parts. Every size, torque, distance and time is a
        planning figure, to be confirmed against the maker's instructions, the adopted code in its edition in force
        ({{ $edition ?? 'edition not stated: ask the authority' }}), the authority having jurisdiction and a
        licensed electrician. Line sides stay live until the supply is opened upstream; the generator starts by itself.</div>
    <h2>Found</h2>
    @php($plate = new SwitchPlate($switch))
    <table>
        <tbody>
            <tr>
                <th>Service</th>
                <td>{{ $site->service_a ? $site->service_a . ' A' : 'not known' }}</td>
                <th>Switch</th>
                <td>{{ $switch->name }},
                    {{ $plate->rating('not known') }}
                </td>
            </tr>
            <tr>
                <th>Generator</th>
                <td>{{ $plate->source('not known') }}{{ $plan->givesHere() }}</td>
                <th>Owner</th>
                <td>{{ $site->owner ?? 'not known' }}</td>
            </tr>
        </tbody>
    </table>
    <table>
        <tbody>
            @foreach ($answers->pairs() as $pair)
                <tr>
                    @foreach ($pair as $q)
                        <th>{{ $q['label'] }}</th>
                        <td>{{ $q['answer'] }}
                        </td>
                        @endforeach @if (count($pair) === 1)
                            <th></th>
                            <td></td>
                        @endif
                </tr>
            @endforeach
        </tbody>
    </table>
    @foreach ($survey->answer->findings as $finding)
        <p><b>{{ ucfirst($finding->severity->value) }}: {{ $finding->message }}</b> {{ $finding->because }}</p>
    @endforeach
    <h2>Loads</h2>
    <table>
        <thead>
            <tr>
                <th>Load</th>
                <th>kW</th>
                <th>Legs</th>
                <th>Start kVA</th>
                <th>Priority</th>
                <th>What becomes of it on the generator</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($shedding->inOrder() as $load)
                <tr>
                    <td>{{ $load->name }}</td>
                    <td class="fig">{{ (float) $load->kw }}</td>
                    <td class="fig">{{ $plan->facts->connect($load) }}</td>
                    <td class="fig">{{ (float) $load->start_kva ?: '' }}</td>
                    <td class="fig">{{ $load->priority }}</td>
                    <td>{{ $shedding->restart ? $shedding->fate($load) : '' }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
    @if ($plan->sizing)
        <h2>Decided</h2>
        <p>{{ $plan->chosenTitle() ? 'Chosen: ' . $plan->chosenTitle() . '. ' . $plan->kept->choice_reason : 'Nothing is chosen yet.' }}
        </p>
        <table>
            <thead>
                <tr>
                    <th></th>
                    @foreach ($plan->columns() as $c)
                        <th>{{ $c->title }}{{ $c->key === $plan->sizing->recommendation ? ' (recommended)' : '' }}</th>
                    @endforeach
                </tr>
            </thead>
            <tbody>
                <tr>
                    <th>Fits</th>
                    @foreach ($plan->columns() as $c)
                        <td>{{ $c->fits() }}</td>
                    @endforeach
                </tr>
                <tr>
                    <th>Load at once, each leg</th>
                    @foreach ($plan->columns() as $c)
                        <td class="fig">{{ round($c->option->kw, 1) }} kW, {{ $c->legs() }} A</td>
                    @endforeach
                </tr>
                <tr>
                    <th>Headroom; largest voltage dip</th>
                    @foreach ($plan->columns() as $c)
                        <td class="fig">{{ round($c->option->headroomPct) }} %; {{ round($c->dipPct) }} %</td>
                    @endforeach
                </tr>
                <tr>
                    <th>Does not run, or not at once</th>
                    @foreach ($plan->columns() as $c)
                        <td>{{ $c->off === [] ? 'nothing' : implode(', ', $c->off) }}</td>
                    @endforeach
                </tr>
            </tbody>
        </table>
    @endif
    <div class="together">
        <h2>One-line, on the utility</h2>
        <p><img alt="One-line on the utility" src="{{ $plan->picture->pdfImage() }}"
                @if ($plan->picture->isWide()) width="520" @else height="400" @endif></p>
    </div>
    <div class="together">
        <h2>On the generator</h2>
        <p><img alt="One-line on the generator" src="{{ $onGenerator->picture->pdfImage() }}"
                @if ($plan->picture->isWide()) width="520" @else height="400" @endif></p>
    </div>
    @include('partials.test-point', ['test' => $plan->test])
    <h2>Bonds: what moves</h2>
    @forelse ($plan->moves() as $move)
    <p><b>{{ $move->n }}. {{ $move->title }}.</b> {{ $move->why }}</p>@empty<p>Nothing moves: one bond in every position.
        </p>
    @endforelse
    @foreach ($plan->bonding->panelWork() as $work)
        @if ($work['move_grounds'] > 0)
            <p>{{ $plan->name($work['panel']) }}: {{ $work['move_grounds'] }} grounds to their own bar.</p>
        @endif
    @endforeach
    @foreach ($plan->findings as $finding)
        <p><b>{{ ucfirst($finding->severity->value) }}: {{ $finding->message }}</b> {{ $finding->because }}</p>
    @endforeach
    <h2>Feeders and wires</h2>
    <table>
        <thead>
            <tr>
                <th>Run</th>
                <th>Breaker</th>
                <th>Size</th>
                <th>Ground</th>
                <th>Length</th>
                <th>Raceway</th>
                <th>Fill</th>
                <th>Drop</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($wires->rows as $row)
                <tr>
                    <td>{{ $row->typed('name') }}</td>
                    <td class="fig">{{ $row->typed('ocpd_a') }} A</td>
                    <td class="fig">{{ $row->sets() > 1 ? $row->sets() . ' × ' : '' }}{{ $row->size ?? '–' }}
                        {{ ucfirst($row->typed('material')) }}</td>
                    <td class="fig">{{ $row->egc ?? ($row->typed('service') === '1' ? 'by neutral' : '–') }}</td>
                    <td class="fig">{{ $row->length() }} {{ $wires->units->length() }}</td>
                    <td class="fig">{{ $wires->raceways[$row->typed('raceway')] ?? '' }} {{ $row->minTradeSize ?? '–' }}</td>
                    <td class="fig">{{ $row->fillPct === null ? '–' : round($row->fillPct) . ' %' }}</td>
                    <td class="fig">{{ $row->dropPct === null ? '–' : round($row->dropPct, 1) . ' %' }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
    @foreach ($wires->findings() as $told)
        <p><b>{{ ucfirst($told['finding']->severity->value) }}: {{ $told['finding']->message }}</b> {{ implode(', ', $told['runs']) }}.
            {{ $told['finding']->because }}</p>
    @endforeach
    @foreach ($landing->enclosures as $table)
        <div class="together">
            @if ($loop->first)
                <h2>Terminations and torque, in order</h2>
            @endif
            <h3>
                {{ $table->name }}</h3>
            <table>
                <thead>
                    <tr>
                        <th>No.</th>
                        <th>Terminal</th>
                        <th>Conductor</th>
                        <th>Run</th>
                        <th>Size</th>
                        <th>Colour</th>
                        <th>Torque</th>
                        <th>As torqued</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($table->lines as $i => $line)
                        <tr>
                            <td class="fig">{{ $i + 1 }}</td>
                            <td>{{ $line['terminal'] }}</td>
                            <td class="fig">{{ $line['conductor'] }}</td>
                            <td>{{ $line['feeder'] }}</td>
                            <td class="fig">{{ $line['size'] }}</td>
                            <td>{{ $table->colour($line) }}</td>
                            <td class="fig">{{ $table->target($i)['value'] }} <span
                                    class="small">{{ $table->target($i)['source'] }}</span></td>
                            <td></td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
            @foreach (array_filter($landing->entries, fn($entry) => $entry->enclosure === $table->id) as $entry)
                <p class="small">Entry of {{ $entry->feeder }}:
                    {{ $entry->pieces > 1 ? $entry->pieces . ' × ' : '' }}{{ $entry->connector }} {{ $entry->tradeSize }}, knock-out
                    {{ $entry->knockOutIn }}
                    in{{ $entry->isBushed ? ', insulating bushing' : '' }}{{ $entry->isSealed ? ', sealed' : '' }}.</p>
            @endforeach
        </div>
    @endforeach
    @if ($landing->boxes !== [])
        <h3>Boxes</h3>
        @foreach ($landing->boxes as $one)
            <p>{{ $one['box']['name'] }}, {{ $one['box']['w_in'] }} × {{ $one['box']['h_in'] }} × {{ $one['box']['d_in'] }} in:
                {{ $one['fault'] ?? ($one['answer']?->values['passes'] ? 'big enough' : 'too small') }}.</p>
        @endforeach
    @endif
    @if ($landing->controls !== [])
        <h3>Control conductors and jumpers</h3>
        <table>
            <tbody>
                @foreach ([...$landing->controls, ...$landing->jumpers] as $line)
                    <tr>
                        <td>{{ $line['function'] }}</td>
                        <td class="fig">{{ $line['terminals'] === '' ? 'from the maker\'s diagram' : $line['terminals'] }}</td>
                        <td>{{ $line['why'] }} {{ $line['note'] }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
    @endif
    @if ($mobile?->runtime)
        <h2>Batteries and cords</h2>
        <p>These batteries {{ $mobile->hours($mobile->runtime->values['runtime_h']) }}{{ $mobile->withExtra() }}.</p>
        @foreach ($mobile->findings() as $finding)
            <p><b>{{ ucfirst($finding->severity->value) }}: {{ $finding->message }}</b> {{ $finding->because }}</p>
        @endforeach
    @endif
    @if ($shedding->restart)
        <h2>Shedding and restart</h2>
        <table>
            <thead>
                <tr>
                    <th>At</th>
                    <th>Comes back</th>
                    <th>Running then</th>
                    <th>Start</th>
                    <th>Dip</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($shedding->steps() as $step)
                    <tr>
                        <td class="fig">{{ round($step['t_s']) }} s</td>
                        <td>{{ $step['id'] }}</td>
                        <td class="fig">{{ round($step['running_kw'], 1) }} of {{ round($shedding->usableKw, 1) }} kW</td>
                        <td class="fig">{{ round($step['start_kva'], 1) }} kVA</td>
                        <td class="fig">{{ round($step['dip_pct']) }} %</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
        @foreach ($shedding->findings() as $finding)
            <p><b>{{ ucfirst($finding->severity->value) }}: {{ $finding->message }}</b> {{ $finding->because }}</p>
        @endforeach
    @endif
    <h2>The day</h2>
    <p>Dark for {{ $day->minutes('window_min') }}
        min{{ $day->opensAt ? ', from ' . $day->opensAt->format('l j F Y, H:i') : '; the hour is to be agreed' }}.</p>
    <table>
        <thead>
            <tr>
                <th>From</th>
                <th>To</th>
                <th>What</th>
                <th>Who</th>
                <th></th>
            </tr>
        </thead>
        <tbody>
            @foreach ($day->tasks() as $task)
                <tr>
                    <td>{{ $day->clock($task['start_min']) }}</td>
                    <td>{{ $day->clock($task['finish_min']) }}</td>
                    <td>{{ $task['name'] }}</td>
                    <td>{{ implode(', ', $task['who']) }}</td>
                    <td>{{ $task['phase'] === 'dark' ? 'dark' : '' }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
    <h2>Materials and tools</h2>
    @foreach ($pack->groups() as $label => $lines)
        <div>
            <h3>{{ $label }}</h3>
            <table>
                <tbody>
                    @foreach ($lines as $line)
                        <tr>
                            <td width="14"><span class="tick">{{ $pack->isTicked($line) ? '×' : '' }}</span></td>
                            <td>{{ $line->name }}</td>
                            <td class="fig">{{ $pack->quantity($line) }}</td>
                            <td class="small">{{ $pack->calibrationFault($line) ?? $line->why }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </div>
    @endforeach
</body>

</html>
