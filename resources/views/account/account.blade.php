@use('App\Http\Typed')
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
            <x-field name="password" label="New password" type="password" autocomplete="new-password"
                hint="12 characters at least" required />
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
        <section class="block" aria-labelledby="pin">
            <h2 id="pin">PIN for this device</h2>
            <p>People who share a phone or tablet change places by it: <b>Change person</b> in the menu. It opens
                marks, answers and entries.
                A signature, people and accounts ask for the password.</p>
            <form method="post" action="{{ route('pin.set') }}">
                @csrf @method('put')
                <x-field name="pin" label="{{ $hasPin ? 'Another PIN' : 'PIN' }}" type="password" inputmode="numeric" autocomplete="off"
                    hint="Four to eight digits" />
                <x-field name="pin_password" label="Your password" type="password" autocomplete="current-password" />
                <button class="btn btn-outline-primary" type="submit">{{ $hasPin ? 'Change it' : 'Set it' }}</button>
            </form>
            @if ($hasPin)
                <form method="post" action="{{ route('pin.forget') }}">
                    @csrf @method('delete')
                    <button class="btn btn-outline-primary" type="submit">Forget the PIN here</button>
                </form>
            @endif
        </section>
        <section class="block" aria-labelledby="programs">
            <h2 id="programs">Access for programs</h2>
            <p>A token opens <a href="{{ route('api.description') }}">the API</a> for a program in your name, and no more than you may do.
                Another password or another role ends all of them.</p>
            @if (session('token'))
                <p><b>The token, shown this once.</b> <code class="token">{{ session('token') }}</code></p>
            @endif
            @if ($tokens->isNotEmpty())
                <ul class="people">
                    @foreach ($tokens as $token)
                        <li>
                            <form method="post" action="{{ route('token.end', $token->id) }}">
                                @csrf @method('delete')
                                <span><b>{{ $token->name }}</b><small>{{ implode(', ', $token->abilities) }}, ends
                                        {{ $token->expires_at->toDateString() }}, last used
                                        {{ $token->last_used_at?->diffForHumans() ?? 'never' }}</small></span>
                                <button class="btn btn-outline-primary" type="submit">End</button>
                            </form>
                        </li>
                    @endforeach
                </ul>
            @endif
            <form method="post" action="{{ route('tokens') }}">
                @csrf
                <x-field name="token_name" label="Which program" :value="old('token_name')" hint="The office accounts, say" />
                <fieldset class="field">
                    <legend>What it may do</legend>
                    @foreach (\App\Stage\Api\Scope::cases() as $scope)
                        <label class="check"><input class="form-check-input" type="checkbox" name="scopes[]" value="{{ $scope->value }}"
                                @checked(in_array($scope->value, Typed::ticked(old('scopes', [])), true))> {{ $scope->words() }}</label>
                    @endforeach
                    @error('scopes')
                        <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                    @enderror
                </fieldset>
                <fieldset class="field">
                    <legend>How long</legend>
                    <div class="choice">
                        @foreach (\App\Stage\Account\MakeToken::DAYS as $days)
                            <label><input type="radio" name="token_days" value="{{ $days }}"
                                    @checked((int) old('token_days', 90) === $days)><span>{{ $days }} days</span></label>
                        @endforeach
                    </div>
                    @error('token_days')
                        <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                    @enderror
                </fieldset>
                <x-field name="token_password" label="Your password" type="password" autocomplete="current-password" />
                <button class="btn btn-outline-primary" type="submit">Make a token</button>
            </form>
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
