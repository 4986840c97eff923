<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Made-up installations that go on by themselves: one for a switch, with its ports and all that the daemon needs to begin it again. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('benches', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('switch_id')->unique()->constrained('switches');
            $table->foreignId('user_id')->constrained();
            $table->string('serial', 40)->unique();
            $table->unsignedSmallInteger('place')->unique()->comment('which pair of ports, from 0');
            $table->longText('kept')->comment('as App\Device\Installation writes it down');
            $table->timestamp('stood_at', 3)->nullable()->comment('when it was put up: another one is another bench');
            $table->timestamp('kept_at', 3)->nullable();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('benches');
    }
};
