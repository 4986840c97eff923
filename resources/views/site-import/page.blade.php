@extends('layouts.app')
@section('title', 'Sites from a list')
@section('content')
    <main id="main" class="main">
        <h1>Sites from a list</h1>
        <p class="lead-in">A CSV from the office, or cells pasted from a spreadsheet; the first line names the columns.
            Nothing is kept before you have seen what each line becomes. Pictures of many sites go in <a
                href="{{ route('pictures') }}">by their names</a>.</p>
        @isset($refused)
            <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $refused }}</p>
        @endisset
        <form method="post" action="{{ route('sites.import.look') }}" enctype="multipart/form-data">
            @csrf
            <div class="fields">
                <div class="field">
                    <label for="f-file">File</label>
                    <input id="f-file" class="form-control" type="file" name="file" accept=".csv,.txt,text/csv,text/plain">
                </div>
                <x-field name="timezone" label="Time zone, where the list has none" :value="$page->usual['timezone']" />
                <x-select name="units" label="Units, where the list has none" :options="['us' => 'US (ft)', 'metric' => 'Metric (m)']"
                    :value="$page->usual['units']" />
                <x-select name="installation" label="Installation type, where the list has none" :options="$page->kinds()"
                    :value="$page->usual['installation']->value" />
            </div>
            <div class="field">
                <label for="f-text">Or the list itself</label>
                <textarea id="f-text" name="text" rows="{{ $page->table ? 4 : 8 }}" spellcheck="false"
                    @class(['form-control', 'fig', 'is-invalid' => $page->fault])>{{ $page->text }}</textarea>
                @if ($page->fault)
                    <p class="field-error"><x-glyph kind="stop" />{{ $page->fault }}</p>
                @endif
            </div>
            @if ($page->table)
                @include('site-import.partials._columns')
            @endif
            <button class="btn {{ $page->sites ? 'btn-outline-primary' : 'btn-primary' }}"
                type="submit">{{ $page->table ? 'Look again' : 'Look at it' }}</button>
            @if ($page->sites)
                @include('site-import.partials._lines')
            @endif
        </form>
    </main>
@endsection
