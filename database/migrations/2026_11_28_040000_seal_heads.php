<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** The head of a record is sealed with a key of the company that does not lie in the database. */
return new class extends Migration {
    private const TABLES = ['runs', 'load_tests', 'logbooks'];

    public function up(): void
    {
        foreach (self::TABLES as $table) {
            Schema::table($table, static function (Blueprint $table): void {
                $table->string('seal', 200)->nullable()->comment('key and signature of the head; null from before there were keys');
            });
        }
    }

    public function down(): void
    {
        foreach (self::TABLES as $table) {
            Schema::table($table, static function (Blueprint $table): void {
                $table->dropColumn('seal');
            });
        }
    }
};
