@extends('layouts.site', ['standing' => $standing, 'here' => 'load-test'])
@section('title', $report->test->switch->site->name . ': load test report')
@section('main')
    <div class="head no-print">
        <div>
            <h1>Load test report</h1>
            <p><a href="{{ route('load-test', $report->test) }}">The test</a></p>
        </div>
        <a class="btn btn-outline-primary" href="{{ route('load-test.csv', $report->test) }}">Readings, CSV</a>
        <a class="btn btn-outline-primary" href="{{ route('load-test.report.json', $report->test) }}">JSON</a>
        <a class="btn btn-primary" href="{{ route('load-test.report.pdf', $report->test) }}">PDF</a>
    </div>
    @include('load-test.report-body', ['isPdf' => false])
@endsection
