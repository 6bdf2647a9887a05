<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('schools', static function (Blueprint $t): void {
            $t->string('language', 8)->default('en');
            $t->string('time_zone', 60)->nullable();
            // months after which archived classes and what belongs to them go; null: nothing goes by itself
            $t->unsignedSmallInteger('keep_months')->nullable();
        });
        Schema::table('people', static function (Blueprint $t): void {
            $t->boolean('administers')->default(false);
            // of the school's own register, for lists that are brought again
            $t->string('identifier', 80)->nullable();
            // readable until it was used once or exchanged, for the card; kept encrypted
            $t->text('first_pin')->nullable();
            $t->timestamp('last_seen_at')->nullable();
            // the secret part of the address of one's own calendar
            $t->string('calendar', 40)->nullable()->unique();
            // pupils sign in by their codes; two of one name may be in a class
            $t->dropUnique(['class_id', 'name']);
        });
        // whoever was there first looks after the school
        foreach (DB::table('schools')->pluck('id') as $school) {
            $first = DB::table('people')->where('school_id', $school)->where('role', 'teacher')->min('id');
            DB::table('people')
                ->where('id', $first)
                ->update(['administers' => true]);
        }
        Schema::table('school_classes', static function (Blueprint $t): void {
            $t->timestamp('archived_at')->nullable();
            $t->jsonb('marking')->nullable();
            $t->boolean('shows_marks')->default(false);
        });
        Schema::table('exercises', static function (Blueprint $t): void {
            $t->timestamp('archived_at')->nullable();
        });
        Schema::table('assignments', static function (Blueprint $t): void {
            $t->decimal('weight', 5, 2)->default(1);
        });
        Schema::table('works', static function (Blueprint $t): void {
            // codes of the likeliest slips of the last checks
            $t->jsonb('recent_slips')->default('[]');
        });
        Schema::create('invitations', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('school_id')->constrained()->cascadeOnDelete();
            $t->foreignId('invited_by')->nullable()->constrained('people')->nullOnDelete();
            $t->string('name', 60);
            $t->string('email', 200);
            $t->boolean('administers')->default(false);
            $t->jsonb('classes')->default('[]');
            // only its hash: whoever reads the table cannot use it
            $t->string('token', 64)->unique();
            $t->timestamp('ends_at');
            $t->timestamp('used_at')->nullable();
            $t->timestamps();
        });
        Schema::create('happenings', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('school_id')->constrained()->cascadeOnDelete();
            $t->foreignId('class_id')->nullable()->constrained('school_classes')->cascadeOnDelete();
            $t->foreignId('by_id')->nullable()->constrained('people')->nullOnDelete();
            // a code, and the values its words take
            $t->string('what', 40);
            $t->jsonb('details')->default('{}');
            $t->timestamp('created_at');
            $t->index(['class_id', 'created_at']);
        });
        Schema::create('mark_notes', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('class_id')->constrained('school_classes')->cascadeOnDelete();
            $t->foreignId('student_id')->constrained('people')->cascadeOnDelete();
            $t->foreignId('assignment_id')->nullable()->constrained()->cascadeOnDelete();
            $t->foreignId('by_id')->nullable()->constrained('people')->nullOnDelete();
            $t->text('text');
            $t->timestamps();
            $t->unique(['student_id', 'assignment_id', 'class_id']);
        });
    }

    public function down(): void
    {
        foreach (['mark_notes', 'happenings', 'invitations'] as $table) {
            Schema::dropIfExists($table);
        }
        Schema::table('works', static fn(Blueprint $t) => $t->dropColumn('recent_slips'));
        Schema::table('exercises', static fn(Blueprint $t) => $t->dropColumn('archived_at'));
        Schema::table('assignments', static fn(Blueprint $t) => $t->dropColumn('weight'));
        Schema::table('school_classes', static fn(Blueprint $t) => $t->dropColumn(['archived_at', 'marking', 'shows_marks']));
        Schema::table(
            'people',
            static fn(Blueprint $t) => $t->dropColumn(['administers', 'identifier', 'first_pin', 'last_seen_at', 'calendar']),
        );
        Schema::table('schools', static fn(Blueprint $t) => $t->dropColumn(['language', 'time_zone', 'keep_months']));
    }
};
