@extends('layouts.app')
@section('title', 'Page not found, or you do not have access')
@section('content')
    <main id="main" class="narrow">
        <p class="finding-head"><x-glyph kind="stop" /><b>Stop</b></p>
        <h1>Page not found, or you do not have access</h1>
        <p>The address is wrong, or what it names is not of your company.</p>
        <p><a class="btn btn-outline-primary" href="/">To the board</a></p>
        <p class="small">Code 404</p>
    </main>
@endsection
