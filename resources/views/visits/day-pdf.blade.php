<!doctype html>
<html lang="en">

<head>
    <meta charset="utf-8">
    <title>Day sheet, {{ $day->person->name }}</title>@include('partials.paper-style')
</head>

<body>
    @include('handover.letterhead', [
        'company' => auth()->user()->company,
        'title' => 'Day sheet',
        'under' => $day->person->name . ', ' . $day->title(),
    ])
    @foreach ($day->visits as $visit)
        <h2>{{ $day::clock($visit->begin_min) }} {{ $visit->switch->site->name }}</h2>
        <p>{{ $day::place($visit) }}</p>
        <p><b>{{ ucfirst(\App\Stage\Visits\VisitWords::of($visit)) }}</b>, until {{ $day::clock($visit->end_min) }}.
            {{ $visit->note }}</p>
        <div class="box">{{ $day::hazard($visit) }}</div>
        <p>Asks for: {{ $visit->skills === [] ? 'nothing special' : implode(', ', $visit->skills) }}. Found: ______________________ Left:
            ______________________ Hours: __________</p>
    @endforeach
</body>

</html>
