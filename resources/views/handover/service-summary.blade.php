@php($service = $report->service())
<table class="summary">
    <tbody>
        <tr>
            <td colspan="2" class="verdict-line">{{ $service->headline }}</td>
        </tr>
        <tr>
            <td>
                <h3>Done</h3>
                @if ($service->done === [])
                    <p>No item of service.</p>
                @else
                    <ul>
                        @foreach ($service->done as $item)
                            <li>{{ $item }}</li>
                        @endforeach
                    </ul>
                @endif
            </td>
            <td class="not-proved">
                <h3>Found, left out, or open</h3>
                @if ($service->open === [])
                    <p>Nothing.</p>
                @else
                    <ul>
                        @foreach ($service->open as $line)
                            <li>{{ $line }}</li>
                        @endforeach
                    </ul>
                @endif
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
<p class="small">A visit keeps a set running; it proves nothing of the changeover. What is proved, and when, is in the reports of its runs.
</p>
