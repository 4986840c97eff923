@extends('layouts.app')
@section('title', 'Something did not work')
@section('content')
    <main id="main" class="narrow">
        <p class="finding-head"><x-glyph kind="stop" /><b>Stop</b></p>
        <h1>Something did not work</h1>
        <p>Nothing was half written. Marks on this device are still there. Try again; if it stays, tell your lead the number of the request
            below: the log has it.</p>
        <p><a class="btn btn-outline-primary" href="/">To the board</a></p>
        <p class="small">Code 500, request <span class="fig">{{ \Illuminate\Support\Facades\Context::get('request') }}</span>,
            {{ now()->toIso8601ZuluString() }}</p>
    </main>
@endsection
