@php($run = $page->run)
<h1>{{ $run->switch->site->name }}: how it behaves</h1>
<p class="small">Proved by {{ $run->user->name }}, signed by {{ $run->signed_name }}, {{ $page->report->when($run->signed_at) }}. Times from the settings as they were left, version {{ $run->sheet->version }}.</p>
<h2>When the power fails</h2>
<ol>@foreach ($page->words->outage() as $line)<li>{{ $line }}</li>@endforeach</ol>
<h2>What runs by itself</h2>
@foreach ($page->words->exercise() as $line)<p>{{ $line }}</p>@endforeach
<h2>When it does not do this</h2>
<ul>@foreach ($page->words->trouble() as $line)<li>{{ $line }}</li>@endforeach</ul>
<h2>What was proved</h2>
@if ($page->proved() === [])<p>Nothing is proved yet.</p>@endif
<ul>@foreach ($page->proved() as $line)<li>{{ $line }}</li>@endforeach</ul>
<h2>What was not proved</h2>
<ul>@foreach ($page->notProved() as $line)<li>{{ $line }}</li>@endforeach</ul>
<p class="small">Covers stay on. Work inside is for a licensed electrician; the maker's instructions, the adopted code and the authority having jurisdiction come first.</p>
