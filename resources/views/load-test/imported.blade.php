@extends('layouts.app')
@section('title', $report->test->switch->site->name . ': load test from elsewhere')
@section('content')
    <main id="main" class="main library">
        @if (session('said'))
            <p class="said" role="status">{{ session('said') }}</p>
        @endif
        <div class="head no-print">
            <div>
                <h1>Load test from elsewhere</h1>
                <p>Imported on {{ $imported->created_at->format('j M Y') }} by {{ $imported->user->name }}. Read and signed elsewhere; the
                    record verifies, and the verdict is computed here from its readings. Fast recordings of its steps are not in the
                    file.</p>
            </div>
            <a class="btn btn-outline-primary" href="{{ route('library') }}#runs">Library</a>
            <a class="btn btn-primary" href="{{ route('imported.pdf', $imported) }}">PDF</a>
        </div>
        @include('load-test.report-body', ['isPdf' => false])
    </main>
@endsection
