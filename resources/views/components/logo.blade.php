<svg class="logo" width="26" height="26" viewBox="0 0 26 26" aria-hidden="true">
    <path d="M1.5 24V21L8.5 12.5V21L15.5 12.5V21L22.5 12.5V24Z" fill="currentColor" />
    <path d="M5 2.5H21.5V6L12 14.5V6H5Z" fill="var(--esc-steel)" />
</svg>
