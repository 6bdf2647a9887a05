<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // what was set for a class and taken back: nobody works at it, and nothing that was made for it is lost
        Schema::table('assignments', static fn(Blueprint $t) => $t->timestamp('taken_back_at')->nullable());
    }

    public function down(): void
    {
        Schema::table('assignments', static fn(Blueprint $t) => $t->dropColumn('taken_back_at'));
    }
};
