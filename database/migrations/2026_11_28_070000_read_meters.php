<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Readings of the panel meters of three-phase installations, and their capacitor bank. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('meter_readings', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('switch_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->timestamp('read_at')->useCurrent();
            foreach (['v_v', 'v_ll_v', 'pf', 'lead', 'kw', 'v_deg', 'i_deg'] as $list) {
                $table->json($list)->nullable()->comment('per phase; null: not read');
            }
            $table->json('a_a')->comment('per channel, as the meter shows it');
            foreach (['neutral_a', 'ct_primary_a', 'ct_secondary_a', 'meter_primary_a', 'meter_secondary_a'] as $figure) {
                $table->double($figure)->nullable();
            }
            $table->string('rotation', 3)->default('abc')->comment('the order of the phases that is wanted');
            $table->string('note', 300)->nullable();
            $table->index(['switch_id', 'read_at']);
        });
        Schema::create('capacitor_banks', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('switch_id')->unique()->constrained();
            $table->foreignId('user_id')->constrained();
            $table->double('kw')->comment('load to be corrected');
            $table->double('pf');
            $table->double('target_pf')->default(0.95);
            $table->double('v_ll_v');
            $table->double('rated_v')->nullable()->comment('of its capacitors; null: the line voltage');
            $table->double('fixed_kvar')->nullable();
            $table->boolean('fixed_switchable')->default(false);
            $table->json('steps_kvar');
            $table->double('discharge_s')->nullable();
            $table->double('reconnect_s')->nullable();
            $table->double('system_kva')->nullable()->comment('short-circuit power at the bus');
            $table->double('nonlinear_pct')->default(0);
            $table->boolean('detuned')->default(false);
            $table->double('generator_kw')->nullable()->comment('the lightest load that the generator will carry');
            $table->double('generator_pf')->nullable();
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('capacitor_banks');
        Schema::dropIfExists('meter_readings');
    }
};
