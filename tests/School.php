<?php

declare(strict_types=1);

namespace Tests;

use App\Models\Assignment;
use App\Models\Exercise;
use App\Models\HandIn;
use App\Models\Person;
use App\Models\School as SchoolModel;
use App\Models\SchoolClass;
use App\Models\Work;
use App\Support\RecipeBook;
use App\Support\Workbench;
use Cubo\Check\Exercise as Sheet;
use Cubo\Check\Proposer;
use Cubo\Check\Requirement;
use Cubo\Measure\PartMeasures;
use Cubo\Quantity\Unit;
use Cubo\Recipe\Recipe as Document;

/** A small school for feature tests. */
final class School
{
    public readonly Person $teacher;

    public readonly Person $otherTeacher;

    public readonly SchoolClass $class;

    public readonly SchoolClass $otherClass;

    public readonly Person $student;

    public readonly Person $classmate;

    public readonly Person $stranger;

    public function __construct()
    {
        $school = SchoolModel::create(['name' => 'Test school']);
        $this->class = SchoolClass::create(['school_id' => $school->id, 'name' => '7a', 'code' => 'LARK7']);
        $this->otherClass = SchoolClass::create(['school_id' => $school->id, 'name' => '8b', 'code' => 'WREN8']);
        $person = fn(string $role, string $name, ?SchoolClass $c, string $secret): Person => Person::create([
            'school_id' => $school->id,
            'role' => $role,
            'name' => $name,
            'email' => $c === null ? strtolower($name) . '@test.example' : null,
            'class_id' => $c?->id,
            'bench' => $c === null ? null : 1,
            'code' => $c === null ? null : strtoupper(substr($name, 0, 3)) . '22',
            'password' => $secret,
        ])->refresh();
        $this->teacher = $person('teacher', 'Ines', null, 'long-password');
        $this->otherTeacher = $person('teacher', 'Tom', null, 'other-password');
        $this->class->teachers()->attach($this->teacher);
        $this->otherClass->teachers()->attach($this->otherTeacher);
        $this->student = $person('student', 'Ada', $this->class, '1234');
        $this->classmate = $person('student', 'Bruno', $this->class, '2345');
        $this->stranger = $person('student', 'Mira', $this->otherClass, '3456');
    }

    /** @param list<array<string, mixed>> $steps */
    public static function document(array $steps, string $unit = 'mm'): Document
    {
        return Parts::recipe($steps, $unit);
    }

    /** An exercise with a drilled plate of 60 x 40 x 12 as its reference part and all its sizes asked. */
    public function exercise(?Person $teacher = null, ?array $steps = null): Exercise
    {
        $document = self::document(
            $steps ?? [
                ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '12'],
                ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '8', 'length' => '30', 'z' => '-5', 'effect' => 'cut'],
            ],
        );
        $teacher ??= $this->teacher;
        $part = app(Workbench::class)->evaluate($document)->part();
        $rows = $part->isEmpty()
            ? []
            : array_map(
                static fn(Requirement $r): array => $r->toArray(),
                Sheet::lettered(Proposer::propose(new PartMeasures($part), Unit::Millimetre)),
            );

        return Exercise::create([
            'teacher_id' => $teacher->id,
            'reference_id' => app(RecipeBook::class)->begin($teacher, $document)->id,
            'title' => 'Drilled plate',
            'brief' => 'For the bed.',
            'unit' => 'mm',
            'requirements' => $rows,
        ]);
    }

    public function assignment(?Exercise $exercise = null, ?SchoolClass $class = null, ?int $checks = null): Assignment
    {
        return Assignment::create([
            'exercise_id' => ($exercise ?? $this->exercise())->id,
            'class_id' => ($class ?? $this->class)->id,
            'due_on' => today()->addDays(3),
            'checks_allowed' => $checks,
        ]);
    }

    /** @param list<array<string, mixed>> $steps */
    public function work(Assignment $assignment, ?Person $student = null, array $steps = []): Work
    {
        $student ??= $this->student;

        return Work::create([
            'assignment_id' => $assignment->id,
            'student_id' => $student->id,
            'recipe_id' => app(RecipeBook::class)->begin($student, self::document($steps))->id,
            'checks_used' => 0,
            'last_check' => null,
        ]);
    }

    public function handIn(Work $work, int $attempt = 1): HandIn
    {
        $bench = app(Workbench::class);
        $exercise = $work->assignment->exercise;
        $report = $bench->check(
            $bench->evaluate($work->recipe->document()),
            $exercise->sheet(),
            $work->recipe->document(),
            $bench->evaluate($exercise->reference->document()),
        );

        return HandIn::create([
            'work_id' => $work->id,
            'revision_id' => $work->recipe->head()->id,
            'attempt' => $attempt,
            'state' => 'waiting',
            'report' => $report->toArray(),
            'findings' => $report->findingsToArray(),
            'checked_at' => now(),
            'overrules' => [],
            'comment' => '',
        ]);
    }
}
