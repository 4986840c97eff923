<section class="block" aria-labelledby="settled">
    <h2 id="settled">What it settles to</h2>
    <p class="lead-in">For each state of the sources{{ $page->circuit->selector() ? ' and the selector' : '' }}, whatever happened
        before.</p>
    <div class="scroll-x" tabindex="0" role="region" aria-label="Settled states, scrollable">
        <table class="ruled settled">
            <thead>
                <tr>
                    @if ($page->circuit->selector())
                        <th>Selector</th>
                    @endif
                    @foreach ($page->circuit->failing() as $supply)
                        <th>{{ $supply->id }}</th>
                    @endforeach
                    <th>After power-up</th>
                    <th>In operation</th>
                    @if ($page->hasStart())
                        <th>Start contact</th>
                    @endif
                </tr>
            </thead>
            <tbody>
                @foreach ($page->proof->result->truthTable as $row)
                    <tr>
                        @if ($page->circuit->selector())
                            <th scope="row">{{ $row->selector }}</th>
                        @endif
                        @foreach ($page->circuit->failing() as $supply)
                            <td>{{ $row->isHealthy($supply->id) ? 'healthy' : 'lost' }}</td>
                        @endforeach
                        <td><b>{{ $page::closed($row->cold) }}</b></td>
                        <td><b>{{ $page::closed($row->any) }}</b></td>
                        @if ($page->hasStart())
                            <td>{{ $page::called($row->any) }}</td>
                        @endif
                    </tr>
                @endforeach
            </tbody>
        </table>
    </div>
</section>
