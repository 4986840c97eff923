<svg class="defs" width="0" height="0" aria-hidden="true">
    <defs>
        <pattern id="p-gen" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="7" height="7" fill="var(--esc-gen-tint)" />
            <rect width="3.4" height="7" fill="var(--esc-gen)" />
        </pattern>
        <pattern id="p-gen-idle" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="7" height="7" fill="var(--esc-sheet)" />
            <rect width="1.1" height="7" fill="var(--esc-gen)" />
        </pattern>
        <pattern id="p-dead" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="8" height="8" fill="var(--esc-dead-tint)" />
            <path d="M0 .5H8M.5 0V8" stroke="var(--esc-dead)" stroke-width="1" />
        </pattern>
        <pattern id="p-storm" width="11" height="11" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
            <path d="M0 0V11" stroke="var(--esc-edge)" stroke-width="1" />
        </pattern>
        <pattern id="p-late" width="5" height="10" patternUnits="userSpaceOnUse">
            <rect width="5" height="10" fill="var(--esc-sheet)" />
            <path d="M1.5 0V10" stroke="var(--esc-stop)" stroke-width="3" />
        </pattern>
        <pattern id="p-shed" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="5" height="5" fill="var(--esc-dark)" />
            <path d="M0 .6H5M.6 0V5" stroke="var(--esc-on-dark)" stroke-width=".7" />
        </pattern>
        <symbol id="m-stop" viewBox="0 0 18 18">
            <rect x="1" y="1" width="16" height="16" fill="var(--esc-stop)" />
            <rect x="4" y="7.4" width="10" height="3.2" fill="var(--esc-sheet)" />
        </symbol>
        <symbol id="m-warn" viewBox="0 0 18 18">
            <path d="M9 1.8 16.8 16.2H1.2Z" fill="var(--esc-warn-tint)" stroke="var(--esc-warn)" stroke-width="1.8"
                stroke-linejoin="round" />
            <path d="M9 6.6v4.6M9 12.6v1.9" stroke="var(--esc-warn)" stroke-width="2" />
        </symbol>
        <symbol id="m-note" viewBox="0 0 18 18">
            <circle cx="9" cy="9" r="7.2" fill="none" stroke="var(--esc-note)" stroke-width="1.7" />
            <path d="M5.6 9h6.8" stroke="var(--esc-note)" stroke-width="2" />
        </symbol>
        <symbol id="m-proven" viewBox="0 0 18 18">
            <path d="M2 1.5 16.5 10.5V13L2 16.5Z" fill="var(--esc-proven)" />
        </symbol>
    </defs>
</svg>
