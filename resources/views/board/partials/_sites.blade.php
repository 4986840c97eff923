<div id="sites">
    @if ($page->waiting > 0)
        <p class="missing" role="status"><x-glyph kind="note" />{{ $page->waiting }} changed sites are still being worked out; they stand here
            as they were.</p>
    @endif
    <form class="board-view" method="get" action="{{ route('board') }}" hx-get="{{ route('board') }}" hx-trigger="change" hx-target="#sites"
        hx-swap="outerHTML" hx-push-url="true">
        <input type="hidden" name="q" value="{{ $page->view->wanted }}">
        <label for="show">Show</label>
        <select class="form-select" id="show" name="show">
            @foreach ($page->view::SHOWS as $show => $words)
                <option value="{{ $show }}" @selected($page->view->show === $show)>{{ $words }}</option>
            @endforeach
        </select>
        <label for="sort">by</label>
        <select class="form-select" id="sort" name="sort">
            @foreach ($page->view::SORTS as $sort => $words)
                <option value="{{ $sort }}" @selected($page->view->sort === $sort)>{{ $words }}</option>
            @endforeach
        </select>
        <noscript><button class="btn btn-outline-primary" type="submit">Show</button></noscript>
        <a href="{{ route('board.csv', $page->view->query()) }}">CSV</a>
        @if (!$page->view->isUsual())
            <a href="{{ route('board') }}">All of them</a>
        @endif
    </form>
    @if ($page->lines === [])
        <p class="quiet">{{ $page->nothing() }}</p>
    @else
        <table class="ruled sites">
            <thead>
                <tr>
                    <th scope="col">Site</th>
                    <th scope="col">Survey to report</th>
                    <th scope="col">Last proven</th>
                    <th scope="col" class="ruler-cell">Twelve months back, four ahead</th>
                    <th scope="col">Next load test</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($page->lines as $line)
                    <tr>
                        <th scope="row"><a href="{{ $line->status->path }}"><x-glyph :kind="$line->glyph()" /><span>
                                    <b>{{ $line->status->name }}</b><small>{{ $line->status->kind }}</small>
                                    <small class="next">{{ $line->status->detail }}</small></span></a></th>
                        <td class="teeth-cell"><x-teeth :stages="$line->stages()" :width="15" :height="22" /></td>
                        <td data-label="Last proven">{{ $line->provenOn() }}<small>{{ $line->status->proven_by }}</small></td>
                        <td class="ruler-cell">{!! $line->ruler($loop->first)->svg($loop->first) !!}</td>
                        <td data-label="Next load test">
                            <span @class(['is-late' => $line->isLate()])>{{ $line->nextTest() }}</span>
                            <small>{{ $line->school() }}</small>
                        </td>
                    </tr>
                @endforeach
            </tbody>
        </table>
        @if ($page->shown->hasPages())
            <nav class="turn-page" aria-label="Pages of sites">
                @if ($page->shown->previousPageUrl() !== null)
                    <a class="btn btn-outline-primary" href="{{ $page->shown->previousPageUrl() }}" rel="prev">Before</a>
                @endif
                <span class="fig">{{ $page->shown->firstItem() }} to {{ $page->shown->lastItem() }} of {{ $page->shown->total() }}</span>
                @if ($page->shown->hasMorePages())
                    <a class="btn btn-outline-primary" href="{{ $page->shown->nextPageUrl() }}" rel="next">After</a>
                @endif
            </nav>
        @endif
        @include('board.partials._key')
    @endif
</div>
