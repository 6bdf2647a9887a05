<?php

declare(strict_types=1);

namespace Tests;

use App\Models\Assignment;
use App\Models\Codes;
use App\Models\Exercise;
use App\Models\Person;
use App\Models\SchoolClass;
use Illuminate\Database\Seeder;

/**
 * A class for every file of browser tests, beside the demo school, so that files can run side by side: with the code of the
 * file's name (BENCH9 for bench.test.mjs), pupils of their own, and two of the demo exercises.
 */
final class BrowserClasses extends Seeder
{
    private const PUPILS = 18;

    public function run(): void
    {
        $demo = Person::query()->where('role', 'teacher')->orderBy('id')->firstOrFail();
        // the demo teacher's own lists stay as they are
        $teacher = Person::create([
            'school_id' => $demo->school_id,
            'role' => 'teacher',
            'name' => 'Test Teacher',
            'email' => 'tests@hillside.example',
            'password' => 'garden-gate',
        ]);
        $exercises = Exercise::query()
            ->whereIn('title', ['Corner block of the raised bed', 'Wind wheel of the herb bed'])
            ->get()
            ->map(
                static fn(Exercise $e): Exercise => Exercise::create([
                    ...$e->only(['reference_id', 'title', 'brief', 'unit', 'requirements']),
                    'teacher_id' => $teacher->id,
                ]),
            );
        $pin = Codes::pin('4711');
        foreach (glob(__DIR__ . '/Browser/*.test.mjs') ?: [] as $file) {
            $name = basename($file, '.test.mjs');
            $class = SchoolClass::create(['school_id' => $demo->school_id, 'name' => "test $name", 'code' => strtoupper($name) . '9']);
            $class->teachers()->attach($teacher);
            foreach ($exercises as $e) {
                // where what is asked is changed, nobody else is measured by it
                $e =
                    $name === 'checks'
                        ? Exercise::create($e->only(['reference_id', 'title', 'brief', 'unit', 'requirements', 'teacher_id']))
                        : $e;
                Assignment::create([
                    'exercise_id' => $e->id,
                    'class_id' => $class->id,
                    'due_on' => today()->addDays(9),
                    'checks_allowed' => null,
                ]);
            }
            for ($i = 1; $i <= self::PUPILS; $i++) {
                Person::create([
                    'school_id' => $demo->school_id,
                    'role' => 'student',
                    'name' => "Pupil $i",
                    'class_id' => $class->id,
                    'bench' => $i,
                    'code' => sprintf('PUP%02d', $i),
                    'password' => $pin,
                ]);
            }
        }
    }
}
