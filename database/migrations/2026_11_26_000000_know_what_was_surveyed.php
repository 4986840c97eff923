<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** The device of the outage test is a device of the one-line and not a name alone. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('switches', static function (Blueprint $table): void {
            $table->string('test_device', 64)->nullable()->after('test_disconnect')->comment(
                'its reference on the one-line; the name and place stand in test_disconnect',
            );
        });
    }

    public function down(): void
    {
        Schema::table('switches', static function (Blueprint $table): void {
            $table->dropColumn('test_device');
        });
    }
};
