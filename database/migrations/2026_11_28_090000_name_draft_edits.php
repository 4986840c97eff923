<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** The edit of a circuit that a device made last, so that one sent twice over a bad network is made once. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('circuit_drafts', static function (Blueprint $table): void {
            $table->string('last_edit', 36)->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('circuit_drafts', static function (Blueprint $table): void {
            $table->dropColumn('last_edit');
        });
    }
};
