@extends('layouts.app')
@section('title', 'Notices')
@section('content')
    <main id="main" class="main library">
        @if (session('said'))
            <p class="said" role="status">{{ session('said') }}</p>
        @endif
        <h1>Notices</h1>
        <p>Missed exercises, overdue work, a selector that is not at automatic, changes after a proof, reports of owners, calibrations and
            links that end. Each once.</p>
        <form method="post" action="{{ route('notices.choose') }}">
            @csrf @method('put')
            <fieldset class="field">
                <legend>By mail to {{ $user->email }}</legend>
                <div class="choice">
                    @foreach (['never' => 'not', 'daily' => 'once a day', 'at_once' => 'at once'] as $how => $words)
                        <label><input type="radio" name="notify" value="{{ $how }}"
                                @checked(old('notify', $user->notify) === $how)><span>{{ $words }}</span></label>
                    @endforeach
                </div>
                @error('notify')
                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                @enderror
            </fieldset>
            <button class="btn btn-primary" type="submit">Tell me so</button>
        </form>
        @unless ($isMailed)
            <p class="missing"><x-glyph kind="note" />No mail server is set up here: what would be mailed stands below, and is sent
                nowhere.</p>
        @endunless
        <section class="block" aria-labelledby="notices">
            <h2 id="notices">{{ $isMailed ? 'Sent mail' : 'Would be sent' }}</h2>
            @if ($notices->isEmpty())
                <p class="quiet">Nothing yet.</p>
            @endif
            <ul class="plain">
                @foreach ($notices as $one)
                    <li><b>{{ $one->claim }}</b> {{ $one->detail }}
                        <small>{{ $one->state($isMailed) }}</small>
                        @if ($one->switch_id)
                            <a href="{{ route('logbook', $one->switch_id) }}">Logbook</a>
                        @endif
                    </li>
                @endforeach
            </ul>
        </section>
    </main>
@endsection
