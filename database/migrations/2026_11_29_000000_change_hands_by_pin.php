<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** PINs by which people of one company hand a phone to each other; each is good on the device where it was set. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('device_pins', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->char('device_hash', 64)->comment('of the random cookie of the device');
            $table->string('pin', 100)->comment('hashed');
            $table->unsignedTinyInteger('wrong')->default(0)->comment('wrong ones in a row');
            $table->timestamp('used_at')->nullable();
            $table->timestamp('created_at')->nullable();
            $table->unique(['device_hash', 'user_id']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('device_pins');
    }
};
