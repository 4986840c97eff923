@extends('layouts.app')
@section('title', 'You may look, not change')
@section('content')
    <main id="main" class="narrow">
        <p class="finding-head"><x-glyph kind="stop" /><b>Stop</b></p>
        <h1>You may look, not change</h1>
        <p>{{ $exception->getMessage() ?: 'Your lead can change what you may do.' }}</p>
        <p><a class="btn btn-outline-primary" href="/">To the board</a></p>
        <p class="small">Code 403</p>
    </main>
@endsection
