<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Jobs\PreparePart;
use App\Models\Assignment;
use App\Models\Codes;
use App\Models\Exercise;
use App\Models\HandIn;
use App\Models\Person;
use App\Models\School;
use App\Models\SchoolClass;
use App\Models\Work;
use App\Support\Library;
use App\Support\RecipeBook;
use App\Support\Workbench;
use Cubo\Check\Exercise as Sheet;
use Cubo\Check\Proposer;
use Cubo\Check\Report;
use Cubo\Check\Requirement;
use Cubo\Measure\PartMeasures;
use Cubo\Recipe\Recipe as Document;
use Cubo\Recipe\RecipeReader;
use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/**
 * One invented school with two teachers, two classes and one of last year, seven exercises that are set, and what the classes made of them. Every part is
 * built from its steps and every report is the checker's; only the teacher's words are written here.
 */
final class DemoSchoolSeeder extends Seeder
{
    public const SCHOOL = 'Hillside School (demo)';

    public const PASSWORD = 'garden-gate';

    public const PIN = '4711';

    public const TEACHERS = ['ines.halloran@hillside.example' => 'Ines Halloran', 'tom.verbeek@hillside.example' => 'Tom Verbeek'];

    public const CLASSES = ['7a' => 'LARK7', '8b' => 'WREN8'];

    private const STUDENTS = [
        '7a' => ['Ada', 'Bruno', 'Cleo', 'Dario', 'Edda', 'Finn', 'Greta', 'Hugo', 'Ilse', 'Jonas', 'Kaya', 'Levi'],
        '8b' => ['Mira', 'Noor', 'Oskar', 'Pia', 'Quentin', 'Rosa', 'Samir', 'Tamsin', 'Ugo', 'Vera', 'Wim', 'Yara'],
    ];

    /** @var array<string, Report> by exercise and part */
    private array $reports = [];

    public function __construct(private readonly RecipeBook $book, private readonly Workbench $bench, private readonly Library $library) {}

    public function run(): void
    {
        DB::transaction($this->load(...));
    }

    private function load(): void
    {
        $school = School::create(['name' => self::SCHOOL]);
        $password = Hash::make(self::PASSWORD);
        $pin = Codes::pin(self::PIN);
        $teachers = [];
        foreach (self::TEACHERS as $email => $name) {
            $teachers[] = Person::create([
                'school_id' => $school->id,
                'role' => 'teacher',
                'name' => $name,
                'email' => $email,
                'password' => $password,
                'administers' => $teachers === [],
            ]);
        }
        $classes = $students = [];
        foreach (self::CLASSES as $name => $code) {
            $classes[$name] = SchoolClass::create(['school_id' => $school->id, 'name' => $name, 'code' => $code]);
            $classes[$name]->teachers()->attach($teachers[0]);
            foreach (self::STUDENTS[$name] as $i => $student) {
                $students[$name][$i + 1] = Person::create([
                    'school_id' => $school->id,
                    'role' => 'student',
                    'name' => $student,
                    'class_id' => $classes[$name]->id,
                    'bench' => $i + 1,
                    'code' => self::code($student),
                    'password' => $pin,
                ]);
            }
        }
        $classes['8b']->teachers()->attach($teachers[1]);
        $this->lastYear($school, $teachers[0], $pin);

        ['exercises' => $shapes, 'library' => $library] = require __DIR__ . '/demo/shapes.php';
        $plans = [...require __DIR__ . '/demo/exercises.php', ...$shapes];
        $exercises = [];
        foreach ($plans as $key => $plan) {
            $exercises[$key] = $this->exercise($key === 'hub' ? $teachers[1] : $teachers[0], $plan);
        }
        // parts that show every kind of step, not set to a class yet
        foreach (require __DIR__ . '/demo/parts.php' as $plan) {
            $this->exercise($teachers[1], $plan + ['ask' => [], 'skip' => [], 'label' => []]);
        }
        foreach ($library as $entry) {
            $group = RecipeReader::fromArray([
                'format' => Document::FORMAT,
                'title' => '',
                'unit' => 'mm',
                'groups' => ['g1' => $entry['group']],
                'steps' => [],
            ]);
            $this->library->put($teachers[0], $classes['7a'], $group, 'g1', $entry['tags']);
        }
        ['slips' => $slips, 'given' => $given] = require __DIR__ . '/demo/hand_ins.php';
        foreach ($given as $g) {
            $assignment = Assignment::create([
                'exercise_id' => $exercises[$g['exercise']]->id,
                'class_id' => $classes[$g['class']]->id,
                'due_on' => today()->addDays($g['due']),
                'checks_allowed' => $g['checks'],
            ]);
            foreach ($g['tries'] as $bench => $tries) {
                $this->work($assignment, $students[$g['class']][$bench], $plans[$g['exercise']], $slips[$g['exercise']], $tries);
            }
        }
    }

    /** A class of last year, put away: to be looked at. */
    private function lastYear(School $school, Person $teacher, string $pin): void
    {
        $class = SchoolClass::create([
            'school_id' => $school->id,
            'name' => '6c',
            'code' => 'FINCH6',
            'archived_at' => now()->subMonths(5),
        ]);
        $class->teachers()->attach($teacher);
        foreach (['Anouk', 'Bram', 'Carla', 'Dirk'] as $i => $name) {
            Person::create([
                'school_id' => $school->id,
                'role' => 'student',
                'name' => $name,
                'class_id' => $class->id,
                'bench' => $i + 1,
                'code' => self::code($name),
                'password' => $pin,
            ]);
        }
    }

