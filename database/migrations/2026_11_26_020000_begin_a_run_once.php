<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    /** A page that begins runs has a number of its own: pressed three times, it begins one. */
    public function up(): void
    {
        Schema::table('runs', static function (Blueprint $table): void {
            $table->uuid('press')->nullable()->unique();
        });
    }

    public function down(): void
    {
        Schema::table('runs', static fn(Blueprint $table) => $table->dropColumn('press'));
    }
};
