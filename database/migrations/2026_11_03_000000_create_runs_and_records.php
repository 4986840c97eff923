<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('runs', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('switch_id')->constrained();
            $table->foreignId('sheet_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->unsignedInteger('reaction_ms')->default(500);
            $table->string('head', 64);
            $table->string('verdict', 12)->nullable()->comment('as signed');
            $table->string('signed_name', 120)->nullable();
            $table->text('signed_drawing')->nullable()->comment('path data of the drawn signature');
            $table->foreignId('signed_by')->nullable()->constrained('users');
            $table->timestamp('signed_at', 3)->nullable();
            $table->timestamp('created_at', 3)->useCurrent();
        });
        Schema::create('marks', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('run_id')->constrained();
            $table->string('event', 20);
            $table->unsignedBigInteger('at_ms')->comment('from the start of the run, by the device');
            $table->string('client_wall', 40)->nullable();
            $table->string('note', 500)->nullable();
            $table->string('late_reason', 200)->nullable();
            $table->boolean('is_undone')->default(false);
            $table->string('flag', 200)->nullable();
            $table->foreignId('user_id')->constrained();
            $table->timestamp('received_at', 3)->useCurrent();
            $table->index(['run_id', 'at_ms']);
        });
        Schema::create('record_entries', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('run_id')->constrained();
            $table->unsignedInteger('seq');
            $table->longText('entry')->comment('JSON as hashed, byte for byte');
            $table->char('hash', 64);
            $table->unique(['run_id', 'seq']);
        });
    }
};
