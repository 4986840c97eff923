<!doctype html>
<html lang="en" data-bs-theme="light">
<head>
    <meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><meta name="robots" content="noindex">
    <title>{{ $page->run->switch->site->name }}: how it behaves</title>
    <link rel="icon" href="/icon.svg">
    @vite(['resources/css/app.css'])
</head>
<body>
<x-defs/>
<main id="main" class="owner">
@include('handover.owner-body')
<p><a class="btn btn-primary" href="{{ route('owner.pdf', $page->token) }}">All of it, PDF</a> <a class="btn btn-outline-primary" href="{{ route('owner.dates', $page->token) }}">Dates for your calendar</a></p>
</main>
</body>
</html>
