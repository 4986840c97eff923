<section class="block">
    <h2>Terminal strip</h2>
    <table class="ruled">
        <thead>
            <tr>
                <th>Terminal</th>
                <th>Wire</th>
                <th>Inside</th>
                <th>Outside</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($page->list->strip as $row)
                <tr>
                    <th scope="row">{{ $row['terminal'] }}</th>
                    <td class="fig">{{ $row['number'] }}</td>
                    <td>{{ implode(', ', $row['inside']) }}</td>
                    <td>{{ implode(', ', $row['outside']) }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
</section>
<section class="block">
    <h2>Wires <small>{{ count($page->list->wires) }}</small></h2>
    <table class="ruled">
        <thead>
            <tr>
                <th>Wire</th>
                <th>From</th>
                <th>To</th>
                <th>Size</th>
                <th>Color</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($page->list->wires as $wire)
                <tr>
                    <th scope="row" class="fig">{{ $wire->number }}</th>
                    <td>{{ $wire->from }}</td>
                    <td>{{ $wire->to }}</td>
                    <td class="fig">{{ $wire->size }}</td>
                    <td>{{ str_replace('_', ' ', $wire->colour) }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
</section>
<section class="block">
    <h2>Continuity, dead</h2>
    <p class="lead-in">Every source isolated, locked out and proved dead first. What a continuity tester must find closed; anything else
        closed is a wrong wire.</p>
    <table class="ruled">
        <thead>
            <tr>
                <th>Operated</th>
                <th>Reads closed</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($page->list->continuity as $row)
                <tr>
                    <th scope="row">
                        {{ $page->state($row['state']) }}<small>{{ $page->byHand($row) }}</small>
                    </th>
                    <td>{{ $row['closed'] === [] ? 'nothing' : implode('; ', array_map($page->path(...), $row['closed'])) }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
</section>
<section class="block">
    <h2>Parts</h2>
    <table class="ruled">
        <tbody>
            @foreach ($page->list->parts as $part)
                <tr>
                    <th scope="row">{{ ucfirst(str_replace('_', ' ', $part['part'])) }}</th>
                    <td class="fig">{{ $part['qty'] }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
</section>
