<!doctype html>
<html lang="en">

<head>
    <meta charset="utf-8">
    <title>{{ $standing->site->name }}: labels</title>
    @include('partials.paper-style')<style>
        @page {
            margin: 34px 40px 48px
        }

        body {
            font: 9.5pt paper;
            color: #000;
            line-height: 1.25
        }

        .label {
            border: 1.6pt solid #000;
            margin-bottom: 12pt;
            page-break-inside: avoid
        }

        .label table {
            width: 100%;
            border-collapse: collapse
        }

        td {
            vertical-align: top;
            padding: 7pt 9pt
        }

        .site {
            font-size: 8.5pt;
            margin: 0
        }

        h1 {
            font-size: 15pt;
            margin: 0 0 3pt
        }

        p {
            margin: 0 0 3pt
        }

        .hazard {
            border-left: 5pt solid #000;
            padding-left: 7pt;
            font-weight: bold;
            font-size: 10.5pt;
            margin: 3pt 0 5pt
        }

        .code {
            width: 108pt;
            text-align: center;
            font-size: 7pt
        }

        .code img {
            width: 104pt;
            height: 104pt
        }

        .address {
            font-size: 5.5pt;
            word-wrap: break-word
        }

        .small {
            font-size: 8pt;
            color: #333
        }
    </style>
</head>

<body>
    @foreach ($labels as $label)
        <div class="label">
            <table>
                <tr>
                    <td>
                        <p class="site">{{ $standing->site->name }}</p>
                        <h1>{{ $label->title }}</h1>
                        <p class="hazard">{{ $label->hazard }}</p>
                        @foreach ($label->lines as $line)
                            <p>{{ $line }}</p>
                        @endforeach
                        <p class="small">{{ $standing->proofSentence() }} @if ($switch->sheet)
                                Settings: version {{ $switch->sheet->version }}, {{ $standing->date($switch->sheet->created_at) }}.
                            @endif
                        </p>
                    </td>
                    <td class="code"><img alt="Code of the site" src="data:image/png;base64,{{ base64_encode($code) }}"><br>settings, tests,
                        logbook<div class="address">{{ $address }}</div>
                    </td>
                </tr>
            </table>
        </div>
    @endforeach
    <p class="small">The labels that the maker and the code in force ask for stay beside these. Print on weatherproof stock; renew them
        when a test or the settings change.</p>
</body>

</html>
