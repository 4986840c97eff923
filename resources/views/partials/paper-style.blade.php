<style>
    @font-face {
        font-family: paper;
        font-weight: normal;
        src: url("{{ base_path('resources/fonts/paper/next-400.ttf') }}") format("truetype")
    }

    @font-face {
        font-family: paper;
        font-weight: bold;
        src: url("{{ base_path('resources/fonts/paper/next-700.ttf') }}") format("truetype")
    }

    @font-face {
        font-family: figures;
        font-weight: normal;
        src: url("{{ base_path('resources/fonts/paper/mono-400.ttf') }}") format("truetype")
    }

    @font-face {
        font-family: figures;
        font-weight: bold;
        src: url("{{ base_path('resources/fonts/paper/mono-400.ttf') }}") format("truetype")
    }

    @page {
        margin: 42px 46px 54px
    }

    body {
        font: 9.5pt paper;
        color: #000;
        line-height: 1.08
    }

    h1 {
        font-size: 17pt;
        margin: 0 0 2pt
    }

    h2 {
        font-size: 12pt;
        margin: 14pt 0 4pt;
        border-bottom: 1px solid #000;
        page-break-after: avoid
    }

    h3 {
        font-size: 10pt;
        margin: 9pt 0 2pt;
        page-break-after: avoid
    }

    p {
        margin: 2pt 0;
        orphans: 3;
        widows: 3
    }

    ul,
    ol {
        margin: 0;
        padding-left: 14pt
    }

    table {
        width: 100%;
        border-collapse: collapse
    }

    thead {
        display: table-header-group
    }

    tr,
    .together {
        page-break-inside: avoid
    }

    caption {
        text-align: left;
        font-weight: bold;
        padding: 6pt 0 1pt
    }

    .measured {
        table-layout: fixed;
        page-break-inside: avoid
    }

    td,
    th {
        text-align: left;
        vertical-align: top;
        padding: 2.5pt 6pt 2.5pt 0;
        border-bottom: .5px solid #999;
        font-weight: normal
    }

    thead th {
        border-bottom: 1px solid #000;
        color: #333
    }

    th[colspan] {
        font-weight: bold;
        padding-top: 6pt
    }

    .facts th {
        color: #333;
        width: 13%
    }

    .facts td {
        width: 37%
    }

    .fig {
        font-family: figures;
        font-size: 9pt
    }

    .else {
        font-family: "DejaVu Sans";
        font-size: 90%
    }

    .small {
        font-size: 8.5pt;
        color: #333
    }

    .hash {
        font-size: 7.5pt
    }

    .box {
        border: 1.2px solid #000;
        border-left-width: 6px;
        padding: 5pt;
        margin: 5pt 0
    }

    .tick {
        border: 1px solid #000;
        display: inline-block;
        width: 8pt;
        height: 8pt
    }

    .head-of-paper td {
        border: 0;
        padding: 0
    }

    .head-of-paper {
        border-bottom: 2px solid #000;
        margin-bottom: 10pt
    }

    .head-of-paper .right {
        text-align: right
    }

    .logo-of-paper {
        max-height: 40pt;
        max-width: 160pt
    }

    .company {
        font-size: 12pt;
        font-weight: bold
    }

    .summary {
        border: 1.4px solid #000;
        margin: 6pt 0
    }

    .summary td {
        border: 0;
        padding: 6pt 8pt
    }

    .summary .verdict-line {
        border-bottom: 1px solid #000;
        font-size: 12pt;
        font-weight: bold
    }

    .summary h3 {
        margin-top: 0
    }

    .not-proved {
        border-left: .5px solid #999
    }

    .strip-image {
        width: 182mm
    }

    .sign-image {
        width: 70mm
    }

    .struck {
        text-decoration: line-through
    }

    .strip-part {
        page-break-inside: avoid
    }

    .new-page {
        page-break-before: always
    }

    .stage-name {
        font-size: 10pt
    }

    .stage-first td {
        padding-top: 7pt
    }

    .done-list td {
        width: 44%
    }

    .done-list td.who {
        width: 6%;
        color: #333
    }

    .photo {
        width: 80mm
    }
</style>
