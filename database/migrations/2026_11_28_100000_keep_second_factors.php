<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** The second factor of a person: the shared secret, encrypted, the step that was used last, and hashes of the recovery codes left. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('users', static function (Blueprint $table): void {
            $table->text('totp_secret')->nullable();
            $table->unsignedBigInteger('totp_step')->nullable();
            $table->json('recovery_codes')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('users', static function (Blueprint $table): void {
            $table->dropColumn(['totp_secret', 'totp_step', 'recovery_codes']);
        });
    }
};
