<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Devices that connect out and report by themselves, and what they said. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('fleet_feeds', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('switch_id')->constrained('switches')->cascadeOnDelete();
            $table->foreignId('user_id')->constrained();
            $table->string('name', 60);
            $table->char('token_hash', 64)->unique();
            $table->unsignedInteger('interval_s')->comment('how often it is to report');
            $table->dateTime('heard_at', 3)->nullable()->comment('when its newest line came, by our clock');
            $table->dateTime('said_at', 3)->nullable()->comment('when it was written, by the device\'s');
            $table->boolean('came_alone')->default(false)->comment('and not out of a store: only then do the clocks compare');
            $table->boolean('is_simulated')->default(false);
            $table->json('state')->nullable()->comment('of the newest line');
            $table->timestamp('ended_at')->nullable();
            $table->timestamp('created_at')->nullable();
        });
        Schema::create('fleet_lines', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('fleet_feed_id')->constrained()->cascadeOnDelete();
            $table->unsignedBigInteger('seq');
            $table->dateTime('at', 3);
            $table->json('state');
            $table->unique(['fleet_feed_id', 'seq']);
            $table->index(['fleet_feed_id', 'at']);
            $table->index('at');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('fleet_lines');
        Schema::dropIfExists('fleet_feeds');
    }
};
