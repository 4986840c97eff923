@use('App\Http\Typed')
@use('App\Models\Webhook')
@extends('layouts.app')
@section('title', 'Webhooks')
@section('content')
    <main id="main" class="main narrow">
        <h1>Webhooks</h1>
        <p>Addresses of yours that are called when something happens. Each message is signed: the header
            <code>Escapement-Signature</code> is <code>t=…,v1=…</code>, HMAC-SHA-256 of the time, a point and the body, with its secret. It
            comes
            again under the same id, up to six times within eleven hours, until the address accepts it.
        </p>
        @if (session('said'))
            <p class="said" role="status">{{ session('said') }}</p>
        @endif
        @if (session('secret'))
            <p class="shown-once" role="status">The secret of the new address, shown once: <b class="fig">{{ session('secret') }}</b></p>
        @endif
        @forelse ($hooks as $hook)
            <section class="block">
                <h2>{{ $hook->url }}</h2>
                <p>{{ implode('; ', array_map(fn($event) => Webhook::EVENTS[$event] ?? $event, $hook->events)) }}.</p>
                <div class="row-of-buttons">
                    <form method="post" action="{{ route('webhook.try', $hook) }}">@csrf<button class="btn btn-outline-primary"
                            type="submit">Try it</button></form>
                    <form method="post" action="{{ route('webhook.remove', $hook) }}">@csrf @method('delete')<button
                            class="btn btn-outline-primary" type="submit">Take it away</button></form>
                </div>
                @if ($hook->calls->isNotEmpty())
                    <table class="ruled">
                        <thead>
                            <tr>
                                <th scope="col">Sent, UTC</th>
                                <th scope="col">What</th>
                                <th scope="col">Tries</th>
                                <th scope="col">What came back</th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($hook->calls as $call)
                                <tr>
                                    <th scope="row" class="fig">{{ $call->created_at->format('j M H:i:s') }}</th>
                                    <td>{{ $call->event }}</td>
                                    <td class="fig">{{ $call->tries }}</td>
                                    <td><x-glyph
                                            :kind="$call->glyph()" />{{ $call->words() }}
                                    </td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                @endif
            </section>
        @empty
            <p class="quiet">None.</p>
        @endforelse
        <section class="block">
            <h2>Add an address</h2>
            <form method="post" action="{{ route('webhook.add') }}">@csrf
                <div class="fields"><x-field name="url" label="Address" type="url" :value="old('url', '')"
                        hint="https only; addresses inside of a network are not called" /></div>
                <fieldset class="schools">
                    <legend>It is called when</legend>
                    @php($ticked = Typed::ticked(old('events', array_keys(Webhook::EVENTS))))
                    @foreach (Webhook::EVENTS as $event => $words)
                        <label class="check"><input class="form-check-input" type="checkbox" name="events[]" value="{{ $event }}"
                                @checked(in_array($event, $ticked, true))>{{ $words }}</label>
                    @endforeach
                </fieldset>
                @error('events')
                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                @enderror
                <button class="btn btn-primary" type="submit">Add it</button>
            </form>
        </section>
    </main>
@endsection
