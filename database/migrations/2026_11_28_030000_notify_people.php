<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Notices: each one once to each person, at once or with the mail of the day. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('users', static function (Blueprint $table): void {
            $table->string('notify', 8)->default('never')->comment('never, daily, at_once: how notices are mailed');
        });
        Schema::create('notices', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->foreignId('switch_id')->nullable()->constrained();
            $table->string('kind', 20);
            $table->char('about', 64)->comment('hash of what it is about: nobody gets it twice');
            $table->string('claim', 200);
            $table->string('detail', 400);
            $table->timestamp('sent_at')->nullable();
            $table->unsignedTinyInteger('tries')->default(0);
            $table->string('failure', 250)->nullable();
            $table->timestamps();
            $table->unique(['user_id', 'about']);
            $table->index(['sent_at', 'tries']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('notices');
        Schema::table('users', static function (Blueprint $table): void {
            $table->dropColumn('notify');
        });
    }
};
