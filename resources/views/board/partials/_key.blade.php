<p class="key"><span><svg width="20" height="18">
            <path d="M1 17L12 2H14L18 17Z" fill="var(--esc-ink)" stroke="var(--esc-ink)" />
        </svg>done, or load test passed</span><span><svg width="20" height="18">
            <path d="M1 17L12 2H14L18 17Z" fill="var(--esc-sheet)" stroke="var(--esc-ink)" />
        </svg>not yet, or due</span><span><svg width="26" height="12">
            <rect width="26" height="12" fill="url(#p-late)" />
        </svg>late</span><span><svg width="16" height="12">
            <path d="M3 0V8M8 0V8M13 0V8" stroke="var(--esc-ink)" stroke-width="1.4" />
        </svg>exercise seen: starts, proves no load</span><span><svg width="14" height="12">
            <path d="M2 2l8 8m0 -8l-8 8" stroke="var(--esc-stop)" stroke-width="1.6" />
        </svg>exercise missed</span>
    @if ($page->storms)
        <span><svg width="26" height="14">
                <rect width="26" height="14" fill="url(#p-storm)" />
            </svg>storm season</span>
    @endif
    <span><x-glyph kind="stop" />stop</span>
</p>
