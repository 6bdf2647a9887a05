<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('part_files', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('work_id')->constrained()->cascadeOnDelete();
            $t->string('name');
            $t->string('sha', 40);
            $t->string('unit', 2);
            $t->boolean('repaired')->default(false);
            $t->jsonb('info');
            $t->timestamps();
        });
        Schema::table('hand_ins', function (Blueprint $t): void {
            $t->unsignedBigInteger('revision_id')->nullable()->change();
            $t->foreignId('file_id')->nullable()->constrained('part_files');
            $t->jsonb('findings')->default('[]');
            $t->jsonb('earlier')->default('[]');
            $t->timestamp('checked_at')->nullable();
        });
        Schema::table('assignments', function (Blueprint $t): void {
            $t->string('shows')->default('hints');
            $t->string('shown_when')->default('check');
        });
        Schema::table('exercises', function (Blueprint $t): void {
            $t->boolean('turned')->default(false);
            $t->string('printer')->default('classroom');
            $t->string('tolerance')->default('');
        });
    }

    public function down(): void
    {
        Schema::table('exercises', fn(Blueprint $t) => $t->dropColumn(['turned', 'printer', 'tolerance']));
        Schema::table('assignments', fn(Blueprint $t) => $t->dropColumn(['shows', 'shown_when']));
        Schema::table('hand_ins', fn(Blueprint $t) => $t->dropColumn(['file_id', 'findings', 'earlier', 'checked_at']));
        Schema::dropIfExists('part_files');
    }
};
