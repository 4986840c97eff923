<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('scenarios', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->string('name', 80);
            $table->string('teaches', 250)->nullable();
            $table->unsignedTinyInteger('phases');
            $table->double('nominal_v');
            $table->double('nominal_hz');
            $table->longText('events')->comment('as on the wire');
            $table->timestamps();
            $table->unique(['company_id', 'name']);
        });
        Schema::create('recordings', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->string('name', 80);
            $table->string('source', 250)->comment('which file it was read from, and how');
            $table->unsignedTinyInteger('phases');
            $table->double('nominal_v');
            $table->double('nominal_hz');
            $table->unsignedBigInteger('until_ms');
            $table->unsignedInteger('points');
            $table->binary('series')->comment('RMS steps, JSON, deflated');
            $table->timestamp('created_at', 3)->useCurrent();
        });
        Schema::create('column_maps', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->char('headings', 64)->comment('hash of the headings of a table');
            $table->json('columns');
            $table->timestamps();
            $table->unique(['company_id', 'headings']);
        });
        Schema::create('seasons', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('switch_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->string('title', 120);
            $table->longText('input')->comment('settings_compare, as on the wire');
            $table->string('state', 20)->comment('waiting, running, done, cancelled, failed');
            $table->unsignedInteger('played')->default(0);
            $table->longText('result')->nullable();
            $table->string('failure', 250)->nullable();
            $table->timestamps();
        });
        Schema::getConnection()->statement('ALTER TABLE recordings MODIFY series LONGBLOB NOT NULL');
    }
};
