@extends('layouts.site', ['standing' => $page->standing, 'here' => 'plan'])
@section('title', $page->switch->site->name . ': control circuit')
@section('main')
    <div class="head">
        <div>
            <h1>Control circuit</h1>
            <p>The circuit that decides which source feeds the load. Draw the one that is there, or begin with a standard one, and have it
                proved.</p>
        </div>
    </div>
    @include('plan.partials._nav', ['switch' => $page->switch, 'now' => 'circuit'])
    @if (!auth()->user()->role->mayWrite())
        <p class="quiet">No circuit is drawn yet.</p>
    @else
        @error('begin')
            <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $message }}</p>
        @enderror
        <form method="post" action="{{ route('circuit.begin', $page->switch) }}" class="block begin-circuit" aria-labelledby="standard">
            @csrf
            <h2 id="standard">Standard circuits</h2>
            <ul>
                @foreach ($page->standard() as $key => $one)
                    <li>
                        <button class="btn {{ $one['fits'] ? 'btn-primary' : 'btn-outline-primary' }}" type="submit" name="begin"
                            value="{{ $key }}">{{ $one['name'] }}</button>
                        <span>{{ $one['sentence'] }}</span>
                    </li>
                @endforeach
                <li>
                    <button class="btn btn-outline-primary" type="submit" name="begin" value="blank">Empty ladder</button>
                    <span>Two sources and two contactors; every rung drawn by you.</span>
                </li>
            </ul>
            @if ($page->own->isNotEmpty())
                <h2>Templates of the company</h2>
                <ul>
                    @foreach ($page->own as $one)
                        <li><button class="btn btn-outline-primary" type="submit" name="begin"
                                value="{{ $one->id }}">{{ $one->name }}</button></li>
                    @endforeach
                </ul>
            @endif
        </form>
        <form method="post" action="{{ route('circuit.begin', $page->switch) }}" class="block" enctype="multipart/form-data">
            @csrf
            <h2>From a file</h2>
            <input type="hidden" name="begin" value="file">
            <x-field name="file" label="Circuit, JSON" type="file" accept=".json,application/json" />
            <button class="btn btn-outline-primary" type="submit">Import circuit</button>
        </form>
    @endif
@endsection
