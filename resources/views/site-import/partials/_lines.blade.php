<h2>{{ $page->summary() }}</h2>
<div class="scroll-x">
    <table class="ruled">
        <thead>
            <tr>
                <th scope="col">Line</th>
                <th scope="col">It becomes</th>
                @foreach ($page->columns->fields as $field)
                    <th scope="col">{{ $field->label() }}</th>
                @endforeach
            </tr>
        </thead>
        <tbody>
            @foreach ($page->shown() as $line)
                <tr>
                    <td class="fig">{{ $line->number }}</td>
                    <td>
                        @if ($line->faults !== [])
                            <x-glyph kind="stop" />
                        @endif{{ $line->words() }}
                    </td>
                    @foreach ($page->columns->fields as $field)
                        <td @class(['is-fault' => isset($line->faults[$field->value])])>{{ $line->cells[$field->value] ?? '' }}</td>
                    @endforeach
                </tr>
            @endforeach
        </tbody>
    </table>
</div>
@if (count($page->sites->lines) > count($page->shown()))
    <p class="quiet">{{ count($page->sites->lines) - count($page->shown()) }} more lines are like these.</p>
@endif
@if ($page->sites->count(\App\Stage\SiteImport\LineFate::Faulty) > 0)
    <label class="check"><input class="form-check-input" type="checkbox" name="without_faulty" value="1">
        Leave the lines with faults out</label>
@endif
@if ($page->becomes() > 0)
    <button class="btn btn-primary" type="submit" formaction="{{ route('sites.import.take') }}">Take in
        {{ $page->becomes() }} {{ $page->becomes() === 1 ? 'line' : 'lines' }}</button>
@else
    <p class="quiet">Nothing new would come of it.</p>
@endif
