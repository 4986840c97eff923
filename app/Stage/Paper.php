<?php

declare(strict_types=1);

namespace App\Stage;

use App\Models\Site;
use Dompdf\Dompdf;
use Dompdf\Options;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** A view as a PDF on the paper of the site's country, each page numbered at its foot. */
final readonly class Paper
{
    public static function of(View $view, Site $site, string $name, string $foot = '', bool $isLandscape = false): Response
    {
        $pdf = new Dompdf(new Options([
            'isRemoteEnabled' => false, 'isPhpEnabled' => false, 'isJavascriptEnabled' => false, 'defaultFont' => 'DejaVu Sans', 'isFontSubsettingEnabled' => true,
            'fontDir' => storage_path('framework/fonts'), 'fontCache' => storage_path('framework/fonts'), 'tempDir' => storage_path('framework/fonts'), 'chroot' => base_path(),
        ]));
        $pdf->loadHtml($view->render(), 'UTF-8');
        $pdf->setPaper($site->units === 'us' ? 'letter' : 'A4', $isLandscape ? 'landscape' : 'portrait');
        $pdf->render();
        $canvas = $pdf->getCanvas();
        $canvas->page_text(40, $canvas->get_height() - 28, "$site->name   page {PAGE_NUM} of {PAGE_COUNT}   $foot", (string) $pdf->getFontMetrics()->getFont('DejaVu Sans'), 7.5);

        return response((string) $pdf->output(), 200, ['Content-Type' => 'application/pdf', 'Content-Disposition' => 'inline; filename="' . Str::slug($site->name) . "-$name.pdf\""]);
    }
}
