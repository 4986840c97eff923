@php($site = $page->run->switch->site)
@php($at = fn($moment) => $moment->copy()->setTimezone($site->timezone)->format('j M Y, H:i'))
<!doctype html>
<html lang="en">

<head>
    <meta charset="utf-8">
    <title>Isolation plan: {{ $site->name }}</title>@include('partials.paper-style')
    <style>
        .hand {
            border-left: .5px solid #999;
            height: 26pt;
            width: 15%
        }

        .hand span {
            font-size: 6.5pt;
            color: #333
        }

        .no {
            width: 14pt
        }

        .pairs td {
            border: .5px solid #999;
            padding: 2pt 4pt;
            height: 22pt;
            width: 10%
        }

        .pairs .none {
            border: 0
        }
    </style>
</head>

<body>
    <h1>Isolation plan: {{ $site->name }}</h1>
    <p class="small">{{ $page->run->switch->name }}. Run {{ $page->run->id }}, begun by {{ $page->run->user->name }},
        {{ $at($page->run->created_at) }}. Hang it up where the work is; who opens, signs.</p>
    <div class="box"><b>Locked is not dead, and a dead utility starts the engine.</b> Nothing is touched before it is proved dead at this
        place. What is opened is opened by a qualified person, by the maker's instructions, the adopted code and the authority's rules; the
        supplier opens what is the supplier's.</div>
    <table>
        <thead>
            <tr>
                <th class="no"></th>
                <th>What, in this order</th>
                <th>Hazard that stays</th>
                <th class="hand">Lock, tag</th>
                <th class="hand">Done by, at</th>
                <th class="hand">Removed by, at</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($steps as $step)
                @php($answer = $page->state($step)->isClosed() ? $page->answers($step)[0] ?? null : null)
                <tr>
                    <td class="no">{{ $loop->iteration }}</td>
                    <td><b>{{ $step->title }}{{ $step->isHold ? ', hold point' : '' }}</b><br>{{ $step->expectation }}</td>
                    <td>{{ $step->hazard }}</td>
                    <td class="hand"></td>
                    <td class="hand">
                        @if ($answer)
                            {{ $answer->user->name }}
                            <br><span>{{ $at($answer->received_at) }}</span>
                        @endif
                    </td>
                    <td class="hand"></td>
                </tr>
            @endforeach
        </tbody>
    </table>
    <div class="together">
        <h2>Proved dead</h2>
        <p>The tester is proved on a known source before and after. Every box is signed with what the tester read; one that is not zero
            stops the work.</p>
        <table class="pairs">
            <tbody>
                @foreach (array_chunk(['Tester before', ...$pairs, 'Tester after'], 8) as $boxes)
                    <tr>
                        @foreach ($boxes as $box)
                            <td><span class="small">{{ $box }}</span></td>
                            @endforeach @for ($i = count($boxes); $i < 8; $i++)
                                <td class="none"></td>
                            @endfor
                    </tr>
                @endforeach
            </tbody>
        </table>
    </div>
    @foreach ($drawings as $drawing)
        <div class="new-page">
            <h2>{{ $drawing->name($drawing->look->open) }} open, and nothing else: what is still live</h2>
            <div class="box"><b>{{ $drawing->name($drawing->look->open) }} open</b> {{ $drawing->hazard() }}</div>
            <p><img alt="One-line" src="{{ $drawing->picture->pdfImage() }}"
                    @if ($drawing->picture->isWide()) width="620" @else height="330" @endif></p>
            <p class="small">Dashed: can be live all the same. Solid: utility; ladder: generator; empty: nothing live. Drawn from the plan
                as it is today.</p>
        </div>
    @endforeach
    <p class="small">A plan, not permission: the maker's instructions, the adopted code and its edition in force, the authority having
        jurisdiction and a licensed electrician rule.</p>
</body>

</html>
