@use('App\Stage\Panel\WayLines')
@php($name = "ways[$i][$column]")
@php($label = str_replace('_', ' ', $column) . ', line ' . ($i + 1))
@if ($column === 'connects' || $column === 'material')
    <select name="{{ $name }}" aria-label="{{ $label }}" @class([
        'form-select',
        'is-invalid' => $errors->has("ways.$i.$column"),
    ])>
        @foreach ($page->choices($column) as $choice)
            <option @selected($row[$column] === $choice)>{{ $choice }}</option>
        @endforeach
    </select>
@elseif (in_array($column, ['final', 'shed', 'locked'], true))
    <input type="checkbox" name="{{ $name }}" value="1" aria-label="{{ $label }}" @checked($row[$column] !== '' && $row[$column] !== '0')>
@else
    <input name="{{ $name }}" value="{{ $row[$column] }}" aria-label="{{ $label }}" @class([
        'form-control',
        'is-name' => $column === 'name',
        'is-invalid' => $errors->has("ways.$i.$column"),
    ])
        @if (!in_array($column, ['name', 'size'], true)) inputmode="decimal" @endif
        @if ($errors->has("ways.$i.$column")) aria-invalid="true" aria-describedby="ways-{{ $i }}-{{ $column }}" @endif>
@endif
