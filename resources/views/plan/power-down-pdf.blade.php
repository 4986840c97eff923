<!doctype html>
<html lang="en">

<head>
    <meta charset="utf-8">
    <title>Power-down: {{ $page->switch->site->name }}</title>
    @include('partials.paper-style')<style>
        @page {
            margin: 42px 40px 52px
        }

        body {
            font: 10pt paper;
            color: #000;
            line-height: 1.35
        }

        h1 {
            font-size: 15pt;
            margin: 0 0 2pt
        }

        h2 {
            font-size: 12pt;
            margin: 12pt 0 4pt;
            border-bottom: 1px solid #000
        }

        p {
            margin: 2pt 0
        }

        table {
            width: 100%;
            border-collapse: collapse
        }

        td,
        th {
            text-align: left;
            padding: 3pt 6pt 3pt 0;
            border-bottom: .5px solid #999;
            font-weight: normal
        }

        thead th {
            border-bottom: 1px solid #000
        }

        tr {
            page-break-inside: avoid
        }

        .big {
            font-size: 13pt;
            font-weight: bold
        }

        .box {
            border: 1.5px solid #000;
            padding: 6pt;
            margin: 6pt 0
        }

        .small {
            font-size: 8.5pt;
            color: #333
        }
    </style>
</head>

<body>
    <h1>Power-down: {{ $page->switch->site->name }}</h1>
    <p class="small">{{ $page->switch->site->address }}</p>
    <p class="big">
        @if ($page->opensAt)
            {{ $page->opensAt->format('l j F Y') }}, off from {{ $page->clock(0) }} to about
            {{ $page->clock($page->minutes('window_min')) }} ({{ $page->minutes('window_min') }} min)
        @else
            Off for about {{ $page->minutes('window_min') }} min; the hour is to be agreed
        @endif
    </p>
    <div class="box"><b>For the owner.</b> Tell us before the day of anyone who depends on powered medical equipment. Shut down computers,
        keep fridge and freezer closed, open garage doors beforehand, keep off the work area. The time is a plan: the supply comes back when
        the work is complete and checked.</div>
    <div class="box"><b>For the person who opens the supply.</b> Please be there to open at the hour above and to close on our call. Work
        begins
        only when it is open, locked, tagged and proved dead; {{ $page->acts()->keptAway() }}.</div>
    <h2>The day</h2>
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
            @foreach ($page->tasks() as $task)
                <tr>
                    <td>{{ $page->clock($task['start_min']) }}</td>
                    <td>{{ $page->clock($task['finish_min']) }}</td>
                    <td>{{ $task['name'] }}</td>
                    <td>{{ implode(', ', $task['who']) }}</td>
                    <td>{{ $task['phase'] === 'dark' ? 'dark' : '' }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
    <p class="small">A plan, not permission. The maker's instructions, the adopted code and its edition in force, the authority having
        jurisdiction and a licensed electrician rule.@if ($page->opensAt === null)
            Times are minutes from the opening.
        @endif
    </p>
</body>

</html>
