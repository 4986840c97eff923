<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    private const COLUMNS = ['telephone' => 40, 'address' => 200, 'licence' => 120];

    /** What stands at the head of a report, and whom an owner calls. */
    public function up(): void
    {
        Schema::table('companies', static function (Blueprint $table): void {
            foreach (self::COLUMNS as $name => $length) {
                $table->string($name, $length)->nullable();
            }
        });
    }

    public function down(): void
    {
        Schema::table('companies', static fn(Blueprint $table) => $table->dropColumn(array_keys(self::COLUMNS)));
    }
};
