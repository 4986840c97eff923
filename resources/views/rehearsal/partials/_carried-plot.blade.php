@csrf
@foreach ($bench->carriedFields() as $field)
    <input type="hidden" name="{{ $field['name'] }}" value="{{ $field['value'] }}">
@endforeach
@foreach ($bench->delays as $path => $value)
    <input type="hidden" name="d[{{ $path }}]" value="{{ $value }}">
@endforeach
