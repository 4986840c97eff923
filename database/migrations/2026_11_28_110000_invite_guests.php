<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A technician from elsewhere, for named sites and until a day. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('users', static function (Blueprint $table): void {
            $table->date('guest_until')->nullable();
        });
        Schema::create('guest_sites', static function (Blueprint $table): void {
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->foreignId('site_id')->constrained()->cascadeOnDelete();
            $table->primary(['user_id', 'site_id']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('guest_sites');
        Schema::table('users', static function (Blueprint $table): void {
            $table->dropColumn('guest_until');
        });
    }
};
