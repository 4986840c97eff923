@extends('layouts.site', ['here' => 'report'])
@section('title', $report->run->switch->site->name . ': report')
@section('main')
<div class="head no-print">
    <div><h1>Report</h1><p>What was set, measured and proved, and what was not.</p></div>
    @if ($report->procedure !== [])<a class="btn btn-outline-primary" href="{{ route('measurements', $report->run) }}">Measurements, CSV</a>@endif
    <a class="btn btn-outline-primary" href="{{ route('report.json', $report->run) }}">JSON</a>
    <a class="btn btn-primary" href="{{ route('report.pdf', $report->run) }}">PDF</a>
</div>
@include('handover.body', ['isPdf' => false])
@endsection
