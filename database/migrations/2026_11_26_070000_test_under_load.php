<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Load tests as planned, with their readings; a reading is never changed, only struck out. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('load_tests', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('switch_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->string('profile', 30);
            $table->json('plan')->comment('the input of load_test_plan');
            $table->timestamp('planned_for')->nullable();
            $table->timestamp('closed_at')->nullable();
            $table->string('closed_by', 120)->nullable();
            $table->string('verdict', 12)->nullable()->comment('as it was when it was closed');
            $table->json('result')->nullable()->comment('the answer of load_test_evaluate when it was closed');
            $table->timestamps();
            $table->index(['switch_id', 'closed_at']);
        });
        Schema::create('load_readings', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('load_test_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->timestamp('taken_at', 3)->nullable();
            $table->json('v_v');
            $table->json('a_a');
            $table->decimal('hz', 7, 3);
            $table->decimal('kw', 12, 3)->nullable();
            $table->decimal('oil_kpa', 8, 1)->nullable();
            $table->decimal('coolant_c', 6, 1)->nullable();
            $table->decimal('exhaust_c', 7, 1)->nullable();
            $table->decimal('battery_v', 6, 2)->nullable();
            $table->string('note', 300)->nullable();
            $table->string('struck_why', 300)->nullable()->comment('why it does not count');
            $table->timestamp('created_at')->nullable();
            $table->index(['load_test_id', 'taken_at']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('load_readings');
        Schema::dropIfExists('load_tests');
    }
};
