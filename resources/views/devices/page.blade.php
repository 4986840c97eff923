@extends('layouts.app')
@section('title', 'Devices')
@section('content')
    <main id="main" class="main">
        @if (session('said'))
            <p class="said" role="status">{{ session('said') }}</p>
        @endif
        <h1>Devices</h1>
        <p class="lead-in">Meters and controllers that you have, behind a gateway that speaks Modbus TCP. They are read, never written:
            where each quantity lies is a map that you keep once.</p>
        @include('devices.partials._read')
        @if ($page->reading)
            @include('devices.partials._reading')
        @endif
        @include('devices.partials._profiles')
        @include('devices.partials._heard')
        @if (auth()->user()->role === \App\Models\Role::Lead)
            <form method="post" action="{{ route('devices.networks') }}" class="block">
                @csrf @method('put')
                <h2>Networks that are asked</h2>
                <div class="field">
                    <label for="f-networks">Private networks, a line each</label>
                    <textarea id="f-networks" name="networks" rows="3" @class([
                        'form-control',
                        'fig',
                        'is-invalid' => $errors->has('networks'),
                    ])>{{ old('networks', $page->networks()) }}</textarea>
                    @error('networks')
                        <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                    @enderror
                    <p class="field-hint">As 192.168.20.0/24. Without any, only your own benches on this machine are asked. Public addresses
                        never are.</p>
                </div>
                <button class="btn btn-outline-primary" type="submit">Save the networks</button>
            </form>
        @endif
    </main>
@endsection
