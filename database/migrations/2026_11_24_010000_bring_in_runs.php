<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('imported_runs', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->string('site', 120);
            $table->string('verdict', 12)->nullable();
            $table->char('head', 64);
            $table->longText('document');
            $table->timestamp('created_at')->useCurrent();
            $table->unique(['company_id', 'head']);
        });
    }
};
