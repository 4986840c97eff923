@extends('layouts.app')
@section('title', 'Back in a moment')
@section('content')
    <main id="main" class="narrow">
        <p class="finding-head"><x-glyph kind="stop" /><b>Stop</b></p>
        <h1>Back in a moment</h1>
        <p>The server is being changed. Marks on this device are still there; try again in a minute.</p>
        <p><a class="btn btn-outline-primary" href="/">To the board</a></p>
        <p class="small">Code 503</p>
    </main>
@endsection