    /** In the demo a student's own code is told by the name, so that anybody can look in. */
    public static function code(string $name): string
    {
        return strtoupper(substr($name, 0, 3)) . '22';
    }

    /** @param array<string, mixed> $plan */
    private function exercise(Person $teacher, array $plan): Exercise
    {
        $document = $this->document($plan, []);
        $reference = $this->book->begin($teacher, new Document($document->unit, [], $plan['title']));
        $this->build($reference, $document);
        $state = $this->bench->evaluate($document);
        $known = array_merge($plan['ask'], $plan['skip'], array_keys($plan['label']));
        $proposed = Proposer::propose(new PartMeasures($state->part()), $document->unit);
        $missing = array_diff($known, array_map(static fn(Requirement $r): string => $r->id, $proposed));
        if ($missing !== []) {
            throw new \LogicException("{$plan['title']}: the part has no " . implode(', ', $missing));
        }
        $choices = array_map(
            static fn(Requirement $r): Requirement => $r->change(
                label: $plan['label'][$r->id] ?? null,
                asked: match (true) {
                    in_array($r->id, $plan['ask'], true) => true,
                    in_array($r->id, $plan['skip'], true) => false,
                    default => null,
                },
            ),
            $proposed,
        );
        $rows = array_map(static fn(Requirement $r): array => $r->toArray(), Sheet::lettered($choices));
        $exercise = Exercise::create([
            'teacher_id' => $teacher->id,
            'reference_id' => $reference->id,
            'title' => $plan['title'],
            'brief' => $plan['brief'],
            'unit' => $plan['unit'],
            'requirements' => $rows,
        ]);
        PreparePart::dispatch($reference->head()->id)->afterCommit();

        return $exercise;
    }

    /**
     * @param array<string, mixed> $plan
     * @param array<string, array<string, mixed>|null> $slip changed values by step id, null for a step left out
     */
    private function document(array $plan, array $slip): Document
    {
        $steps = [];
        foreach ($plan['steps'] as $s) {
            if (!array_key_exists($s['id'], $slip)) {
                $steps[] = $s;
            } elseif ($slip[$s['id']] !== null) {
                $steps[] = [...$s, ...$slip[$s['id']]];
            }
        }

        return RecipeReader::fromArray([
            'format' => Document::FORMAT,
            'title' => $plan['title'],
            'unit' => $plan['unit'],
            'groups' => $plan['groups'] ?? [],
            'steps' => $steps,
        ]);
    }

    /** Saves the part step by step, as it is built at the bench, so that undo has something to go back to. */
    private function build(\App\Models\Recipe $recipe, Document $document): void
    {
        foreach ($document->steps as $step) {
            $this->book->save($recipe, $recipe->version, $document->upTo($step->id));
        }
    }

    /**
     * @param array<string, mixed> $plan
     * @param array<string, array<string, array<string, mixed>|null>> $slips
     * @param list<array{0: string, 1: string, 2: string, 3?: array<string, array{bool, string}>}> $tries
     */
    private function work(Assignment $assignment, Person $student, array $plan, array $slips, array $tries): void
    {
        $sheet = $assignment->exercise->sheet();
        $recipe = $this->book->begin($student, new Document($sheet->unit, [], "{$plan['title']}, {$student->name}"));
        $work = Work::create([
            'assignment_id' => $assignment->id,
            'student_id' => $student->id,
            'recipe_id' => $recipe->id,
            'checks_used' => 0,
            'last_check' => null,
        ]);
        foreach ($tries as $n => [$slip, $state, $comment]) {
            $document = $this->document($plan, $slips[$slip]);
            $n === 0 ? $this->build($recipe, $document) : $this->book->save($recipe, $recipe->version, $document);
            if ($state === 'begun') {
                continue;
            }
            $part = $this->bench->evaluate($document);
            // many pupils make the same slip
            $report = $this->reports["{$assignment->exercise_id} {$part->key}"] ??= $this->bench->check(
                $part,
                $sheet,
                $document,
                $this->bench->evaluate($assignment->exercise->reference->document()),
            );
            // tries lie in the days before the exercise is due, or before today
            $at = min(now()->subHours(3), $assignment->due_on->copy()->setTime(10, 5))
                ->copy()
                ->subDays(2 * (count($tries) - 1 - $n))
                ->addMinutes(3 * $student->bench);
            $work->update([
                'checks_used' => $work->checks_used + 1 + ($student->bench % 3),
                'last_check' => [
                    'key' => $part->key,
                    'at' => $at->toIso8601String(),
                    'rows' => $report->toArray(),
                    'findings' => $report->findingsToArray(),
                ],
            ]);
            if ($state === 'making') {
                continue;
            }
            $overrules = array_map(static fn(array $o): array => ['met' => $o[0], 'reason' => $o[1]], $tries[$n][3] ?? []);
            $handIn = new HandIn([
                'work_id' => $work->id,
                'revision_id' => $recipe->head()->id,
                'attempt' => $n + 1,
                'state' => $state,
                'report' => $report->toArray(),
                'findings' => $report->findingsToArray(),
                'checked_at' => $at,
                'overrules' => $overrules,
                'comment' => $comment,
                'decided_at' => $state === 'waiting' ? null : $at->copy()->addDay(),
            ]);
            $handIn->created_at = $at;
            $handIn->save();
            PreparePart::dispatch($handIn->revision_id)->afterCommit();
        }
    }
}
