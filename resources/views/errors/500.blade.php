@extends('layouts.app')
@section('title', 'Something did not work')
@section('content')
<main id="main" class="narrow">
    <p class="finding-head"><x-glyph kind="stop"/><b>Stop</b></p>
    <h1>Something did not work</h1>
    <p>Nothing was half written. Marks on this phone are still there. Try again; if it stays, tell us the code and the time.</p>
    <p><a class="btn btn-outline-primary" href="/">To the board</a></p>
    <p class="small">Code 500</p>
</main>
@endsection
