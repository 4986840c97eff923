<fieldset class="block">
    <legend>What its columns are, {{ $page->columns->isRemembered ? 'as for the last list with these headings' : 'as guessed or said' }}
    </legend>
    <input type="hidden" name="of" value="{{ $page->listKey() }}">
    <div class="fields">
        @foreach ($page->table->headings as $place => $heading)
            <x-select name="columns[{{ $place }}]" :label="$heading === '' ? 'Column ' . ($place + 1) : $heading" :options="$page->fields()"
                :value="$page->columns->fields[$place]->value ?? ''" />
        @endforeach
    </div>
    @if ($page->sites)
        <div class="fields">
            @foreach ($page->ownWords() as $word)
                <div>
                    <input type="hidden" name="kinds[{{ $loop->index }}][word]" value="{{ $word }}">
                    <x-select name="kinds[{{ $loop->index }}][as]" :label="$page->asked($word)" :options="$page->kinds('not known yet')"
                        :value="$page->columns->kind($word)?->value" />
                </div>
            @endforeach
        </div>
    @endif
</fieldset>
