@extends('layouts.app')
@section('title', $invitation->isToBegin() ? 'Begin' : ($invitation->isForPassword() ? 'Another password' : 'Join'))
@section('content')
    <main id="main" class="narrow">
        @if ($invitation->isToBegin())
            <h1>Begin</h1>
            <p class="lead-in">Your company, and you as its lead. Everything else can wait.</p>
        @elseif ($invitation->isForPassword())
            <h1>Another password</h1>
            <p class="lead-in">For {{ $invitation->user->email }}. You are signed out everywhere else.</p>
        @else
            <h1>Join {{ $invitation->company->name }}</h1>
            <p class="lead-in">As {{ $invitation->role->value }}.</p>
        @endif
        <form method="post" action="{{ route('join.use', $token) }}">
            @csrf
            @if ($invitation->isToBegin())
                <x-field name="company" label="Name of the company" :value="old('company', '')" autocomplete="organization" required
                    autofocus />
            @endif
            @if (!$invitation->isForPassword())
                <x-field name="name" label="Your name, as it stands in reports" :value="old('name', $invitation->name)" autocomplete="name"
                    required />
                @if ($invitation->email === null)
                    <x-field name="email" label="Address to sign in with" type="email" :value="old('email', '')" autocomplete="username"
                        required />
                @else
                    <p>You sign in with <b>{{ $invitation->email }}</b>.</p>
                @endif
            @endif
            <x-field name="password" label="New password" type="password" autocomplete="new-password"
                hint="12 characters at least, 72 at most; a sentence is easiest to keep" required />
            <x-field name="password_confirmation" label="New password again" type="password" autocomplete="new-password" required />
            <button class="btn btn-primary" type="submit">{{ $invitation->isToBegin() ? 'Create company' : 'Save' }}</button>
        </form>
    </main>
@endsection
