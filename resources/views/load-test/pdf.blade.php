<!doctype html>
<html lang="en">

<head>
    <meta charset="utf-8">
    <title>Load test: {{ $page->test->switch->site->name }}</title>@include('partials.paper-style')
</head>

<body>
    @php($judged = $page->judged)
    @include('handover.letterhead', [
        'company' => auth()->user()->company,
        'title' => 'Load test',
        'under' => $page->test->switch->site->address ?? '',
    ])
    <h1>{{ $page->test->switch->site->name }}: {{ $judged->title() }}</h1>
    <div class="box"><b>Lethal voltage, hot air.</b> With the set stopped the utility still feeds the load side. Connect and disconnect
        the bank only with the set stopped, its start battery disconnected, and utility and generator both isolated, locked out and
        proved dead at the terminals; a licensed electrician, by the maker's instructions. Keep clear of the air outlet and the exhaust. A
        real outage: drop the bank at once.</div>
    <p><img alt="Steps of the test" src="{{ $judged->chart(true)->pdfImage() }}" width="430"></p>
    <table>
        <tr>
            <th>Level</th>
            <th>From</th>
            <th>To</th>
            <th>Building and bank</th>
            <th>Elements on</th>
        </tr>
        @foreach ($judged->plan->steps as $i => $step)
            <tr>
                <td>{{ $step->levelPct }} %, {{ $step->minutes }} min</td>
                <td>{{ $judged::clock($step->startS) }}</td>
                <td>{{ $judged::clock($step->endS) }}</td>
                <td>{{ round($step->kw, 2) }} kW, bank {{ round($step->bankKw, 2) }}</td>
                <td>{{ $page->elements($i) === [] ? 'none' : implode(', ', $page->elements($i)) }}</td>
            </tr>
        @endforeach
    </table>
    <h2>Readings</h2>
    <table>
        <tr>
            <th>Minute</th>
            @for ($leg = 1; $leg <= $page->facts->phases(); $leg++)
                <th>L{{ $leg }} V</th>
                <th>L{{ $leg }} A</th>
            @endfor
            <th>Hz</th>
            <th>kW</th>
            <th>Oil, {{ $judged->units->oilPressure() }}</th>
            <th>Coolant, {{ $judged->units->temperature() }}</th>
            <th>Exhaust, {{ $judged->units->temperature() }}</th>
        </tr>
        @foreach (array_slice($judged->plan->readings, 0, 40) as $time)
            <tr>
                <td>{{ $judged::clock($time) }}</td>
                @for ($cell = 0; $cell < 2 * $page->facts->phases() + 5; $cell++)
                    <td>&nbsp;</td>
                @endfor
            </tr>
        @endforeach
    </table>
    <p class="small">At a step up read after it, at a step down before it. Before each step read the load of the building again: the bank
        makes up the rest, and the total never exceeds {{ round($judged->usableKw(), 1) }} kW. Fuel needed:
        {{ round($judged->plan->fuelNeeded, 1) }} {{ $judged->plan->fuelUnit }}. Profiles are commonly required: confirm them in the
        adopted
        edition and with the authority having jurisdiction.</p>
</body>

</html>
