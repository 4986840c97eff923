<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** A logbook keeps a chained record of its own; an entry says whether a person of the company, the owner or a device wrote it. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('logbooks', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('switch_id')->unique()->constrained();
            $table->char('head', 64);
        });
        Schema::table('record_entries', static function (Blueprint $table): void {
            $table->foreignId('logbook_id')->nullable()->constrained();
            $table->unique(['logbook_id', 'seq']);
        });
        Schema::table('log_entries', static function (Blueprint $table): void {
            $table->string('source', 10)->default('person')->comment('person, owner, device');
            $table->timestamp('seen_at')->nullable()->comment('when somebody of the company has read what the owner wrote');
        });
    }

    public function down(): void
    {
        Schema::table('log_entries', static function (Blueprint $table): void {
            $table->dropColumn(['source', 'seen_at']);
        });
        DB::table('record_entries')->whereNotNull('logbook_id')->delete();
        Schema::table('record_entries', static function (Blueprint $table): void {
            $table->dropForeign(['logbook_id']);
            $table->dropUnique(['logbook_id', 'seq']);
            $table->dropColumn('logbook_id');
        });
        Schema::dropIfExists('logbooks');
    }
};
