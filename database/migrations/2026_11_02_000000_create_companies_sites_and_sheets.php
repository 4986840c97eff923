<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('companies', static function (Blueprint $table): void {
            $table->id();
            $table->string('name', 120);
            $table->timestamps();
        });
        Schema::create('users', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->string('name', 120);
            $table->string('email', 190)->unique();
            $table->string('password');
            $table->string('role', 20);
            $table->rememberToken();
            $table->timestamps();
        });
        Schema::create('sites', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->string('name', 120);
            $table->string('address', 250)->nullable();
            $table->string('timezone', 64);
            $table->string('units', 10);
            $table->string('installation', 4);
            $table->unsignedInteger('service_a')->nullable();
            $table->decimal('altitude_m', 7, 1)->nullable();
            $table->string('owner', 120)->nullable();
            $table->text('notes')->nullable();
            $table->timestamps();
            $table->index(['company_id', 'name']);
        });
        Schema::create('switches', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('site_id')->constrained();
            $table->string('name', 60);
            $table->string('application', 30);
            $table->unsignedInteger('rating_a')->nullable();
            $table->unsignedTinyInteger('poles')->nullable();
            $table->boolean('service_rated')->default(false);
            $table->string('test_disconnect', 60)->nullable()->comment('upstream of the sensing point');
            $table->string('fuel', 20)->nullable();
            $table->json('rated_kw')->comment('kW by fuel');
            $table->decimal('largest_motor_hp', 8, 2)->default(0);
            $table->boolean('has_compressor')->default(false);
            $table->json('plant')->comment('system of the timing rules');
            $table->timestamps();
        });
        Schema::create('loads', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('switch_id')->constrained();
            $table->unsignedSmallInteger('place');
            $table->string('name', 64);
            $table->decimal('kw', 10, 3);
            $table->unsignedTinyInteger('priority');
            $table->boolean('must_run')->default(false);
            $table->boolean('shed')->default(false);
            $table->unique(['switch_id', 'name']);
        });
        Schema::create('sheets', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('switch_id')->constrained();
            $table->unsignedInteger('version');
            $table->string('standing', 20)->comment('as_found, proposed, as_left');
            $table->json('settings');
            $table->json('habits')->comment('exercise and quiet hours as agreed on site');
            $table->string('note', 500)->nullable();
            $table->foreignId('user_id')->constrained();
            $table->timestamp('created_at', 3)->useCurrent();
            $table->unique(['switch_id', 'version']);
        });
    }
};
