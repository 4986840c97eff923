<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Intervals of service that a company or a site has instead of the generic ones. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('service_intervals', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('switch_id')->nullable()->constrained()->comment('null: of the whole company');
            $table->foreignId('user_id')->constrained();
            $table->string('item', 64);
            $table->double('hours')->nullable();
            $table->unsignedSmallInteger('months')->nullable();
            $table->boolean('is_off')->default(false);
            $table->timestamps();
            $table->index(['company_id', 'switch_id', 'item']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('service_intervals');
    }
};
