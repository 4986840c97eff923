@use('Escapement\Core\Rehearsal\Script\BlockKind')
{{-- The pieces of one's own script, as the strip shows them; without script the same fields are typed. --}}
<input type="hidden" name="at" value="10" id="cursor-at">
@if ($plot->saved)
    <input type="hidden" name="saved" value="{{ $plot->saved->id }}">
@endif
<h2 class="gap">Pieces</h2>
@error('story')
    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
@enderror
@forelse ($plot->rows as $row)
    <div class="piece-row" role="group" aria-labelledby="piece-{{ $row->place }}">
        <p class="piece-head"><b id="piece-{{ $row->place }}">{{ $row->place + 1 }} &middot; {{ $row->title() }}</b>
            <button class="piece-gone" type="submit" name="b[{{ $row->place }}][gone]" value="1"
                aria-label="Take away piece {{ $row->place + 1 }}, {{ $row->title() }}">Take away</button>
        </p>
        @foreach (['kind', 'side', 'with_load', 'other'] as $kept)
            @isset($row->typed[$kept])
                <input type="hidden" name="b[{{ $row->place }}][{{ $kept }}]" value="{{ $row->typed[$kept] }}">
            @endisset
        @endforeach
        <div class="piece-fields">
            @foreach ($row->fields() as $name => $field)
                @php($id = "b-$row->place-$name")
                <div @class(['wide' => in_array($name, ['reason', 'load'], true)])><label for="{{ $id }}">{{ $field['label'] }}</label>
                    <span class="field-box"><input id="{{ $id }}" name="b[{{ $row->place }}][{{ $name }}]"
                            value="{{ $row->typed[$name] ?? '' }}" autocomplete="off"
                            @if ($name !== 'reason' && $name !== 'load') inputmode="decimal" @endif @class([
                                'form-control',
                                'fig',
                                'has-unit' => $field['unit'] !== '',
                                'is-invalid' => $bench->errors->has("b.$row->place.$name"),
                            ])>
                        @if ($field['unit'] !== '')
                            <span class="unit">{{ $field['unit'] }}</span>
                        @endif
                    </span>
                    @if ($bench->errors->has("b.$row->place.$name"))
                        <p class="field-error"><x-glyph kind="stop" />{{ $bench->errors->first("b.$row->place.$name") }}</p>
                    @endif
                </div>
            @endforeach
        </div>
    </div>
@empty
    <p class="quiet">Nothing happens yet. Put the cursor where it should, and add a piece.</p>
@endforelse
<p class="label">Add at the cursor</p>
<div class="choice">
    @foreach ($plot->kinds($bench->facts()) as $kind)
        <button type="submit" name="add"
            value="{{ $kind->value }}">{{ $kind === BlockKind::Volts ? 'Outage or sag' : $kind->label() }}</button>
    @endforeach
</div>
