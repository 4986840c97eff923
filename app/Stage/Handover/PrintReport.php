<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Models\Run;
use Dompdf\Dompdf;
use Dompdf\Options;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

final readonly class PrintReport
{
    public function __invoke(Run $run): Response
    {
        $report = new Report($run);
        $pdf = new Dompdf(new Options([
            'isRemoteEnabled' => false, 'isPhpEnabled' => false, 'isJavascriptEnabled' => false, 'defaultFont' => 'DejaVu Sans', 'isFontSubsettingEnabled' => true,
            'fontDir' => storage_path('framework/fonts'), 'fontCache' => storage_path('framework/fonts'), 'tempDir' => storage_path('framework/fonts'), 'chroot' => base_path(),
        ]));
        $pdf->loadHtml(view('handover.pdf', ['report' => $report])->render(), 'UTF-8');
        $pdf->setPaper($run->switch->site->units === 'us' ? 'letter' : 'A4');
        $pdf->render();
        $canvas = $pdf->getCanvas();
        $foot = $run->switch->site->name . '   page {PAGE_NUM} of {PAGE_COUNT}   record ' . substr($run->head, 0, 16);
        $canvas->page_text(40, $canvas->get_height() - 28, $foot, (string) $pdf->getFontMetrics()->getFont('DejaVu Sans'), 7.5);

        return response((string) $pdf->output(), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => 'inline; filename="' . Str::slug($run->switch->site->name) . '-run-' . $run->id . '.pdf"',
        ]);
    }
}
