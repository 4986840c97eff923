@php($tally = $page->tally())
<section class="faults" aria-labelledby="faults">
    <h3 id="faults">Single faults</h3>
    <table class="ruled">
        <thead>
            <tr>
                <th>Fault</th>
                <th>Safe</th>
                <th>Saved by mechanical interlock</th>
                <th>Both can close</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($page->proof->result->faults as $fault)
                @php($column = $page::column($fault))
                <tr @class(['is-both' => $column === 'both'])>
                    <th scope="row">
                        @php($url = route('circuit', [$page->switch, 'fault' => $fault->fault]))
                        @if ($fault->bothClosed)
                            <a
                                href="{{ $url }}#steps">{{ $page->words->fault($fault->fault) }}</a>
                        @else
                            {{ $page->words->fault($fault->fault) }}
                        @endif
                        @if ($page->startEffect($fault->fault) !== '')
                            <small>{{ $page->startEffect($fault->fault) }}</small>
                        @endif
                    </th>
                    @foreach (['safe', 'saved', 'both'] as $one)
                        <td>{!! $one === $column ? '<span class="dot dot-' . $one . '" role="img" aria-label="yes"></span>' : '' !!}</td>
                    @endforeach
                </tr>
            @endforeach
        </tbody>
        <tfoot>
            <tr>
                <th scope="row">All {{ array_sum($tally) }}</th>
                <td class="fig">{{ $tally['safe'] }}</td>
                <td class="fig">{{ $tally['saved'] }}</td>
                <td class="fig">{{ $tally['both'] }}</td>
            </tr>
        </tfoot>
    </table>
</section>
