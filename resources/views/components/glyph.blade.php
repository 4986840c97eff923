@props(['kind'])
<svg class="glyph" width="18" height="18" aria-hidden="true">
    <use href="#m-{{ $kind }}" />
</svg>
