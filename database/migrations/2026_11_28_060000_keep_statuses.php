<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Where each switch stands, kept so that lists of a thousand sites are one query. Every change of a site leaves a row in status_changes, in
 * its own transaction: a status is never older than what has been committed without its site being known as changed.
 */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('switch_statuses', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('site_id')->constrained();
            $table->unsignedBigInteger('switch_id')->nullable()->comment('null: a site without a switch yet');
            $table->string('name', 200);
            $table->string('kind', 60);
            $table->unsignedTinyInteger('rank')->comment('0 stop, 1 warn, 2 note, 3 nothing needed');
            $table->string('claim', 300);
            $table->string('detail', 400);
            $table->string('path', 160);
            $table->json('stages');
            $table->date('proven_on')->nullable()->comment('anything of it, last');
            $table->string('proven_by', 200)->nullable();
            $table->boolean('is_proven')->default(false);
            $table->date('last_test_on')->nullable();
            $table->string('last_test_words', 160)->nullable();
            $table->date('next_test_on')->nullable()->comment('by the school of the site; null: never tested, or none asked');
            $table->string('next_test_words', 40)->nullable()->comment('what kind of run that is');
            $table->boolean('asks_tests')->default(false);
            $table->string('school', 20)->nullable();
            $table->json('ruler')->comment('days of tests and exercises');
            $table->json('storm')->nullable()->comment('a site of storm_readiness; null without a generator');
            $table->date('made_on');
            $table->index(['company_id', 'rank', 'name']);
            $table->index(['company_id', 'next_test_on']);
            $table->index(['company_id', 'name']);
            $table->index(['site_id', 'switch_id']);
        });
        Schema::create('status_changes', static function (Blueprint $table): void {
            $table->id();
            $table->unsignedBigInteger('company_id')->index();
            $table->unsignedBigInteger('site_id')->index();
        });
        DB::table('status_changes')->insertUsing(['company_id', 'site_id'], DB::table('sites')->select(['company_id', 'id']));
        Schema::table('users', static function (Blueprint $table): void {
            $table->json('board_views')->nullable()->comment('what of the board somebody looks at again, by name');
        });
        Schema::table('companies', static function (Blueprint $table): void {
            $table->unsignedTinyInteger('storm_from')->nullable()->comment('first month of the storm season');
            $table->unsignedTinyInteger('storm_to')->nullable()->comment('its last month');
        });
    }

    public function down(): void
    {
        Schema::table('companies', static function (Blueprint $table): void {
            $table->dropColumn(['storm_from', 'storm_to']);
        });
        Schema::table('users', static function (Blueprint $table): void {
            $table->dropColumn('board_views');
        });
        Schema::dropIfExists('status_changes');
        Schema::dropIfExists('switch_statuses');
    }
};
