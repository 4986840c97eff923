<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>{{ $report->run->switch->site->name }}</title>
<style>
@page { margin: 42px 40px 52px }
body { font: 9.5pt "DejaVu Sans"; color: #000; line-height: 1.3 }
h1 { font-size: 15pt; margin: 0 0 2pt } h2 { font-size: 12pt; margin: 12pt 0 4pt; border-bottom: 1px solid #000 } h3 { font-size: 10pt; margin: 8pt 0 2pt }
p { margin: 2pt 0 } ul { margin: 0; padding-left: 14pt }
table { width: 100%; border-collapse: collapse } thead { display: table-header-group } caption { text-align: left; font-weight: bold; padding: 6pt 0 1pt } .measured { table-layout: fixed }
td, th { text-align: left; vertical-align: top; padding: 2.5pt 6pt 2.5pt 0; border-bottom: .5px solid #999; font-weight: normal }
thead th { border-bottom: 1px solid #000; color: #333 } th[colspan] { font-weight: bold; padding-top: 6pt } .facts th { color: #333; width: 13% } .facts td { width: 37% }
.fig { font-family: "DejaVu Sans Mono"; font-size: 8.5pt } .small { font-size: 8.5pt; color: #333 } .hash { font-size: 7.5pt }
.strip-image { width: 182mm } .sign-image { width: 70mm } .struck { text-decoration: line-through } .strip-part, tr { page-break-inside: avoid }
</style></head>
<body><h1>Commissioning report</h1><p class="small">Printed {{ $report->when(now()) }}. Escapement.</p>
@include('handover.body', ['isPdf' => true])
</body></html>
