<!doctype html>
<html lang="en">

<head>
    <meta charset="utf-8">
    <title>{{ $page->run->switch->site->name }}: how it behaves</title>@include('partials.paper-style')
</head>

<body>
    @include('handover.letterhead', [
        'company' => $page->company,
        'title' => 'For the owner',
        'under' => $page->run->switch->site->address ?? '',
    ])
    @include('handover.owner-body', ['isPdf' => true])
    @if ($page->plan)
        <div class="together">
            <h2>One-line, bonds as planned</h2>
            <p><img alt="One-line" src="{{ $page->plan->picture->pdfImage() }}"
                    @if ($page->plan->picture->isWide()) width="520" @else height="400" @endif></p>
        </div>
        @include('handover.landing', ['isPdf' => true])
    @endif
    @if ($page->photos !== [])
        <h2>Pictures</h2>
        <table>
            <tbody>
                @foreach (array_chunk($page->photos, 2) as $pair)
                    <tr>
                        @foreach ($pair as $photo)
                            <td><img class="photo" alt="" src="{{ $page->picture($photo) }}"><br>{{ $photo->caption }} <span
                                    class="small">{{ \App\Models\Photo::MOMENTS[$photo->moment] }}</span></td>
                            @endforeach @if (count($pair) === 1)
                                <td></td>
                            @endif
                    </tr>
                @endforeach
            </tbody>
        </table>
    @endif
    <h1 class="new-page">Report</h1>
    @include('handover.body', ['isPdf' => true])
    @if ($page->loadTest)
        <h1 class="new-page">Load test</h1>
        @include('load-test.report-body', ['report' => $page->loadTest, 'isPdf' => true])
    @endif
</body>

</html>
