@extends('layouts.app')
@section('title', 'This is too much at once')
@section('content')
    <main id="main" class="narrow">
        <p class="finding-head"><x-glyph kind="stop" /><b>Stop</b></p>
        <h1>This is too much at once</h1>
        <p>{{ $exception->getMessage() ?: 'Send it in smaller parts.' }} Nothing was kept; go back and send less.</p>
        <p><a class="btn btn-outline-primary" href="/">To the board</a></p>
        <p class="small">Code 413</p>
    </main>
@endsection
