<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('runs', static function (Blueprint $table): void {
            $table->json('options')->nullable()->comment('the schools chosen, as calc procedure takes them');
        });
        Schema::create('step_answers', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('run_id')->constrained();
            $table->unsignedInteger('seq')->comment('in which order the answers of a run came');
            $table->string('step', 120);
            $table->string('expectation', 1000)->comment('what it was given to');
            $table->json('given');
            $table->string('verdict', 12);
            $table->string('client_wall', 40)->nullable();
            $table->foreignId('user_id')->constrained();
            $table->timestamp('received_at', 3)->useCurrent();
            $table->unique(['run_id', 'seq']);
        });
    }
};
