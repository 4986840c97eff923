<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What each signed run says to the parts of a proof; `prove_signed_runs` reads those of before. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('part_proofs', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('switch_id')->constrained();
            $table->foreignId('run_id')->constrained();
            $table->string('part', 20);
            $table->string('outcome', 10)->comment('proved, noted, failed, open');
            $table->unsignedTinyInteger('edition')->default(1)->comment('of the procedure');
            $table->json('why')->comment('what failed or is missing, in sentences');
            $table->json('basis')->comment('facts that the part rests on, as they were, by key');
            $table->string('by_name', 120)->comment('as signed');
            $table->timestamp('proved_at', 3);
            $table->unique(['run_id', 'part']);
            $table->index(['switch_id', 'proved_at']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('part_proofs');
    }
};
