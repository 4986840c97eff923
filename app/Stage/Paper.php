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
    /** What our letters on paper can write; the rest is set in a font that can. */
    private const OURS = '\x{0020}-\x{007E}\x{00A0}-\x{00AC}\x{00AE}-\x{00B4}\x{00B6}-\x{00FF}'
        . '\x{0131}\x{0152}\x{0153}\x{2009}\x{2013}\x{2014}\x{2018}-\x{201A}'
        . '\x{201C}-\x{201E}\x{2022}\x{2026}\x{2039}\x{203A}\x{2044}\x{20AC}\x{2122}\x{2212}\x{2215}\s';

    private static function lettered(string $html): string
    {
        $html = str_replace("\u{202F}", "\u{00A0}", str_replace('&#8239;', '&#160;', $html));

        return (string) preg_replace('/[^' . self::OURS . ']+(?![^<]*>)/u', '<span class="else">$0</span>', $html);
    }

    public static function of(View $view, Site $site, string $name, string $foot = '', bool $isLandscape = false): Response
    {
        $pdf = new Dompdf(new Options([
            'isRemoteEnabled' => false, 'isPhpEnabled' => false, 'isJavascriptEnabled' => false, 'defaultFont' => 'paper',
            'isFontSubsettingEnabled' => true,
            'fontDir' => storage_path('framework/fonts'),
            'fontCache' => storage_path('framework/fonts'),
            'tempDir' => storage_path('framework/fonts'),
            'chroot' => base_path(),
        ]));
        $pdf->loadHtml(self::lettered($view->render()), 'UTF-8');
        $pdf->setPaper($site->units === 'us' ? 'letter' : 'A4', $isLandscape ? 'landscape' : 'portrait');
        $pdf->render();
        $canvas = $pdf->getCanvas();
        $canvas->page_text(
            40,
            $canvas->get_height() - 28,
            "$site->name   page {PAGE_NUM} of {PAGE_COUNT}   $foot",
            (string) $pdf->getFontMetrics()->getFont('paper'),
            7.5,
        );

        return response(
            (string) $pdf->output(),
            200,
            ['Content-Type' => 'application/pdf', 'Content-Disposition' => 'inline; filename="' . Str::slug($site->name) . "-$name.pdf\""],
        );
    }
}
