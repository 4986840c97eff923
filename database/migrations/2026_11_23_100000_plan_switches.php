<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('loads', static function (Blueprint $table): void {
            $table->string('connect', 4)->nullable()->comment('L1, L2, L1L2 …; null: the usual one of the system');
            $table->decimal('start_kva', 8, 2)->default(0);
            $table->boolean('compressor')->default(false);
            $table->boolean('essential')->default(false);
        });
        Schema::create('plans', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('switch_id')->unique()->constrained();
            $table->foreignId('user_id')->constrained();
            $table->json('facts')->comment('what the drawing needs beside the survey');
            $table->json('runs')->nullable()->comment('feeders as typed, lengths in metres');
            $table->json('power_down')->nullable()->comment('the day, as its calculation takes it, and when the supply opens');
            $table->string('choice', 20)->nullable()->comment('whole, managed, essential');
            $table->string('choice_reason', 300)->nullable();
            $table->timestamps();
        });
    }
};
