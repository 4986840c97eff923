@extends('layouts.app')
@section('title', $report->run->switch->site->name . ': run from elsewhere')
@section('content')
    <main id="main" class="main library">
        @if (session('said'))
            <p class="said" role="status">{{ session('said') }}</p>
        @endif
        <div class="head no-print">
            <div>
                <h1>Run from elsewhere</h1>
                <p>Imported on {{ $imported->created_at->format('j M Y') }} by {{ $imported->user->name }}. Measured, answered and signed
                    elsewhere; the record verifies, and the verdicts are computed here from it.</p>
            </div>
            <a class="btn btn-outline-primary" href="{{ route('library') }}#runs">Library</a>
            <a class="btn btn-primary" href="{{ route('imported.pdf', $imported) }}">PDF</a>
        </div>
        @include('handover.body', ['isPdf' => false])
    </main>
@endsection
