<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What stands around a three-phase board, its outgoing ways, and where the neutrals of its sources meet the earth. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('distributions', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('switch_id')->unique()->constrained();
            $table->foreignId('user_id')->constrained();
            foreach (['v_ll_v' => 7, 'transformer_kva' => 9, 'generator_kva' => 9] as $column => $digits) {
                $table->decimal($column, $digits, 2)->nullable();
            }
            $table->decimal('z_pct', 6, 3)->nullable();
            $table->decimal('fault_ka', 8, 3)->nullable();
            foreach (['changeover_a', 'utility_breaker_a', 'generator_breaker_a', 'busbar_a', 'neutral_rated_a', 'neutral_a'] as $column) {
                $table->decimal($column, 9, 2)->nullable();
            }
            $table->decimal('withstand_ka', 8, 3)->nullable();
            $table->decimal('busbar_icw_ka', 8, 3)->nullable();
            $table->string('diversity', 12)->default('none');
            $table->unsignedTinyInteger('poles')->nullable()->comment('3 or 4: whether the changeover switches the neutral');
            $table->string('wording', 12)->nullable()->comment('earthing system, as neutral_earth words it');
            foreach (['first_earthed', 'second_earthed', 'panel_bond', 'neutrals_swapped'] as $column) {
                $table->boolean($column)->nullable()->comment('null: nobody has looked');
            }
            $table->string('neutral_sequence', 12)->default('overlapping');
            $table->timestamps();
        });
        Schema::create('ways', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('switch_id')->constrained();
            $table->unsignedSmallInteger('place');
            $table->string('name', 40);
            $table->string('connects', 4)->comment('L1 … L3L1, or 3P');
            $table->decimal('load_a', 8, 2);
            $table->decimal('pf', 4, 3)->default(0.9);
            $table->decimal('breaker_a', 8, 2)->nullable();
            $table->decimal('breaking_ka', 8, 3);
            $table->decimal('length_m', 8, 3);
            $table->string('material', 2)->default('cu');
            $table->string('size', 8)->nullable();
            $table->decimal('rcd_ma', 8, 2)->nullable();
            foreach (['final', 'shed', 'locked'] as $column) {
                $table->boolean($column)->default(false);
            }
            $table->timestamps();
            $table->unique(['switch_id', 'name']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('ways');
        Schema::dropIfExists('distributions');
    }
};
