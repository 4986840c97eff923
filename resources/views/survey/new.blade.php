@extends('layouts.app')
@section('title', 'New site')
@section('content')
    <main id="main" class="narrow wide-narrow">
        <h1>New site</h1>
        <p class="lead-in">Its name and kind are enough to begin; the kind brings a switch and a template of settings with it.</p>
        <form method="post" action="{{ route('sites') }}">
            @csrf
            @include('survey.partials._site-fields', ['site' => null])
            <button class="btn btn-primary" type="submit">Begin the survey</button>
            <a class="btn btn-outline-primary" href="{{ route('board') }}">Back to the board</a>
        </form>
    </main>
@endsection
