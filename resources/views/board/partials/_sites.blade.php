<div id="sites">
    @if ($page->rows === [])
        <p class="quiet">
            {{ $page->wanted === '' ? 'No site yet. Begin with "New site": its name, its kind, and what you know.' : 'No site is called, addressed or owned like "' . $page->wanted . '".' }}
        </p>
    @else
        <table class="ruled sites">
            <thead>
                <tr>
                    <th scope="col">Site, who needs you first</th>
                    <th scope="col">Survey to report</th>
                    <th scope="col">Last proven</th>
                    <th scope="col">Next</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($page->rows as $row)
                    <tr>
                        <th scope="row"><a href="{{ $row->url }}"><x-glyph
                                    :kind="$row->need->severity" /><span><b>{{ $row->name }}</b><small>{{ $row->kind }}</small></span></a></th>
                        <td class="teeth-cell"><x-teeth :stages="$row->stages" /></td>
                        <td data-label="Last proven">{{ $row->provenWhen ?? 'never' }}@if ($row->provenHow)
                                <small>{{ $row->provenHow }}</small>
                            @endif
                        </td>
                        <td class="next">{{ $row->need->detail }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
        <p class="key"><span><svg width="20" height="18">
                    <path d="M1 17L12 2H14L18 17Z" fill="var(--esc-ink)" stroke="var(--esc-ink)" />
                </svg>done</span><span><svg width="20" height="18">
                    <path d="M1 17L12 2H14L18 17Z" fill="var(--esc-sheet)" stroke="var(--esc-ink)" />
                </svg>not yet</span><span><x-glyph kind="stop" />stop</span></p>
    @endif
</div>
