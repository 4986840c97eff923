@extends('layouts.app')
@section('title', 'Benches')
@section('content')
    <main id="main" class="main library">
        <h1>Benches</h1>
        <p><b>Simulated.</b> Made-up installations for the desk; they are connected to nothing real and prove nothing.</p>
        @if ($health)
            <p>The daemon runs since {{ $health->since->format('j M H:i') }} UTC, with
                {{ $health->benches }} {{ $health->benches === 1 ? 'bench' : 'benches' }} of everybody, {{ $health->clients }} connected,
                {{ number_format($health->memoryMb, 1) }} MB. Said {{ (int) $health->saidAt->diffInSeconds($now) }} s ago.</p>
        @else
            <p class="missing"><x-glyph kind="warn" /><span>No daemon has said anything for a minute. <b>bin/start</b> starts it, or
                    <b>php artisan bench:serve</b>. Everything else goes on by hand.</span></p>
        @endif
        @if ($lines->isNotEmpty())
            <div class="wide" tabindex="0" role="region" aria-label="Benches, scrollable">
                <table class="ruled">
                    <thead>
                        <tr>
                            <th scope="col">Site</th>
                            <th scope="col">Answers</th>
                            <th scope="col">Stands</th>
                            <th scope="col">Its clock</th>
                            <th scope="col">Modbus TCP, JSON</th>
                            <th scope="col">Written down, UTC</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($lines as $line)
                            <tr>
                                <th scope="row"><a
                                        href="{{ route('bench', $line->bench->switch) }}">{{ $line->bench->switch->site->name }}</a>
                                    <small class="fig">{{ $line->bench->serial }}</small>
                                </th>
                                @if ($line->fault === null)
                                    <td class="fig">in {{ number_format($line->tookMs, 1) }} ms</td>
                                    <td>{{ $line->stands() }}
                                        @if ($line->alarms())
                                            <small><x-glyph kind="warn" />{{ implode(', ', $line->alarms()) }}</small>
                                        @endif
                                        <small class="fig">settings, revision {{ $line->revision() }}</small>
                                    </td>
                                    <td class="fig">{{ $line->clock() }} <small>{{ $line->pace() }}</small></td>
                                @else
                                    <td><x-glyph kind="warn" />{{ $line->fault }}</td>
                                    <td>not known</td>
                                    <td>not known</td>
                                @endif
                                <td class="fig">:{{ $line->bench->modbusPort() }}, :{{ $line->bench->linesPort() }}</td>
                                <td class="fig">{{ $line->bench->kept_at?->format('j M H:i:s') ?? 'not yet' }}</td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            </div>
        @else
            <p class="quiet">None stands. A site is put on the bench from its rehearsal, by one press.</p>
        @endif
    </main>
@endsection
