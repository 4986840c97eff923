<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Addresses of a company that hear of signed runs and stop findings, and what was sent to them. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('webhooks', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->string('url', 500);
            $table->json('events');
            $table->text('secret')->comment('encrypted; signs what is sent');
            $table->timestamp('created_at')->nullable();
        });
        Schema::create('webhook_calls', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('webhook_id')->constrained()->cascadeOnDelete();
            $table->string('event', 40);
            $table->text('body')->comment('JSON as it is signed and sent');
            $table->unsignedTinyInteger('tries')->default(0);
            $table->string('said', 200)->nullable()->comment('what came back last, or why nothing did');
            $table->timestamp('delivered_at')->nullable();
            $table->timestamp('given_up_at')->nullable();
            $table->timestamp('created_at')->nullable()->index();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('webhook_calls');
        Schema::dropIfExists('webhooks');
    }
};
