<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use App\Models\Circuit;
use App\Models\TransferSwitch;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The circuit as JSON, which can be imported again, or as a drawing. */
final readonly class ExportCircuit
{
    public function __invoke(Request $request, TransferSwitch $switch, string $form): Response
    {
        $switch->load('site');
        $stored = Circuit::query()->where('switch_id', $switch->id)->firstOrFail();
        $name = preg_replace('/[^a-z0-9]+/', '-', strtolower($switch->site->name)) . "-circuit.$form";
        $isJson = $form === 'json';
        $decoded = json_decode($stored->document, false, 64, JSON_THROW_ON_ERROR);
        $body = $isJson
            ? json_encode($decoded, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION) . "\n"
            : str_replace('<svg ', '<svg xmlns="http://www.w3.org/2000/svg" ', TerminalsPage::ladderOf($switch, $stored)->svg());

        return response($body, 200, [
            'Content-Type' => $isJson ? 'application/json' : 'image/svg+xml',
            'Content-Disposition' => "attachment; filename=\"$name\"",
        ]);
    }
}
