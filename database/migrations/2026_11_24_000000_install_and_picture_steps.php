<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('runs', static function (Blueprint $table): void {
            $table->json('work')->nullable()->comment('what site and plan gave to its procedure, as calc procedure takes it');
        });
        Schema::table('step_answers', static function (Blueprint $table): void {
            $table->text('expectation')->change();
        });
        Schema::table('photos', static function (Blueprint $table): void {
            $table->foreignId('run_id')->nullable()->constrained();
            $table->string('step', 120)->nullable()->comment('of the procedure that it is evidence for');
        });
    }
};
