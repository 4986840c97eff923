@if ($isPdf)
    <img class="sign-image" alt="Signature of {{ $name }}"
        src="data:image/svg+xml;base64,{{ base64_encode('<svg xmlns="http://www.w3.org/2000/svg" width="400" height="130" viewBox="0 0 400 130"><path d="' . e($drawing) . '" fill="none" stroke="#000" stroke-width="2.4"/></svg>') }}">
@else<svg class="sign-pad" viewBox="0 0 400 130" role="img" aria-label="Signature of {{ $name }}">
        <path d="{{ $drawing }}" fill="none" stroke="currentColor" stroke-width="2.4" />
    </svg>
@endif
