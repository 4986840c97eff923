@props(['kept'])
<input type="hidden" name="seen" value="{{ old('seen', \App\Http\Seen::stamp($kept)) }}">
@error('seen')
    <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $message }}</p>
@enderror
