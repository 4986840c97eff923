<form class="log-find" method="get" action="{{ route('logbook', $page->switch) }}#lines" role="search">
    <div>
        <label for="find">Words</label>
        <input id="find" class="form-control" type="search" name="find" value="{{ $page->search->words }}" maxlength="200">
    </div>
    <div>
        <label for="only">Kind</label>
        <select id="only" class="form-select" name="only">
            <option value="">All</option>
            @foreach (\App\Stage\Upkeep\EntryForm::kinds() as $kind => $label)
                <option value="{{ $kind }}" @selected($kind === $page->search->kind)>{{ $label }}</option>
            @endforeach
        </select>
    </div>
    <button class="btn btn-outline-primary" type="submit">Find</button>
</form>
@if ($page->search->isAsked())
    <p role="status">{{ $page->entries->total() }} found. <a href="{{ route('logbook', $page->switch) }}#lines">All entries</a></p>
@endif
