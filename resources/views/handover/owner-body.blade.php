@php($run = $page->run)
@php($sheet = $run->sheet)
<h1>
    {{ $run->switch->site->name }}: how it behaves</h1>
<p class="small">Proved by {{ $page->report->begunBy() }}, signed by {{ $run->signed_name }}, {{ $page->report->when($run->signed_at) }}.
    Times from the settings, version {{ $sheet->version }},
    {{ $sheet->standing->label() }}{{ $sheet->standing === \App\Models\Standing::AsLeft ? '' : ': they may be changed before they stay' }}.
    @unless ($page->report->record->isWhole)
        <b>The record of this run is not whole: {{ $page->report->record->fault }}</b>
    @endunless
</p>
<table class="summary owner-proof">
    <tbody>
        <tr>
            <td>
                <h2>What was proved{{ $page->provedOn() === null ? '' : ', ' . $page->provedOn() }}</h2>
                @if ($page->proved() === [])
                <p>Nothing is proved yet.</p>@else<ul>
                        @foreach ($page->proved() as $line)
                            <li>{{ $line }}</li>
                        @endforeach
                    </ul>
                @endif
            </td>
            <td class="not-proved">
                <h2>What was not proved</h2>
                <ul>
                    @forelse ($page->notProved() as $line)
                        <li>{{ $line }}</li>
                    @empty
                        <li>Nothing that such a switch is asked for.</li>
                    @endforelse
                </ul>
            </td>
        </tr>
    </tbody>
</table>
<h2>When the power fails</h2>
@include('handover.owner-strip', ['parts' => $page->words->strip()])
<ol>
    @foreach ($page->words->outage() as $line)
        <li>{{ $line }}</li>
    @endforeach
</ol>
<h2>{{ $page->words->startsByHand() ? 'What you do now and then' : 'What runs by itself' }}</h2>
@foreach ($page->words->exercise() as $line)
    <p>{{ $line }}</p>
@endforeach
@if ($page->nextExercise())
    <p>Next: <b>{{ $page->nextExercise() }}</b>.</p>
@endif
@if ($run->switch->site->installation->hasGenerator())
    <h2>The last load test</h2>
    <p>{{ $page->loadTestWords() }}</p>
@endif
@if ($page->words->lamps() !== [])
    <h2>What the lamps mean</h2>
    <ul>
        @foreach ($page->words->lamps() as $line)
            <li>{{ $line }}</li>
        @endforeach
    </ul>
@endif
<h2>When it does not do this</h2>
<ul>
    @foreach ($page->words->trouble() as $line)
        <li>{{ $line }}</li>
    @endforeach
</ul>
<p class="small">Covers stay on. Work inside is for a licensed electrician; the maker's instructions, the adopted code and the authority
    having jurisdiction come first.</p>
