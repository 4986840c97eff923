<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * A proof knows the edition of the procedure that its run was begun under; all there are rest on the first. A database that is
 * made today has the column from the beginning: the parts are kept there before this comes.
 */
return new class extends Migration {
    public function up(): void
    {
        if (Schema::hasColumn('part_proofs', 'edition')) {
            return;
        }
        Schema::table('part_proofs', static function (Blueprint $table): void {
            $table->unsignedTinyInteger('edition')->default(1)->after('outcome');
        });
    }

    public function down(): void
    {
        // The column belongs to the table; it goes with it.
    }
};
