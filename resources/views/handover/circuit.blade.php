<section class="report-part">
    <div class="together">
        <h2>Control circuit as it was proved</h2>
        <p>Both sources there and nothing operated. What the panel does in time comes from this circuit and these dials.</p>
        @if ($isPdf)
            <p><img alt="Ladder" src="{{ $report->ladder(true)?->pdfImage() }}" style="width: 100%"></p>
        @else
            <div class="scroll-x ladder-sheet" tabindex="0" role="region" aria-label="Ladder, scrollable">
                {!! $report->ladder(false)?->svg() !!}</div>
        @endif
    </div>
    <ul>
        @foreach ($report->dials() as $line)
            <li>{{ $line }}</li>
        @endforeach
    </ul>
</section>
