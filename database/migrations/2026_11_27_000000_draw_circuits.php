<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** The control circuit of a changeover panel, what each person is drawing at it, and circuits a company keeps as templates. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('circuits', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('switch_id')->unique()->constrained();
            $table->foreignId('user_id')->constrained();
            $table->json('document')->comment('as relay_check reads it');
            $table->json('supplies')->comment('as relay_play reads them: voltages, engines');
            $table->json('times')->comment('as relay_play reads them: measured or from the catalog');
            $table->string('stamp', 16)->comment('of the document: a proof is of exactly one');
            $table->string('proof_state', 10)->default('none')->comment('none, waiting, running, done, cancelled, failed');
            $table->unsignedSmallInteger('proof_done')->default(0);
            $table->unsignedSmallInteger('proof_of')->default(0);
            $table->string('proof_problem', 250)->nullable();
            $table->unsignedSmallInteger('stops')->nullable()->comment('of the proof of this document');
            $table->unsignedSmallInteger('warns')->nullable();
            $table->longText('proof')->nullable();
            $table->timestamps();
        });
        Schema::create('circuit_drafts', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('switch_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->json('history')->comment('the documents of the last edits, oldest first');
            $table->unsignedSmallInteger('place')->comment('which of them is shown: undo goes back, redo forward');
            $table->string('begun_from', 16)->comment('stamp of the circuit that it was begun from');
            $table->timestamps();
            $table->unique(['switch_id', 'user_id']);
        });
        Schema::create('circuit_templates', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->string('name', 80);
            $table->json('document');
            $table->json('supplies');
            $table->timestamps();
            $table->unique(['company_id', 'name']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('circuit_templates');
        Schema::dropIfExists('circuit_drafts');
        Schema::dropIfExists('circuits');
    }
};
