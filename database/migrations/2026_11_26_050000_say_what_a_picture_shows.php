<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A picture may be the evidence of one answer of the survey, or show a nameplate. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('photos', static function (Blueprint $table): void {
            $table->string('shows', 40)->nullable()->after('moment');
        });
    }

    public function down(): void
    {
        Schema::table('photos', static function (Blueprint $table): void {
            $table->dropColumn('shows');
        });
    }
};
