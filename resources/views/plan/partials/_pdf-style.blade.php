<style>
@page { margin: 42px 40px 52px }
body { font: 9pt "DejaVu Sans"; color: #000; line-height: 1.3 }
h1 { font-size: 15pt; margin: 0 0 2pt } h2 { font-size: 12pt; margin: 13pt 0 4pt; border-bottom: 1px solid #000 } h3 { font-size: 10pt; margin: 8pt 0 2pt } p { margin: 2pt 0 } ul, ol { margin: 0; padding-left: 14pt }
table { width: 100%; border-collapse: collapse } thead { display: table-header-group } tr, .together { page-break-inside: avoid }
td, th { text-align: left; vertical-align: top; padding: 2.5pt 5pt 2.5pt 0; border-bottom: .5px solid #999; font-weight: normal } thead th { border-bottom: 1px solid #000 }
.fig { font-family: "DejaVu Sans Mono"; font-size: 8pt } .small { font-size: 8pt; color: #333 } .box { border: 1.2px solid #000; border-left-width: 6px; padding: 5pt; margin: 5pt 0 } .tick { border: 1px solid #000; display: inline-block; width: 8pt; height: 8pt }
.new-page { page-break-before: always }
</style>
