<?php

declare(strict_types=1);

use App\Models\Recipe;
use App\Support\PartFiles;
use Cubo\Recipe\Recipe as Document;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Tests\Pace;
use Tests\School;
use Tests\WildRecipes;

/*
 * Whatever recipe is stored, and whatever became of its parts: the pages that show it open. The count of recipes is set by
 * WILD, the seed of the first one by FROM.
 */

/** Stores a document as it is, past all that an edit would refuse. */
function stored(Recipe $recipe, Document $document): void
{
    DB::table('revisions')
        ->where('recipe_id', $recipe->id)
        ->where('number', $recipe->current)
        ->update(['document' => $document->toJson()]);
}

it('opens the bench, the reference bench, a report and the class of any recipe in two seconds, and goes back from it', function (): void {
    // nothing was made by an earlier run
    $parts = sys_get_temp_dir() . '/wild-' . bin2hex(random_bytes(4));
    app()->scoped(PartFiles::class, static fn(): PartFiles => new PartFiles($parts));
    $school = new School();
    $exercise = $school->exercise();
    $assignment = $school->assignment($exercise);
    $work = $school->work($assignment, null, [['kind' => 'block']]);
    $handIn = $school->handIn($work);
    // in use the pages are compiled when Cubo starts
    foreach (
        [
            'student' => [route('work', $assignment)],
            'teacher' => [route('exercises.bench', $exercise), route('hand-ins.show', $handIn), route('assignments.show', $assignment)],
        ]
        as $who => $addresses
    ) {
        foreach ($addresses as $address) {
            $this->actingAs($school->{$who})->get($address)->assertOk();
        }
    }
    $from = (int) (getenv('FROM') ?: 1);
    $slow = $worst = [];
    for ($seed = $from; $seed < $from + (int) (getenv('WILD') ?: 300); $seed++) {
        $document = WildRecipes::of($seed);
        stored($work->recipe, $document);
        stored($exercise->reference, $document);
        foreach (
            [
                'bench' => ['student', route('work', $assignment)],
                'reference' => ['teacher', route('exercises.bench', $exercise)],
                'report' => ['teacher', route('hand-ins.show', $handIn)],
                'class' => ['teacher', route('assignments.show', $assignment)],
            ]
            as $page => [$who, $address]
        ) {
            $took = INF;
            // a machine may stand still for a moment: what was slow is opened once more from nothing
            for ($try = 0; $try < 2 && $took > 2.0; $try++) {
                if ($try > 0) {
                    File::deleteDirectory($parts);
                }
                // a request finds nothing that another one has left in the process
                app()->forgetScopedInstances();
                gc_collect_cycles();
                $began = microtime(true);
                $answer = $this->actingAs($school->{$who})->get($address);
                $took = min($took, microtime(true) - $began);
                expect($answer->getStatusCode())->toBe(200, "$page of seed $seed");
            }
            $worst[$page] = max($worst[$page] ?? 0.0, $took);
            if ($took > 2.0 && $took > 2.0 * Pace::slowness()) {
                $slow[] = sprintf('seed %d %s %.2f s', $seed, $page, $took);
            }
        }
    }
    File::deleteDirectory($parts);
    fwrite(STDERR, 'worst: ' . json_encode(array_map(static fn(float $s): float => round($s, 2), $worst)) . "\n");
    expect($slow)->toBe([]);
})->group('faults');
