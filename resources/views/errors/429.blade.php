@extends('layouts.app')
@section('title', 'Too many tries')
@section('content')
    <main id="main" class="narrow">
        <p class="finding-head"><x-glyph kind="stop" /><b>Stop</b></p>
        <h1>Too many tries</h1>
        <p>Wait a minute, then try again.</p>
        <p><a class="btn btn-outline-primary" href="/">To the board</a></p>
        <p class="small">Code 429</p>
    </main>
@endsection
