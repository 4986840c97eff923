@foreach ($shows->groups() as $group => $names)
    <optgroup label="{{ $group }}">
        @foreach ($names as $name => $words)
            <option value="{{ $name }}" @selected($chosen === $name)>{{ $words }}</option>
        @endforeach
    </optgroup>
@endforeach
