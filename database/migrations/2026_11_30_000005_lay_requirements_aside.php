<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // what was asked of places that the reference part does not have now: it is asked again when they come back
        Schema::table('exercises', static fn(Blueprint $t) => $t->json('aside')->default('[]'));
    }

    public function down(): void
    {
        Schema::table('exercises', static fn(Blueprint $t) => $t->dropColumn('aside'));
    }
};
