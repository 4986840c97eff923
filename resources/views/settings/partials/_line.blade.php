@php($first = $line['fields'][0])
@php($says = array_filter(array_map(fn($field) => $page->templateSays($field), $line['fields']), fn($word) => $word !== null))
<div class="sheet-line">
    <span class="sheet-label">{{ $line['label'] }}</span>
    <div class="sheet-inputs">
        @foreach ($line['fields'] as $field)
            @php($id = \App\Http\SettingAnchor::of($field->path))
            @php($value = old('f.' . $field->path, $field->typed($page->settings)))
            @if ($field->unit === 'choice')
                <select id="{{ $id }}" name="f[{{ $field->path }}]" class="form-select" aria-label="{{ $field->label }}">
                    <option value="open" @selected($value === 'open')>open: straight across</option>
                    <option value="delayed" @selected($value === 'delayed')>delayed: waits between</option>
                </select>
            @elseif ($field->unit === 'check')
                <label class="check"><input class="form-check-input" id="{{ $id }}" type="checkbox" name="f[{{ $field->path }}]"
                        value="1" aria-label="{{ $field->label }}" @checked($value === '1')></label>
            @else
                <div class="sheet-input">
                    @if (count($line['fields']) > 1)
                        <span class="sheet-end">{{ str_ends_with($field->path, '/pickup_pct') ? 'pick-up' : 'drop-out' }}</span>
                    @endif
                    <div class="field-box"><input id="{{ $id }}" name="f[{{ $field->path }}]" value="{{ $value }}"
                            inputmode="decimal" autocomplete="off" aria-label="{{ $field->label }}" title="{{ $field->range() }}"
                            placeholder="{{ $field->mayBeBlank ? 'off' : '' }}" @class([
                                'form-control',
                                'has-unit',
                                'is-invalid' => $errors->has('f.' . $field->path),
                            ])
                            @if ($errors->has('f.' . $field->path)) aria-invalid="true" aria-describedby="{{ $id }}-error" @endif><span
                            class="unit">{{ $field->unit }}</span></div>
                </div>
            @endif
        @endforeach
    </div>
    <p class="sheet-reason">{{ $page->reason($first->path) }}@if ($says !== [])
            <b>Template:
                {{ implode(' / ', $says) }}{{ $says === ['off'] ? '' : $first->unitWords() }}.</b>
        @endif
    </p>
    @foreach ($line['fields'] as $field)
        @error('f.' . $field->path)
            <p class="field-error" id="{{ \App\Http\SettingAnchor::of($field->path) }}-error"><x-glyph kind="stop" />{{ $message }}
            </p>
        @enderror
    @endforeach
</div>
