<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Load tests that were exported elsewhere are kept beside runs. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('imported_runs', static function (Blueprint $table): void {
            $table->string('kind', 10)->default('run')->after('user_id')->comment('run, load_test');
        });
    }

    public function down(): void
    {
        DB::table('imported_runs')->where('kind', 'load_test')->delete();
        Schema::table('imported_runs', static function (Blueprint $table): void {
            $table->dropColumn('kind');
        });
    }
};
