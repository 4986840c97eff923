<?php

declare(strict_types=1);

use App\Stage\Commissioning\KeepParts;
use Illuminate\Database\Migrations\Migration;

/**
 * Reads what runs of an edition before the parts of a proof say to them; the verdicts stay as they were signed. It asks the application, as
 * it is today, and so stands behind all that changes tables.
 */
return new class extends Migration {
    public function up(): void
    {
        app(KeepParts::class)->ofSignedRuns();
    }

    public function down(): void {}
};
