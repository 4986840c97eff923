<div id="sites">
    @if ($page->waiting > 0)
        <p class="missing" role="status"><x-glyph kind="note" />{{ $page->waiting }} sites are still being worked out; they stand
            here
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
    @if ($page->user->boardViews() !== [] || !$page->view->isUsual())
        <div class="board-view kept-views">
            @foreach ($page->user->boardViews() as $one)
                <span><a href="{{ route('board', $one['query']) }}">{{ $one['name'] }}</a>
                    <form method="post" action="{{ route('board.forget') }}">@csrf @method('delete')<input type="hidden" name="name"
                            value="{{ $one['name'] }}"><button class="link-button" type="submit"
                            aria-label="Forget the view {{ $one['name'] }}">forget</button></form>
                </span>
            @endforeach
            @if (!$page->view->isUsual())
                <form method="post" action="{{ route('board.keep') }}">@csrf
                    @foreach ($page->view->query() as $key => $value)
                        <input type="hidden" name="{{ $key }}" value="{{ $value }}">
                    @endforeach
                    <label for="view-name">Keep this view as</label>
                    <input class="form-control" id="view-name" name="name" maxlength="40" value="{{ old('name') }}" required>
                    <button class="btn btn-outline-primary" type="submit">Keep</button>
                    @error('name')
                        <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                    @enderror
                </form>
            @endif
        </div>
    @endif
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
                            @if ($line->lastTest() !== '')
                                <small>passed {{ $line->lastTest() }}</small>
                            @endif
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
                <span class="fig">{{ $page->shownOf() }}</span>
                @if ($page->shown->hasMorePages())
                    <a class="btn btn-outline-primary" href="{{ $page->shown->nextPageUrl() }}" rel="next">After</a>
                @endif
            </nav>
        @endif
        @include('board.partials._key')
    @endif
</div>
