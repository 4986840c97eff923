<!doctype html>
<html lang="en">

<head>
    <meta charset="utf-8">
    <title>One-line: {{ $page->switch->site->name }}</title>@include('partials.paper-style')
</head>

<body>
    @include('handover.letterhead', [
        'company' => auth()->user()->company,
        'title' => 'One-line',
        'under' => $page->switch->site->address ?? '',
    ])
    <h1>One-line: {{ $page->switch->site->name }}</h1>
    <p class="small">Switch on
        {{ $page->sides()[$page->look->on] }}{{ $page->hasOpened() ? ', ' . $page->name($page->look->open) . ' open' : '' }}.
        Solid: {{ $page->acts()->sides()[0] }}; ladder: {{ $page->acts()->sides()[1] }}; empty: nothing live.</p>
    <p><img alt="One-line" src="{{ $page->picture->pdfImage() }}" @if ($page->picture->isWide()) width="620" @else height="330" @endif></p>
    @if ($page->hazard())
        <div class="box"><b>{{ $page->name($page->look->open) }} open</b> {{ $page->hazard() }}</div>
    @endif
    <table>
        <tbody>
            @foreach (array_chunk($page->moves(), 2) as $pair)
                <tr>
                    @foreach ($pair as $move)
                        <td><b>{{ $move->n }}. {{ $move->title }}.</b> {{ $move->why }}</td>
                        @endforeach @if (count($pair) === 1)
                            <td></td>
                        @endif
                </tr>
            @endforeach
        </tbody>
    </table>
    @include('partials.test-point', ['test' => $page->test])
    <p class="small">A plan, not permission: the maker's instructions, the adopted code and its edition in force, the authority having
        jurisdiction and a licensed electrician rule.</p>
</body>

</html>
