@extends('layouts.app')
@section('title', 'Change person')
@section('content')
    <main id="main" class="narrow">
        <h1>Who has this device now?</h1>
        @if ($pins->isEmpty())
            <p class="lead-in">Nobody else has set a PIN on this device. Each does it once here, signed in with the password, under
                <b>Password</b> in the menu.
            </p>
            <form method="post" action="{{ route('logout') }}">@csrf<button class="btn btn-primary" type="submit">Sign out</button></form>
        @else
            <p class="lead-in">What {{ auth()->user()->name }} has made here stays theirs: what was not sent yet waits on this device.</p>
            <form method="post" action="{{ route('change.person') }}">
                @csrf
                <input type="hidden" name="back" value="{{ $back }}">
                <fieldset class="field">
                    <legend>Person</legend>
                    <div class="choice choice-tall">
                        @foreach ($pins as $pin)
                            <label><input type="radio" name="person" value="{{ $pin->user_id }}"
                                    @checked((int) old('person', $pins->count() === 1 ? $pin->user_id : 0) === $pin->user_id)
                                    required><span>{{ $pin->user->name }}</span></label>
                        @endforeach
                    </div>
                    @error('person')
                        <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                    @enderror
                </fieldset>
                <x-field name="pin" label="PIN" type="password" inputmode="numeric" autocomplete="off" required />
                <button class="btn btn-primary" type="submit">Take over</button>
            </form>
        @endif
        <p><a href="{{ $back }}">Back</a></p>
    </main>
@endsection
