@extends('layouts.site', ['here' => 'settings'])
@section('title', $switch->site->name . ': difference')
@section('main')
    <h1>
        Version {{ $from->version }} against version {{ $to->version }}</h1>
    <p class="lead-in">{{ ucfirst($from->standing->label()) }} by {{ $from->user->name }}, {{ $to->standing->label() }} by
        {{ $to->user->name }}.
    </p>
    @if ($rows === [])
        <p class="missing"><x-glyph kind="proven" />The two say the same.</p>
    @else
        <div class="wide" tabindex="0" role="region" aria-label="Differences, table">
            <table class="ruled difference">
                <thead>
                    <tr>
                        <th scope="col">Setting</th>
                        <th scope="col">Version {{ $from->version }}</th>
                        <th scope="col">Version {{ $to->version }}</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($rows as $row)
                        <tr>
                            <th scope="row">{{ $row['label'] }}</th>
                            <td class="fig">{{ $row['from'] }}</td>
                            <td class="fig changed">{{ $row['to'] }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </div>
    @endif
    <p><a class="btn btn-outline-primary" href="{{ route('sheet', $switch) }}">Back to the sheet</a></p>
@endsection
