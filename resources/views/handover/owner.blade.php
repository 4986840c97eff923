<!doctype html>
<html lang="en" data-bs-theme="light">

<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="robots" content="noindex">
    <title>{{ $page->run->switch->site->name }}: how it behaves</title>
    <link rel="icon" href="/icon.svg">
    @vite(['resources/css/app.css'])
</head>

<body>
    <x-defs />
    <main id="main" class="owner">
        @include('handover.letterhead', [
            'company' => $page->company,
            'title' => 'For the owner',
            'under' => $page->run->switch->site->address ?? '',
        ])
        @include('handover.owner-body')
        <details class="block">
            <summary>
                <h2>Settings, version {{ $page->run->sheet->version }}, {{ $page->run->sheet->standing->label() }}</h2>
            </summary>@include('handover.settings', ['report' => $page->report, 'run' => $page->run])
        </details>
        @if ($page->plan)
            <details class="block">
                <summary>
                    <h2>One-line</h2>
                </summary>
                <div class="owner-drawing scroll-x" tabindex="0" role="region" aria-label="One-line"><img
                        alt="One-line, bonds as planned" src="{{ $page->plan->picture->pdfImage() }}"></div>
            </details>
            <details class="block">
                <summary>
                    <h2>Terminations and torque</h2>
                </summary>@include('handover.landing', ['isPdf' => false])
            </details>
        @endif
        @if ($page->loadTest)
            <details class="block">
                <summary>
                    <h2>Report of the load test</h2>
                </summary>
                @include('load-test.report-body', ['report' => $page->loadTest, 'isPdf' => false])
            </details>
        @endif
        @if ($page->photos !== [])
            <details class="block">
                <summary>
                    <h2>Pictures</h2>
                </summary>
                <ul class="photos">
                    @foreach ($page->photos as $photo)
                        <li><img alt="{{ $photo->caption ?? 'Picture' }}" src="{{ $page->picture($photo) }}">
                            <p><b>{{ $photo->caption }}</b><small>{{ \App\Models\Photo::MOMENTS[$photo->moment] }}</small></p>
                        </li>
                    @endforeach
                </ul>
            </details>
        @endif
        @if (session('said'))
            <p class="said" role="status">{{ session('said') }}</p>
        @endif
        <details class="block" @if ($errors->any()) open @endif>
            <summary>
                <h2>Something happened</h2>
            </summary>
            <p>Smell of gas, smoke, or somebody is unwell: leave the place and call the emergency services first. Open nothing, touch
                nothing
                inside a panel.</p>
            <form method="post" action="{{ route('owner.report', $page->token) }}">
                @csrf
                <x-field name="words" label="What you saw, if you like" :value="old('words', '')" maxlength="300" />
                <p class="row-of-buttons">
                    @foreach (\App\Stage\Handover\TakeOwnerReport::REPORTS as $report => $words)
                        <button class="btn btn-primary" type="submit" name="report"
                            value="{{ $report }}">{{ ucfirst($words) }}</button>
                    @endforeach
                </p>
            </form>
        </details>
        @if ($page->company->telephone)
            <p><a class="btn btn-primary" href="tel:{{ preg_replace('/[^0-9+]/', '', $page->company->telephone) }}">Call
                    {{ $page->company->name }}, {{ $page->company->telephone }}</a></p>
        @endif
        <p><a class="btn btn-primary" href="{{ route('owner.pdf', $page->token) }}">All of it, PDF</a> <a class="btn btn-outline-primary"
                href="{{ route('owner.dates', $page->token) }}">Dates for your calendar</a></p>
    </main>
</body>

</html>
