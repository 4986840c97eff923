<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A run proves, or serves; a line of the logbook has its pictures. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('runs', static function (Blueprint $table): void {
            $table->string('purpose', 10)->default('proof');
            $table->index(['switch_id', 'purpose']);
        });
        Schema::table('photos', static function (Blueprint $table): void {
            $table->uuid('log_entry_id')->nullable()->index();
        });
    }

    public function down(): void
    {
        Schema::table('photos', static function (Blueprint $table): void {
            $table->dropIndex(['log_entry_id']);
            $table->dropColumn('log_entry_id');
        });
        Schema::table('runs', static function (Blueprint $table): void {
            $table->index('switch_id');
            $table->dropIndex(['switch_id', 'purpose']);
            $table->dropColumn('purpose');
        });
    }
};
