<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('library_parts', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('owner_id')->constrained('people')->cascadeOnDelete();
            // whose students see it too; nobody else without
            $t->foreignId('class_id')->nullable()->constrained('school_classes')->nullOnDelete();
            $t->string('name');
            $t->jsonb('tags')->default('[]');
            $t->unsignedInteger('version')->default(1);
            $t->timestamps();
            $t->unique(['owner_id', 'name']);
        });
        Schema::create('library_versions', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('part_id')->constrained('library_parts')->cascadeOnDelete();
            $t->unsignedInteger('number');
            $t->jsonb('document');
            $t->timestamp('created_at');
            $t->unique(['part_id', 'number']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('library_versions');
        Schema::dropIfExists('library_parts');
    }
};
