<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // what became of every edit that a window sent: a window is a line, its edits are numbered from 1 without gaps
        Schema::create('recipe_edits', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('recipe_id')->constrained()->cascadeOnDelete();
            $t->string('line', 32);
            $t->unsignedInteger('number');
            $t->unsignedInteger('version');
            $t->string('outcome', 12);
            $t->text('words')->default('');
            $t->timestamp('created_at');
            $t->unique(['recipe_id', 'line', 'number']);
            $t->index(['recipe_id', 'version']);
            $t->index('created_at');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('recipe_edits');
    }
};
