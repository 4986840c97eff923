<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** The logbook of a switch, of which a line is never changed, only struck out; and what is known for its upkeep. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('upkeeps', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('switch_id')->unique()->constrained();
            $table->foreignId('user_id')->constrained();
            $table->date('installed_on')->nullable();
            $table->string('cooling', 6)->nullable()->comment('air or liquid');
            $table->string('school', 12)->default('quarterly')->comment('which rule asks for load tests');
            $table->unsignedTinyInteger('priority')->default(3)->comment('5 most urgent in a storm');
            $table->decimal('fuel_days', 6, 2)->nullable()->comment('at storm load');
            $table->date('battery_installed_on')->nullable();
            $table->string('selector', 6)->nullable()->comment('as it was seen last');
            $table->timestamps();
        });
        Schema::create('log_entries', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('switch_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->string('kind', 12);
            $table->timestamp('at', 3)->nullable();
            $table->json('fields')->comment('as an entry of logbook_summary, in its units');
            $table->string('note', 300)->nullable();
            $table->string('struck_why', 300)->nullable()->comment('why it does not count');
            $table->timestamp('created_at')->nullable();
            $table->index(['switch_id', 'at']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('log_entries');
        Schema::dropIfExists('upkeeps');
    }
};
