{{-- The sheet as typed and the habits as agreed, unseen: for a button that proposes a new version. --}}
<input type="hidden" name="seen_version" value="{{ $seen }}"><input type="hidden" name="standing" value="proposed"><input type="hidden"
    name="note" value="{{ $note }}">
@foreach ($fields as $path => $value)
    <input type="hidden" name="f[{{ $path }}]" value="{{ $value }}">
@endforeach
@foreach (($habits['exercise'] ?? []) + ['load_tests_per_year' => $habits['load_tests_per_year'] ?? 0] as $key => $value)
    <input type="hidden" name="h[{{ $key }}]" value="{{ is_bool($value) ? (int) $value : $value }}">
@endforeach
