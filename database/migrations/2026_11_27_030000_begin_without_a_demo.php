<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** One-time links: to begin, to join a company, to choose another password. And which companies are made up. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('invitations', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->nullable()->constrained()->comment('null: the link makes the company');
            $table->foreignId('user_id')->nullable()->constrained()->comment('who chooses another password; null: somebody new');
            $table->foreignId('made_by')->nullable()->constrained('users');
            $table->string('name', 120)->nullable();
            $table->string('email', 190)->nullable();
            $table->string('role', 12);
            $table->string('token_hash', 64)->unique();
            $table->timestamp('expires_at')->nullable();
            $table->timestamp('used_at')->nullable();
            $table->timestamp('created_at')->nullable();
        });
        Schema::table('companies', static function (Blueprint $table): void {
            $table->boolean('is_demo')->default(false);
        });
    }

    public function down(): void
    {
        Schema::table('companies', static function (Blueprint $table): void {
            $table->dropColumn('is_demo');
        });
        Schema::dropIfExists('invitations');
    }
};
