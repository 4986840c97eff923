@props(['stage', 'clip'])
<svg class="tooth" width="30" height="56" viewBox="0 0 30 56" aria-hidden="true">
    <clipPath id="{{ $clip }}">
        <rect x="0" y="0" width="{{ round(24 * $stage->fraction, 1) }}" height="56" />
    </clipPath>
    <path d="M0 1.5 22 36 22 43 0 54.5Z" fill="var(--esc-sheet)" />
    @if ($stage->state !== 'stop')
        <path d="M0 1.5 22 36 22 43 0 54.5Z" fill="var(--esc-ink)" clip-path="url(#{{ $clip }})" />
    @endif
    <path d="M0 1.5 22 36 22 43 0 54.5Z" fill="none" stroke="var(--esc-ink)" stroke-width="1.2" />
    @if ($stage->state === 'stop')
        <svg x="2" y="28" width="18" height="18">
            <use href="#m-stop" />
        </svg>
    @endif
</svg>
