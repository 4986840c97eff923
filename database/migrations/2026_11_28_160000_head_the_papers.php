<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What a company's papers carry further: its sign, and the code and edition that it works to where a plan does not say. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('company_logos', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->unique()->constrained()->cascadeOnDelete();
        });
        DB::statement("ALTER TABLE company_logos ADD `jpeg` MEDIUMBLOB NOT NULL COMMENT 'drawn anew from what was sent'");
        Schema::table('companies', static function (Blueprint $table): void {
            $table->string('code_edition', 120)->nullable()->comment('where the plan of a site does not say another');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('company_logos');
        Schema::table('companies', static fn(Blueprint $table) => $table->dropColumn('code_edition'));
    }
};
