@extends('layouts.app')
@section('title', 'Your account')
@section('content')
    <main id="main" class="narrow">
        @if (session('said'))
            <p class="said" role="status">{{ session('said') }}</p>
        @endif
        <h1>Your password</h1>
        <p class="lead-in">{{ auth()->user()->name }}, {{ auth()->user()->email }}. A change signs you out everywhere else.</p>
        <form method="post" action="{{ route('password') }}">
            @csrf @method('put')
            <x-field name="current_password" label="Password now" type="password" autocomplete="current-password" required />
            <x-field name="password" label="New password" type="password" autocomplete="new-password" hint="12 characters at least" required />
            <x-field name="password_confirmation" label="New password again" type="password" autocomplete="new-password" required />
            <button class="btn btn-primary" type="submit">Change it</button>
        </form>
    </main>
@endsection
