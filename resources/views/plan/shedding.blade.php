@extends('layouts.site', ['standing' => $page->standing, 'here' => 'plan'])
@section('title', $page->switch->site->name . ': shedding')
@section('frame', 'frame-wide')
@section('main')
    <div class="head">
        <div>
            <h1>Shedding and restart</h1>
            <p>Who is on from the first moment, who comes back when, and who stays off.</p>
        </div>
    </div>
    @include('plan.partials._nav', ['switch' => $page->switch, 'now' => 'shedding'])
    @include('plan.partials._shedding')
@endsection
