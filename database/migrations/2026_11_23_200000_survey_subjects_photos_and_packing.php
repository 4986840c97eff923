<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('switches', static function (Blueprint $table): void {
            $table->json('survey')->nullable()->comment('answers by question, lengths in metres');
        });
        Schema::table('loads', static function (Blueprint $table): void {
            $table->decimal('duty_pct', 5, 2)->default(100)->comment('share of the time it runs');
            $table->boolean('sensitive')->default(false)->comment('electronics that sulk when power blinks');
            $table->boolean('ups')->default(false);
            $table->string('panel', 20)->nullable()->comment('element of the one-line it hangs on; null: where its kind puts it');
        });
        Schema::create('typical_loads', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->unsignedSmallInteger('place');
            $table->json('line')->comment('a load without its place on a site');
        });
        Schema::create('photos', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('switch_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->string('subject', 20);
            $table->string('moment', 10)->comment('before, during, after');
            $table->string('caption', 200)->nullable();
            $table->string('taken_at', 30)->nullable()->comment('as the camera said; where it was taken is never kept');
            $table->unsignedSmallInteger('width');
            $table->unsignedSmallInteger('height');
            $table->char('sha256', 64)->comment('of the file as it was sent');
            $table->timestamp('created_at', 3)->useCurrent();
            $table->index(['switch_id', 'created_at']);
        });
        Schema::create('photo_files', static function (Blueprint $table): void { // apart, so that lists of photos stay light
            $table->uuid('photo_id')->primary();
            $table->foreign('photo_id')->references('id')->on('photos')->cascadeOnDelete();
            $table->binary('small');
        });
        DB::statement('ALTER TABLE photo_files ADD `full` MEDIUMBLOB NOT NULL');
        Schema::table('plans', static function (Blueprint $table): void {
            $table->json('landing')->nullable()->comment('enclosures with their terminals in the order of landing, and boxes');
            $table->json('mobile')->nullable()->comment('inverter, batteries, cords as typed, lengths in metres');
            $table->json('pack')->nullable()->comment('own lines and what is ticked off');
        });
        Schema::table('runs', static function (Blueprint $table): void {
            $table->json('surveyed')->nullable()->comment('the facts of the survey that the run was begun with');
        });
    }
};
