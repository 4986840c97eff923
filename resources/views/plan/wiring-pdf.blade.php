<!doctype html>
<html lang="en">

<head>
    <meta charset="utf-8">
    <title>Wiring: {{ $switch->site->name }}</title>@include('partials.paper-style')
</head>

<body>
    @forelse ($pages as $page)
        <div @if (!$loop->last) style="page-break-after: always" @endif>
            @include('handover.letterhead', [
                'company' => auth()->user()->company,
                'title' => 'Wiring',
                'under' => $switch->site->address ?? '',
            ])
            <h1>{{ $switch->site->name }}: {{ $page->title() }}</h1>
            @if ($page->hazard())
                <div class="box"><b>Lethal voltage.</b> {{ $page->hazard() }}</div>
            @endif
            <p><img alt="Wiring of {{ $page->title() }}" src="{{ $page->drawing(true)->pdfImage() }}" height="460"></p>
            @if ($page->strip(true))
                <h2>Control terminals</h2>
                <p><img alt="Control terminals" src="{{ $page->strip(true)->pdfImage() }}" style="width: 78%"></p>
            @endif
            <p class="small">Solid: live from the {{ $page->acts()->sides()[0] }}; ladder: from the {{ $page->acts()->sides()[1] }}; hollow:
                nothing live. Double: neutral; dash-dot:
                ground. The numbers are the order of landing. It shows what is planned and proves nothing: isolate, lock, prove dead, and
                prove each conductor by test, never by color. The maker's instructions, the adopted code and its edition in force, the
                authority having jurisdiction and a licensed electrician rule.</p>
        </div>
    @empty
        <p>No conductor has a place to land yet: the feeders come first.</p>
    @endforelse
</body>

</html>
