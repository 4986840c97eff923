@extends('layouts.app')
@section('title', 'Sign in')
@section('content')
    <main id="main" class="narrow">
        <h1>Sign in</h1>
        <p class="lead-in">Set it, prove it, write it down. Transfer switches and their generators.</p>
        @if (session('said'))
            <p class="said" role="status">{{ session('said') }}</p>
        @endif
        <form method="post" action="{{ route('login') }}">
            @csrf
            <x-field name="email" label="Address" type="email" :value="old('email', '')" autocomplete="username" required autofocus />
            <x-field name="password" label="Password" type="password" autocomplete="current-password" required />
            <button class="btn btn-primary" type="submit">Sign in</button>
        </form>
        @if ($showDemo)
            <p class="note">A look at the demo: <span class="fig">rosa@lantern.example</span>, password <span
                    class="fig">lantern-demo</span>. Company, sites and people are made up.</p>
        @endif
    </main>
@endsection
