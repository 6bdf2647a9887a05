<?php

declare(strict_types=1);

use App\Jobs\PreparePart;
use App\Models\Exercise;
use App\Models\HandIn;
use App\Models\Person;
use App\Support\Bench\FieldForm;
use App\Support\Bench\StepForm;
use App\Support\ClassTable;
use App\Support\Move;
use App\Support\PartFiles;
use App\Support\RecipeBook;
use App\Support\StaleVersion;
use App\Support\Workbench;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\Message;
use Database\Seeders\DemoSchoolSeeder;
use Tests\Parts;
use Tests\School;

it('loads the demo school as it is described', function (): void {
    $this->seed(DemoSchoolSeeder::class);
    expect(Person::query()->where('role', 'teacher')->count())
        ->toBe(2)
        ->and(Person::query()->where('role', 'student')->count())
        // 24 of two classes, and four of a class of last year that was put away
        ->toBe(28)
        ->and(Person::query()->where('administers', true)->count())
        ->toBe(1)
        ->and(Exercise::query()->count())
        ->toBe(14)
        ->and(Exercise::query()->where('unit', 'in')->count())
        ->toBe(2)
        ->and(HandIn::query()->count())
        ->toBeGreaterThan(38)
        ->toBeLessThan(46)
        ->and(HandIn::query()->distinct()->pluck('state')->sort()->values()->all())
        ->toBe(['accepted', 'returned', 'waiting']);
    $known = [];
    // what the seeder calls right is right, and every slip is found
    foreach (
        HandIn::query()
            ->with(['work.assignment.exercise.reference', 'revision'])
            ->get()
        as $h
    ) {
        $exercise = $h->work->assignment->exercise;
        $fresh = $known["{$exercise->id} {$h->revision->document}"] ??= app(Workbench::class)->check(
            app(Workbench::class)->evaluate($h->revision->recipe()),
            $exercise->sheet(),
            $h->revision->recipe(),
            app(Workbench::class)->evaluate($exercise->reference->document()),
        );
        expect(array_column($h->report, 'status'))->toBe(array_map(fn($r) => $r->status, $fresh->rows), "hand-in {$h->id}");
        expect($h->state !== 'returned' || !$fresh->allMet())->toBeTrue("hand-in {$h->id} was sent back without a fault");
    }
    $slips = collect(HandIn::query()->get())
        ->flatMap(fn($h) => array_column($h->report, 'diagnosis'))
        ->implode(' ');
    expect($slips)
        ->toContain('radius as the diameter')
        ->toContain('Half its height lies below the ground')
        ->toContain('The hole sits')
        ->toContain('inches as millimetres');
    $this->artisan('cubo:schools')->expectsOutput('1');
    $this->artisan('cubo:sign-ins')->expectsOutputToContain('LARK7')->assertExitCode(0);
});

it('keeps solids, messages and derived files, and does without them', function (): void {
    $folder = sys_get_temp_dir() . '/parts-' . bin2hex(random_bytes(4));
    $files = new PartFiles($folder);
    $recipe = Parts::recipe([['kind' => 'block'], ['kind' => 'ball', 'x' => '500', 'effect' => 'cut']]);
    $first = (new Evaluator($files))->evaluate($recipe);
    // another request, with the files only
    $again = (new Evaluator(new PartFiles($folder)))->evaluate($recipe);
    expect($again->key)
        ->toBe($first->key)
        ->and($again->part()->facettedVolume())
        ->toBe($first->part()->facettedVolume())
        ->and($again->results['s2']->messages)
        ->toEqual($first->results['s2']->messages);
    // broken and missing files cost time, never a part
    foreach (glob("$folder/*/*") ?: [] as $f) {
        file_put_contents($f, 'nonsense');
    }
    expect((new Evaluator(new PartFiles($folder)))->evaluate($recipe)->part()->facettedVolume())->toEqualWithDelta(8000.0, 1e-9);
    array_map(unlink(...), glob("$folder/*/*") ?: []);
    expect((new Evaluator(new PartFiles($folder)))->evaluate($recipe)->part()->facettedVolume())->toEqualWithDelta(8000.0, 1e-9);
    $made = 0;
    $make = function () use (&$made): string {
        $made++;

        return 'bytes';
    };
    expect($files->remember(str_repeat('a', 40), 'x', $make))
        ->toBe('bytes')
        ->and($files->remember(str_repeat('a', 40), 'x', $make))
        ->toBe('bytes')
        ->and($made)
        ->toBe(1);
    // a folder that cannot be written
    expect((new PartFiles('/proc/nowhere'))->remember(str_repeat('b', 40), 'x', $make))->toBe('bytes');
});

