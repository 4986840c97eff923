@extends('layouts.app')
@section('title', 'Library: loads')
@section('content')
    <main id="main" class="main library">
        @if (session('said'))
            <p class="said" role="status">{{ session('said') }}</p>
        @endif
        <div class="head">
            <div>
                <h1>Loads of the library</h1>
                <p>{{ $isOwn ? 'The company\'s own list.' : 'The generic list; saved, it becomes the company\'s own.' }} Figures to begin
                    with: what counts is on the nameplate. <a href="{{ route('library') }}">Back to the library</a></p>
            </div>
        </div>
        <form method="post" action="{{ route('typical-loads.save') }}" class="block">
            @csrf @method('put')
            @include('survey.partials._load-rows', [
                'lines' => old('loads', $lines),
                'legs' => 'legs',
                'choices' => [1 => 'one', 2 => 'two'],
                'ticks' => array_diff_key(\App\Stage\Survey\LoadLines::TICKS, ['ups' => true]),
            ])
            <p class="field-hint">Clear a name to take a load out. Saved with no line at all, the generic list is back.</p>
            @if (auth()->user()->role->mayWriteForAll())
                <button class="btn btn-primary" type="submit">Save the library</button>
            @endif
        </form>
    </main>
@endsection
