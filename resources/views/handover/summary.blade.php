@php($verdicts = ['pass' => 'Passed', 'fail' => 'Did not pass', 'incomplete' => 'Not complete'])
<table class="summary">
    <tbody>
        <tr>
            <td colspan="2" class="verdict-line">
                {{ $run->isSigned() ? $verdicts[$run->verdict] . ', as signed' : 'Draft: not signed yet' }}</td>
        </tr>
        <tr>
            <td>
                <h3>Proved by this run</h3>
                @if ($report->partsThat(true) === [])
                    <p>Nothing yet.</p>
                @else
                    <ul>
                        @foreach ($report->partsThat(true) as $proof)
                            <li>{{ $proof->part->label() }}{{ $proof->outcome === 'noted' ? ', with a note' : '' }}</li>
                        @endforeach
                    </ul>
                @endif
            </td>
            <td class="not-proved">
                <h3>Not proved by this run</h3>
                <ul>
                    @foreach ($report->partsThat(false) as $proof)
                        <li><b>{{ $proof->part->label() }}: {{ mb_strtolower($proof->words()) }}.</b>
                            {{ implode(' ', array_slice($proof->why, 0, 3)) }}@if (count($proof->why) > 3)
                                And {{ count($proof->why) - 3 }} more, below.
                            @endif
                        </li>
                    @endforeach
                    @foreach ($report->untouched() as $label)
                        <li>{{ $label }}: not part of this run</li>
                    @endforeach
                </ul>
            </td>
        </tr>
        <tr>
            <td><b>By</b> {{ $report->begunBy() }}, begun {{ $report->when($run->created_at) }}</td>
            <td class="not-proved">
                @if ($run->isSigned())
                    <b>Signed</b> {{ $run->signed_name }}, {{ $report->when($run->signed_at) }}
                @else
                    Nobody has signed.
                @endif
            </td>
        </tr>
    </tbody>
</table>
