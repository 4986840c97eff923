<?php

declare(strict_types=1);

use App\Models\LoadTest;
use Escapement\Core\Record\RecordChain;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** A load test keeps a chained record as a run does, marks of what happened, pictures of its readings and recordings of its steps. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('equipment', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->string('kind', 20)->comment('load_bank, meter, torque_tool, insulation_tester');
            $table->string('name', 80);
            $table->string('serial', 60)->nullable();
            $table->date('calibrated_until')->nullable();
            $table->json('elements_kw')->nullable()->comment('of a load bank, in the order of its switches');
            $table->decimal('rated_v', 7, 1)->nullable();
            $table->unsignedTinyInteger('phases')->nullable();
            $table->string('cable', 120)->nullable()->comment('the cable set that goes with it');
            $table->decimal('cable_a', 8, 1)->nullable();
            $table->string('fan_supply', 120)->nullable();
            $table->boolean('drops_itself')->default(false)->comment('drops by itself when the utility fails');
            $table->timestamp('retired_at')->nullable();
            $table->timestamps();
            $table->index(['company_id', 'kind']);
        });
        Schema::table('load_tests', static function (Blueprint $table): void {
            $table->char('head', 64)->default(RecordChain::GENESIS);
            $table->text('signed_drawing')->nullable();
            $table->foreignId('equipment_id')->nullable()->constrained('equipment');
            $table->string('people', 300)->nullable();
            $table->string('hours', 120)->nullable()->comment('when there may be load and noise');
            $table->string('noise', 300)->nullable();
            $table->string('edition', 120)->nullable()->comment('the edition that the company tests by');
            $table->decimal('top_pct', 6, 2)->default(0)->comment('the highest level that it asks for');
        });
        $this->fillLevels();
        Schema::table('load_readings', static function (Blueprint $table): void {
            $table->string('source', 10)->default('manual')->comment('manual, file, device');
        });
        Schema::create('load_marks', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('load_test_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->string('kind', 20);
            $table->timestamp('at', 3)->nullable();
            $table->decimal('level_pct', 6, 2)->nullable()->comment('of a step');
            $table->string('note', 300)->nullable();
            $table->string('struck_why', 300)->nullable();
            $table->timestamp('created_at')->nullable();
            $table->index(['load_test_id', 'at']);
        });
        Schema::table('record_entries', static function (Blueprint $table): void {
            $table->unsignedBigInteger('run_id')->nullable()->change();
            $table->foreignId('load_test_id')->nullable()->constrained();
            $table->unique(['load_test_id', 'seq']);
        });
        Schema::table('photos', static function (Blueprint $table): void {
            $table->foreignId('load_test_id')->nullable()->constrained();
            $table->uuid('reading_id')->nullable()->comment('that it is evidence of');
            $table->index(['load_test_id', 'reading_id']);
        });
        Schema::table('recordings', static function (Blueprint $table): void {
            $table->foreignId('load_test_id')->nullable()->constrained();
            $table->json('steps')->nullable()->comment('the answer of step_transients to this recording');
        });
    }

    private function fillLevels(): void
    {
        foreach (DB::table('load_tests')->get(['id', 'plan']) as $test) {
            $plan = json_decode((string) $test->plan, true, 64, JSON_THROW_ON_ERROR);
            DB::table('load_tests')->where('id', $test->id)->update(['top_pct' => LoadTest::topPct(is_array($plan) ? $plan : [])]);
        }
    }

    public function down(): void
    {
        Schema::table('recordings', static function (Blueprint $table): void {
            $table->dropConstrainedForeignId('load_test_id');
            $table->dropColumn('steps');
        });
        Schema::table('photos', static function (Blueprint $table): void {
            $table->dropForeign(['load_test_id']);
            $table->dropIndex(['load_test_id', 'reading_id']);
            $table->dropColumn(['load_test_id', 'reading_id']);
        });
        DB::table('record_entries')->whereNull('run_id')->delete();
        Schema::table('record_entries', static function (Blueprint $table): void {
            $table->dropForeign(['load_test_id']);
            $table->dropUnique(['load_test_id', 'seq']);
            $table->dropColumn('load_test_id');
            $table->unsignedBigInteger('run_id')->nullable(false)->change();
        });
        Schema::dropIfExists('load_marks');
        Schema::table('load_readings', static function (Blueprint $table): void {
            $table->dropColumn('source');
        });
        Schema::table('load_tests', static function (Blueprint $table): void {
            $table->dropConstrainedForeignId('equipment_id');
            $table->dropColumn(['head', 'signed_drawing', 'people', 'hours', 'noise', 'edition', 'top_pct']);
        });
        Schema::dropIfExists('equipment');
    }
};
