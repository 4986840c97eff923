<!doctype html>
<html lang="en">

<head>
    <meta charset="utf-8">
    <title>Control circuit: {{ $page->switch->site->name }}</title>
    @include('partials.paper-style')
</head>

<body>
    <h1>Control circuit: {{ $page->switch->site->name }}</h1>
    <p class="hazard"><b>Lethal voltage.</b> Two sources end in this panel. Contact kills. Isolate, lock out and prove dead every source
        before the cover comes off.</p>
    <p><img src="{{ $page::ladderOf($page->switch, $page->stored)->pdfImage() }}" alt="Ladder" style="width: 100%"></p>
    @include('circuit.partials._terminal-tables')
</body>

</html>
