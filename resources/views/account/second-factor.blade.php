@extends('layouts.app')
@section('title', 'Second factor')
@section('content')
    <main id="main" class="narrow">
        <h1>Second factor</h1>
        <p class="lead-in">Show this picture to the authenticator on your phone, or type the secret into it. Then type the code that it
            shows.</p>
        <p><img class="totp" alt="Picture for the authenticator" width="220" src="data:image/png;base64,{{ $picture }}"></p>
        <p>Secret: <code class="one-time">{{ implode(' ', str_split($secret, 4)) }}</code></p>
        <p><a href="{{ $address }}">Open the authenticator on this device</a></p>
        <form method="post" action="{{ route('second-factor.on') }}">
            @csrf @method('put')
            <x-field name="code" label="Code" inputmode="numeric" autocomplete="one-time-code" required />
            <x-field name="current_password" label="Your password" type="password" autocomplete="current-password" required />
            <button class="btn btn-primary" type="submit">Turn it on</button>
            <a class="btn btn-link" href="{{ route('account') }}">Leave it off</a>
        </form>
    </main>
@endsection
