@use('Escapement\Core\RelayLogic\Rung')
@extends('layouts.site', ['standing' => $page->standing, 'here' => 'plan'])
@section('title', $page->switch->site->name . ': edit circuit')
@section('main')
    <div class="head">
        <div>
            <h1>Edit the circuit</h1>
            <p>
                @if ($page->isChanged())
                    Your draft. It stays until you save or discard it, on every device.
                @else
                    Point at a contact or the number of a rung.
                @endif
            </p>
        </div>
        <div class="edit-do">
            @foreach (['undo' => 'Undo', 'redo' => 'Redo'] as $verb => $words)
                <button class="btn btn-outline-primary" type="submit" form="draft-form" name="verb" value="{{ $verb }}"
                    @disabled(
                        $verb === 'undo'
                            ? ($page->draft?->place ?? 0) === 0
                            : $page->draft === null || $page->draft->place === count($page->draft->history) - 1)>{{ $words }}</button>
            @endforeach
            @if ($page->draft)
                <button class="btn btn-outline-primary" type="submit" form="draft-form" name="verb" value="discard">Discard</button>
            @endif
            @if ($page->isChanged())
                <form method="post" action="{{ route('circuit.save', $page->switch) }}">
                    @csrf @method('put')
                    @if ($page->isOvertaken())
                        <input type="hidden" name="take" value="1">
                    @endif
                    <button class="btn btn-primary" type="submit">Save and prove</button>
                </form>
            @endif
        </div>
    </div>
    <form id="draft-form" method="post" action="{{ route('circuit.draft', $page->switch) }}">@csrf<input type="hidden" name="at"
            value="{{ $page->at }}"></form>
    @include('plan.partials._nav', ['switch' => $page->switch, 'now' => 'circuit'])
    @include('circuit.partials._views', ['switch' => $page->switch, 'tab' => 'edit'])
    <p class="said" role="status" hidden data-draft-edits data-action="{{ route('circuit.draft', $page->switch) }}"
        data-maker="{{ auth()->id() }}"></p>
    @error('edit')
        <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $message }}</p>
    @enderror
    @if ($page->isOvertaken())
        <p class="said" role="status">{{ $page->stored->user->name }} saved this circuit after you began. Saving puts yours in its place;
            <a href="{{ route('circuit', $page->switch) }}" target="_blank">look at theirs</a> first.
        </p>
    @endif
    <div class="scroll-x ladder-sheet" tabindex="0" role="region" aria-label="Ladder, scrollable">{!! $page->ladder()->svg() !!}</div>
    <div class="two-blocks">
        @include('circuit.partials._devices')
        @include('circuit.partials._sources')
    </div>
@endsection
@section('aside')
    <div id="tools" class="tools">
        @error('contact')
            <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $message }}</p>
        @enderror
        @if ($page->contact)
            <h2>Contact {{ $page->contactWords() }}</h2>
            <form method="post" action="{{ route('circuit.draft', $page->switch) }}">
                @csrf
                <input type="hidden" name="at" value="{{ $page->at }}">
                @include('circuit.partials._contact-fields', [
                    'chosen' => $page->contactChoice(),
                    'label' => $page->contact->label,
                ])
                <p class="tools-do">
                    <button class="btn btn-outline-primary" type="submit" name="verb" value="change-contact">Change contact</button>
                    <button class="btn btn-outline-primary" type="submit" name="verb" value="remove-contact">Remove contact</button>
                </p>
                <div class="field">
                    <label for="f-place">Place of another contact</label>
                    <select id="f-place" name="place" class="form-select">
                        @foreach ($page->places() as $place => $words)
                            <option value="{{ $place }}" @selected(old('place') === $place)>{{ $words }}</option>
                        @endforeach
                    </select>
                    @error('span')
                        <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                    @enderror
                </div>
                <button class="btn btn-primary" type="submit" name="verb" value="add-contact">Add contact</button>
            </form>
        @elseif ($page->owner())
            <h2>{{ $page->owner() instanceof Rung ? 'Rung of ' . $page->owner()->coil : 'Start contact ' . $page->owner()->id }}
            </h2>
            <form method="post" action="{{ route('circuit.draft', $page->switch) }}">
                @csrf
                <input type="hidden" name="at" value="{{ $page->at }}">
                @include('circuit.partials._contact-fields', ['chosen' => old('of', ''), 'label' => null])
                <p class="tools-do">
                    <button class="btn btn-primary" type="submit" name="verb" value="add-contact">Add contact at the end</button>
                    @if ($page->owner() instanceof Rung)
                        <button class="btn btn-outline-primary" type="submit" name="verb" value="remove-rung">Remove rung</button>
                    @endif
                </p>
            </form>
        @else
            <h2>Rungs</h2>
            <p class="quiet">Point at a contact to change it or to add one beside it; at the number of a rung to add one at its end.</p>
        @endif
        @if ($page->coils() !== [])
            <form method="post" action="{{ route('circuit.draft', $page->switch) }}" class="block">
                @csrf
                <h2>New rung</h2>
                <div class="fields">
                    <div class="field">
                        <label for="f-coil">Coil</label>
                        <select id="f-coil" name="coil" class="form-select">
                            @foreach ($page->coils() as $coil)
                                <option @selected(old('coil') === $coil)>{{ $coil }}</option>
                            @endforeach
                        </select>
                        @error('coil')
                            <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                        @enderror
                    </div>
                    <div class="field">
                        <label for="f-rung-supply">Control voltage from</label>
                        <select id="f-rung-supply" name="supply" class="form-select">
                            @foreach ($page->circuit->supplies as $supply)
                                <option @selected(old('supply') === $supply->id)>{{ $supply->id }}</option>
                            @endforeach
                        </select>
                    </div>
                </div>
                <button class="btn btn-outline-primary" type="submit" name="verb" value="add-rung">Add rung</button>
            </form>
        @endif
    </div>
@endsection
