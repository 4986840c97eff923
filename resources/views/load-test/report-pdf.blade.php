<!doctype html>
<html lang="en">

<head>
    <meta charset="utf-8">
    <title>Load test report: {{ $report->test->switch->site->name }}</title>@include('partials.paper-style')
</head>

<body>
    @include('handover.letterhead', [
        'company' => auth()->user()->company,
        'title' => 'Load test report',
        'under' => ($report->test->exists ? "Test {$report->test->id}, printed " : 'From elsewhere, printed ') . $report->when(now()),
    ])
    @include('load-test.report-body', ['isPdf' => true])
</body>

</html>
