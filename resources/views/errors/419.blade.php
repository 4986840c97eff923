@extends('layouts.app')
@section('title', 'This page was open too long')
@section('content')
    <main id="main" class="narrow">
        <p class="finding-head"><x-glyph kind="stop" /><b>Stop</b></p>
        <h1>This page was open too long</h1>
        <p>Nothing was saved. Go back, reload the page, and send it again; marks on this device are still there.</p>
        <p><a class="btn btn-outline-primary" href="/">To the board</a></p>
        <p class="small">Code 419</p>
    </main>
@endsection
