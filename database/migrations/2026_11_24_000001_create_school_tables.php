<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('schools', function (Blueprint $t): void {
            $t->id();
            $t->string('name');
            $t->timestamps();
        });
        Schema::create('school_classes', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('school_id')->constrained()->cascadeOnDelete();
            $t->string('name');
            $t->string('code')->unique();
            $t->timestamps();
        });
        Schema::create('people', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('school_id')->constrained()->cascadeOnDelete();
            $t->string('role');
            $t->string('name');
            $t->string('email')->nullable()->unique();
            $t->foreignId('class_id')->nullable()->constrained('school_classes')->cascadeOnDelete();
            $t->unsignedSmallInteger('bench')->nullable();
            $t->string('password');
            $t->rememberToken();
            $t->timestamps();
            $t->unique(['class_id', 'name']);
        });
        Schema::create('class_teacher', function (Blueprint $t): void {
            $t->foreignId('class_id')->constrained('school_classes')->cascadeOnDelete();
            $t->foreignId('teacher_id')->constrained('people')->cascadeOnDelete();
            $t->primary(['class_id', 'teacher_id']);
        });
        Schema::create('recipes', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('owner_id')->constrained('people')->cascadeOnDelete();
            $t->unsignedInteger('current')->default(0);
            $t->unsignedInteger('version')->default(0);
            $t->timestamps();
        });
        Schema::create('revisions', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('recipe_id')->constrained()->cascadeOnDelete();
            $t->unsignedInteger('number');
            $t->unsignedInteger('parent')->nullable();
            $t->jsonb('document');
            $t->timestamp('created_at');
            $t->unique(['recipe_id', 'number']);
        });
        Schema::create('exercises', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('teacher_id')->constrained('people')->cascadeOnDelete();
            $t->foreignId('reference_id')->constrained('recipes');
            $t->string('title');
            $t->text('brief');
            $t->string('unit');
            $t->jsonb('requirements');
            $t->timestamps();
        });
        Schema::create('assignments', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('exercise_id')->constrained()->cascadeOnDelete();
            $t->foreignId('class_id')->constrained('school_classes')->cascadeOnDelete();
            $t->date('due_on');
            $t->unsignedSmallInteger('checks_allowed')->nullable();
            $t->timestamps();
            $t->unique(['exercise_id', 'class_id']);
        });
        Schema::create('works', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('assignment_id')->constrained()->cascadeOnDelete();
            $t->foreignId('student_id')->constrained('people')->cascadeOnDelete();
            $t->foreignId('recipe_id')->constrained();
            $t->unsignedInteger('checks_used')->default(0);
            $t->jsonb('last_check')->nullable();
            $t->timestamps();
            $t->unique(['assignment_id', 'student_id']);
        });
        Schema::create('hand_ins', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('work_id')->constrained()->cascadeOnDelete();
            $t->foreignId('revision_id')->constrained();
            $t->unsignedSmallInteger('attempt');
            $t->string('state');
            $t->jsonb('report');
            $t->jsonb('overrules')->default('{}');
            $t->text('comment')->default('');
            $t->timestamp('decided_at')->nullable();
            $t->timestamps();
            $t->unique(['work_id', 'attempt']);
        });
        Schema::create('sessions', function (Blueprint $t): void {
            $t->string('id')->primary();
            $t->foreignId('user_id')->nullable()->index();
            $t->string('ip_address', 45)->nullable();
            $t->text('user_agent')->nullable();
            $t->longText('payload');
            $t->integer('last_activity')->index();
        });
        Schema::create('cache', function (Blueprint $t): void {
            $t->string('key')->primary();
            $t->mediumText('value');
            $t->integer('expiration');
        });
        Schema::create('cache_locks', function (Blueprint $t): void {
            $t->string('key')->primary();
            $t->string('owner');
            $t->integer('expiration');
        });
        Schema::create('jobs', function (Blueprint $t): void {
            $t->id();
            $t->string('queue')->index();
            $t->longText('payload');
            $t->unsignedTinyInteger('attempts');
            $t->unsignedInteger('reserved_at')->nullable();
            $t->unsignedInteger('available_at');
            $t->unsignedInteger('created_at');
        });
        Schema::create('failed_jobs', function (Blueprint $t): void {
            $t->id();
            $t->string('uuid')->unique();
            $t->text('connection');
            $t->text('queue');
            $t->longText('payload');
            $t->longText('exception');
            $t->timestamp('failed_at')->useCurrent();
        });
    }

    public function down(): void
    {
        foreach (
            [
                'failed_jobs',
                'jobs',
                'cache_locks',
                'cache',
                'sessions',
                'hand_ins',
                'works',
                'assignments',
                'exercises',
                'revisions',
                'recipes',
                'class_teacher',
                'people',
                'school_classes',
                'schools',
            ]
            as $t
        ) {
            Schema::dropIfExists($t);
        }
    }
};
