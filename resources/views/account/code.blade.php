@extends('layouts.app')
@section('title', 'Code')
@section('content')
    <main id="main" class="narrow">
        <h1>The code of your authenticator</h1>
        <p class="lead-in">Six digits, new every half minute. Without the phone: one of the recovery codes, each good once.</p>
        <form method="post" action="{{ route('second-factor.take') }}">
            @csrf
            <x-field name="code" label="Code" inputmode="numeric" autocomplete="one-time-code" required autofocus />
            <button class="btn btn-primary" type="submit">Sign in</button>
        </form>
        <p><a href="{{ route('login') }}">Somebody else</a></p>
    </main>
@endsection
