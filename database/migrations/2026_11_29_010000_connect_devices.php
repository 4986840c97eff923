<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Meters and controllers of a company behind a gateway, by maps of their registers; and the networks where they may lie. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('companies', static function (Blueprint $table): void {
            $table->json('device_networks')->nullable()->comment('addresses that may be asked, as 10.20.0.0/16; null: this machine only');
        });
        Schema::create('device_profiles', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->string('name', 120);
            $table->json('profile')->comment('escapement/device-profile');
            $table->timestamp('created_at')->nullable();
            $table->unique(['company_id', 'name']);
        });
        Schema::create('devices', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('device_profile_id')->constrained();
            $table->foreignId('switch_id')->constrained('switches')->cascadeOnDelete();
            $table->foreignId('user_id')->constrained();
            $table->string('name', 60);
            $table->string('address', 45);
            $table->unsignedSmallInteger('port');
            $table->unsignedTinyInteger('unit');
            $table->timestamp('created_at')->nullable();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('devices');
        Schema::dropIfExists('device_profiles');
        Schema::table('companies', static function (Blueprint $table): void {
            $table->dropColumn('device_networks');
        });
    }
};
