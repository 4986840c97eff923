@use('App\Drawing\Signature')
@php($image = new Signature($drawing))
@if ($isPdf)
    <img class="sign-image" alt="Signature of {{ $name }}"
        src="{{ $image->image() }}">
@else<svg class="sign-pad" viewBox="0 0 400 130" role="img" aria-label="Signature of {{ $name }}">
        <path d="{{ $drawing }}" fill="none" stroke="currentColor" stroke-width="2.4" />
    </svg>
@endif