it('refuses an edit of an older version under a lock', function (): void {
    $s = new School();
    $book = app(RecipeBook::class);
    $r = $book->begin($s->student, Parts::recipe([]));
    $book->save($r, 1, Parts::recipe([['kind' => 'block']]));
    expect($r->version)
        ->toBe(2)
        ->and(fn() => $book->save($r, 1, Parts::recipe([])))
        ->toThrow(StaleVersion::class)
        ->and($book->canRedo($r))
        ->toBeFalse();
    $book->move($r, 2, Move::back());
    expect($book->canRedo($r))->toBeTrue();
});

it('prepares a part in the background and ignores one that has gone', function (): void {
    $s = new School();
    $work = $s->work($s->assignment(), null, [['kind' => 'block', 'width' => '33.25']]);
    (new PreparePart($work->recipe->head()->id))->handle(app(Workbench::class));
    (new PreparePart(999999))->handle(app(Workbench::class));
    $key = app(Workbench::class)->evaluate($work->recipe->document())->key;
    expect(is_file(storage_path('app/parts/' . substr($key, 0, 2) . "/$key.glb")))->toBeTrue();
});

it('counts the class: who met what, and the most common mistakes first', function (): void {
    $s = new School();
    $a = $s->assignment();
    $plate = fn(string $width, string $hole) => [
        ['kind' => 'block', 'width' => $width, 'depth' => '40', 'height' => '12'],
        ['kind' => 'cylinder', 'round' => $hole, 'length' => '30', 'z' => '-5', 'effect' => 'cut'],
    ];
    $s->handIn($s->work($a, $s->student, $plate('60', '4')));
    $s->handIn($s->work($a, $s->classmate, $plate('55', '4')));
    $t = new ClassTable($a->load(['exercise', 'schoolClass.students', 'works.student', 'works.lastHandIn']));
    expect($t->lines)
        ->toHaveCount(2)
        ->and($t->met['size-x'])
        ->toBe(1)
        ->and($t->met['hole-0-diameter'])
        ->toBe(0)
        ->and($t->mistakes[0]['requirement']->id)
        ->toBe('hole-0-diameter')
        ->and($t->mistakes[0]['count'])
        ->toBe(2);
});

it('writes fields that no text can break out of', function (): void {
    $recipe = Parts::recipe([['kind' => 'block', 'width' => '"><script>x</script>']]);
    $state = (new Evaluator())->evaluate($recipe);
    $step = $recipe->steps[0]->named('"><script>y</script>');
    $html = view('bench.sentence', [
        'f' => new StepForm($step, $recipe, $state, [], $recipe->unit),
        'step' => $step,
        'document' => $recipe,
        'n' => 1,
        'recipe' => 'r',
    ])->render();
    expect($html)
        ->not->toContain('<script>')
        ->toContain('value="&quot;&gt;&lt;script&gt;x')
        ->toContain('value="&quot;&gt;&lt;script&gt;y')
        ->toContain('aria-invalid="true"');
});

it('offers bodies and sketches by the names people gave them', function (): void {
    $recipe = Parts::recipe([
        ['kind' => 'sketch', 'name' => 'Outline', 'shapes' => [['kind' => 'circle']]],
        ['kind' => 'extrude', 'sketch' => 's1'],
        ['kind' => 'move', 'body' => 's2'],
    ]);
    $state = (new Evaluator())->evaluate($recipe);
    $form = fn(int $i) => new StepForm($recipe->steps[$i], $recipe, $state, ['s2', 's2.2'], $recipe->unit);
    $options = static function (StepForm $f, string $key): array {
        foreach ($f->pieces() as $p) {
            if ($p instanceof FieldForm && $p->key === $key) {
                return $p->options ?? [];
            }
        }

        return [];
    };
    expect($options($form(1), 'sketch'))
        ->toBe(['s1' => 'Outline'])
        ->and($options($form(2), 'body'))
        ->toBe(['all' => 'the whole part', 's2' => 'the piece of Extrude', 's2.2' => 'piece 2 of Extrude'])
        ->and($options($form(1), 'direction'))
        ->toBe(['up' => 'upward', 'down' => 'downward']);
});

it('has a message object that survives the cache', function (): void {
    $files = new PartFiles(sys_get_temp_dir() . '/parts-' . bin2hex(random_bytes(4)));
    $m = new Message('code', 'What.', 'Why “quoted”.', 'width');
    $files->putProblem(str_repeat('c', 40), $m);
    expect($files->problem(str_repeat('c', 40)))->toEqual($m)->and($files->problem(str_repeat('d', 40)))->toBeNull();
});
