@extends('layouts.app')
@section('title', 'Password')
@section('content')
    <main id="main" class="narrow">
        <h1>Your password</h1>
        <p class="lead-in">{{ auth()->user()->name }} took this device over by a PIN, which is for marks, answers and entries.
            This needs the
            password. What you typed is kept.</p>
        <form method="post" action="{{ route('change.password.take') }}">
            @csrf
            <x-field name="password" label="Password" type="password" autocomplete="current-password" required autofocus />
            @if (auth()->user()->totp_secret !== null)
                <x-field name="code" label="Code of your authenticator" inputmode="numeric" autocomplete="one-time-code" required />
            @endif
            <button class="btn btn-primary" type="submit">Go on</button>
        </form>
    </main>
@endsection
