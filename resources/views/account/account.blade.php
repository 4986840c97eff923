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
        <section class="block" aria-labelledby="second">
            <h2 id="second">Second factor</h2>
            @if (session('codes'))
                <p><b>Recovery codes, shown this once.</b> Each opens once, when the phone is lost. Keep them on paper.</p>
                <ul class="one-time">
                    @foreach (session('codes') as $code)
                        <li><code>{{ $code }}</code></li>
                    @endforeach
                </ul>
            @endif
            @if (auth()->user()->totp_secret === null)
                <p>Off: the password alone opens. With it on, the phone shows a code that is asked for as well.</p>
                <p><a class="btn btn-outline-primary" href="{{ route('second-factor.set-up') }}">Set it up</a></p>
            @else
                <p>On. {{ count(auth()->user()->recovery_codes ?? []) }} recovery codes are left.</p>
                <form method="post" action="{{ route('second-factor.off') }}">
                    @csrf @method('delete')
                    <x-field name="password_now" label="Your password" type="password" autocomplete="current-password" />
                    <button class="btn btn-outline-primary" type="submit">Turn it off</button>
                </form>
            @endif
        </section>
        <section class="block" aria-labelledby="sessions">
            <h2 id="sessions">Signed in</h2>
            <ul class="people">
                @foreach ($sessions as $one)
                    <li>
                        <form method="post" action="{{ route('session.end', $one->key) }}">
                            @csrf @method('delete')
                            <span><b>{{ $one->device }}{{ $one->isThis ? ', this one' : '' }}</b><small>from {{ $one->address }}, last used
                                    {{ $one->at->diffForHumans() }}</small></span>
                            @unless ($one->isThis)
                                <button class="btn btn-outline-primary" type="submit">End</button>
                            @endunless
                        </form>
                    </li>
                @endforeach
            </ul>
        </section>
    </main>
@endsection
