<section class="block" aria-labelledby="said">
    <h2 id="said">It says, {{ $page->reading->at->format('H:i:s') }} UTC
        @if ($page->reading->isSimulated)
            <span class="demo">simulated</span>
        @endif
    </h2>
    <div class="scroll-x">
        <table class="ruled">
            <thead>
                <tr>
                    <th scope="col">Quantity</th>
                    <th scope="col">Value</th>
                    <th scope="col">What stands there</th>
                    <th scope="col">Where</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($page->lines() as $line)
                    <tr>
                        <th scope="row">{{ $line['quantity'] }}</th>
                        <td class="fig">{{ $line['value'] }}</td>
                        <td>
                            <span class="fig">{{ $line['working'] }}</span>
                            @if ($line['doubt'])
                                <small><x-glyph kind="warn" />{{ $line['doubt'] }}</small>
                            @endif
                        </td>
                        <td>{{ $line['where'] }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
    </div>
    @if ($page->reading->isSimulated)
        <p class="quiet">Made up by the bench of this tool: what it says proves nothing, and no load test keeps it.</p>
    @endif
</section>
