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
        Schema::table('log_entries', static function (Blueprint $table): void {
            $table->string('shown', 700)->collation('utf8mb4_bin')->nullable()->comment('in small letters, for the search');
            $table->string('shown_as', 80)->nullable()->comment('clock and units of these words');
            $table->index(['switch_id', 'kind', 'at']);
            $table->index(['switch_id', 'shown_as']);
            $table->index(['switch_id', 'at', 'kind', 'user_id', 'shown'], 'log_entries_search'); // a search reads this and no row
        });
    }

    public function down(): void
    {
        Schema::table('log_entries', static function (Blueprint $table): void {
            $table->dropIndex('log_entries_search');
            $table->dropIndex(['switch_id', 'shown_as']);
            $table->dropIndex(['switch_id', 'kind', 'at']);
            $table->dropColumn(['shown', 'shown_as']);
        });
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
