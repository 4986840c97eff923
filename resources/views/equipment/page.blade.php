@extends('layouts.app')
@section('title', 'Equipment')
@section('content')
    <main id="main" class="main library">
        @if (session('said'))
            <p class="said" role="status">{{ session('said') }}</p>
        @endif
        <div class="head">
            <div>
                <h1>Equipment</h1>
                <p>What this company brings along: load banks to plan a test with, meters and tools with their calibration. What is
                    read over a wire stands under <a href="{{ route('devices') }}">devices</a>.</p>
            </div>
        </div>
        <section class="block" aria-labelledby="list">
            <h2 id="list">In use</h2>
            @if ($equipment->isEmpty())
                <p class="quiet">Nothing yet.</p>
            @else
                <div class="scroll-x">
                    <table class="ruled blocks">
                        <thead>
                            <tr>
                                <th>Name</th>
                                <th>Kind</th>
                                <th>Elements</th>
                                <th>Calibrated until</th>
                                <th></th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($equipment as $one)
                                <tr>
                                    <th scope="row" data-label="Name">{{ $one->name }}<small>{{ $one->serial }}</small></th>
                                    <td data-label="Kind">{{ \App\Models\Equipment::KINDS[$one->kind] }}</td>
                                    <td data-label="Elements" class="fig">
                                        {{ $one->elements_kw ? implode(', ', $one->elements_kw) . ' kW' : '' }}</td>
                                    <td data-label="Calibrated until">
                                        @if ($one->isOverdue($today))
                                            <x-glyph kind="warn" />ran out {{ $one->calibrated_until->format('j M Y') }}
                                        @else
                                            {{ $one->calibrated_until?->format('j M Y') ?? 'not entered' }}
                                        @endif
                                    </td>
                                    <td>
                                        @if (auth()->user()->role->mayWriteForAll())
                                            <a href="{{ route('equipment', ['edit' => $one->id]) }}#form">Change</a>
                                        @endif
                                    </td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                </div>
            @endif
        </section>
        @if (auth()->user()->role->mayWriteForAll())
            <section class="block" aria-labelledby="form">
                <h2 id="form">{{ $edited ? "Change $edited->name" : 'Put something into the list' }}</h2>
                <form method="post" action="{{ $edited ? route('equipment.change', $edited) : route('equipment.add') }}">
                    @csrf
                    @if ($edited)
                        @method('put')
                    @endif
                    <div class="fields">
                        <div class="field"><label for="kind">What it is</label><select class="form-select" id="kind" name="kind">
                                @foreach (\App\Models\Equipment::KINDS as $kind => $words)
                                    <option value="{{ $kind }}" @selected(old('kind', $edited?->kind) === $kind)>{{ $words }}</option>
                                @endforeach
                            </select>
                            @error('kind')
                                <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                            @enderror
                        </div>
                        <x-field name="name" label="Name" :value="old('name', $edited?->name)" maxlength="80" />
                        <x-field name="serial" label="Serial number" :value="old('serial', $edited?->serial)" maxlength="60" />
                        <x-field name="calibrated_until" label="Calibrated until" type="date"
                            :value="old('calibrated_until', $edited?->calibrated_until?->format('Y-m-d'))" />
                    </div>
                    <fieldset class="block">
                        <legend>Of a load bank</legend>
                        <div class="fields">
                            <x-field name="elements" label="Elements" unit="kW"
                                :value="old('elements', implode(', ', $edited->elements_kw ?? []))"
                                hint="In the order of its switches: 5, 5, 10, 20" />
                            <x-field name="rated_v" label="Rated for, line to line" unit="V" inputmode="decimal"
                                :value="old('rated_v', $edited?->rated_v)" />
                            <x-field name="phases" label="Phases" inputmode="numeric" :value="old('phases', $edited?->phases)" />
                            <x-field name="cable" label="Cable set" :value="old('cable', $edited?->cable)" maxlength="120" />
                            <x-field name="cable_a" label="Cable set, by its maker" unit="A" inputmode="decimal"
                                :value="old('cable_a', $edited?->cable_a)" />
                            <x-field name="fan_supply" label="Fan supply" :value="old('fan_supply', $edited?->fan_supply)"
                                maxlength="120" />
                            <label class="check"><input class="form-check-input" type="checkbox" name="drops_itself" value="1"
                                    @checked(old('drops_itself', $edited?->drops_itself))>Drops by itself when the utility fails</label>
                        </div>
                    </fieldset>
                    <button class="btn btn-primary btn-glove" type="submit">{{ $edited ? 'Save' : 'Put it into the list' }}</button>
                    @if ($edited)
                        <a class="btn btn-outline-primary btn-glove" href="{{ route('equipment') }}">Leave it</a>
                    @endif
                </form>
                @if ($edited)
                    <form method="post" action="{{ route('equipment.retire', $edited) }}">
                        @csrf @method('delete')
                        <button class="btn btn-outline-primary" type="submit">Take it out of use</button>
                    </form>
                @endif
            </section>
        @endif
    </main>
@endsection
