<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A closed load test is a part of the proof: what it rests on is kept with it. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('load_tests', static function (Blueprint $table): void {
            $table->json('basis')->nullable()->comment('facts as they were when it was closed, by key of core/data/proof_facts.php');
        });
    }

    public function down(): void
    {
        Schema::table('load_tests', static function (Blueprint $table): void {
            $table->dropColumn('basis');
        });
    }
};
