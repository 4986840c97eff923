<!doctype html>
<html lang="en">

<head>
    <meta charset="utf-8">
    <title>{{ $report->run->switch->site->name }}</title>@include('partials.paper-style')
</head>

<body>@include('handover.letterhead', [
    'company' => $report->company(),
    'title' => 'Commissioning report',
    'under' => ($report->run->exists ? "Run {$report->run->id}, " : '') . 'printed ' . $report->when(now()),
])
    @include('handover.body', ['isPdf' => true])
</body>

</html>
