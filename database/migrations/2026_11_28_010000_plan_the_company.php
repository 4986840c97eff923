<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Who works when and where, who is away, what is to be visited, how it was planned, and calendars that others may read. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('sites', static function (Blueprint $table): void {
            $table->decimal('lat', 8, 5)->nullable();
            $table->decimal('lon', 8, 5)->nullable();
        });
        Schema::table('upkeeps', static function (Blueprint $table): void {
            $table->foreignId('attends_user_id')->nullable()->constrained('users')->comment('who has to be there when it runs');
            $table->string('noise_group', 40)->nullable()->comment('sets that share a street or a main');
            $table->string('sleep_from', 5)->nullable();
            $table->string('sleep_to', 5)->nullable();
            $table->string('business_from', 5)->nullable()->comment('working days, load moves then');
            $table->string('business_to', 5)->nullable();
        });
        Schema::create('work_profiles', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('user_id')->unique()->constrained();
            $table->decimal('lat', 8, 5);
            $table->decimal('lon', 8, 5);
            $table->json('days')->comment('weekdays, mon to sun');
            $table->string('from', 5);
            $table->string('to', 5);
            $table->json('skills');
            $table->timestamps();
        });
        Schema::create('absences', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('user_id')->nullable()->constrained()->comment('null: nobody of the company works');
            $table->date('from');
            $table->date('to');
            $table->string('words', 120);
            $table->string('uid', 190)->nullable()->comment('of the event in the calendar it was imported from');
            $table->timestamps();
            $table->index(['company_id', 'to']);
            $table->unique(['company_id', 'user_id', 'uid']);
        });
        Schema::create('visit_plans', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->date('start');
            $table->unsignedTinyInteger('days');
            $table->string('state', 12);
            $table->json('result')->nullable()->comment('the answer of visit_plan');
            $table->string('failure', 250)->nullable();
            $table->timestamps();
        });
        Schema::create('visits', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('switch_id')->constrained();
            $table->json('items')->comment('service items, or own words');
            $table->string('note', 300)->nullable();
            $table->unsignedSmallInteger('duration_min');
            $table->json('skills');
            $table->unsignedTinyInteger('priority')->default(3);
            $table->date('earliest')->nullable();
            $table->date('latest')->nullable();
            $table->date('due')->nullable();
            $table->string('from', 5)->default('00:00');
            $table->string('to', 5)->default('24:00');
            $table->foreignId('locked_user_id')->nullable()->constrained('users');
            $table->date('locked_on')->nullable();
            $table->foreignId('placed_user_id')->nullable()->constrained('users');
            $table->date('placed_on')->nullable();
            $table->unsignedSmallInteger('arrive_min')->nullable();
            $table->unsignedSmallInteger('begin_min')->nullable();
            $table->unsignedSmallInteger('end_min')->nullable();
            $table->string('unplaced_why', 20)->nullable();
            $table->unsignedInteger('sequence')->default(0)->comment('of its appointment');
            $table->timestamp('done_at')->nullable();
            $table->foreignId('done_by')->nullable()->constrained('users');
            $table->timestamps();
            $table->index(['company_id', 'done_at', 'placed_on']);
        });
        Schema::create('feeds', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->string('scope', 10)->comment('company, site, person');
            $table->foreignId('site_id')->nullable()->constrained();
            $table->foreignId('person_id')->nullable()->constrained('users');
            $table->char('token_hash', 64)->unique();
            $table->timestamp('revoked_at')->nullable();
            $table->timestamps();
        });
    }

    public function down(): void
    {
        foreach (['feeds', 'visits', 'visit_plans', 'absences', 'work_profiles'] as $table) {
            Schema::dropIfExists($table);
        }
        Schema::table('upkeeps', static function (Blueprint $table): void {
            $table->dropConstrainedForeignId('attends_user_id');
            $table->dropColumn(['noise_group', 'sleep_from', 'sleep_to', 'business_from', 'business_to']);
        });
        Schema::table('sites', static function (Blueprint $table): void {
            $table->dropColumn(['lat', 'lon']);
        });
    }
};
