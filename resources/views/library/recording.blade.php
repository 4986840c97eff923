@extends('layouts.app')
@section('title', $page->recording->name . ': recording')
@section('content')
    <main id="main" class="main library">
        @if (session('said'))
            <p class="said" role="status">{{ session('said') }}</p>
        @endif
        @include('library.partials._recording')
    </main>
@endsection
