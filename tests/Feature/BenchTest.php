<?php

declare(strict_types=1);

use App\Jobs\CheckHandIn;
use App\Jobs\PreparePart;
use App\Models\HandIn;
use App\Models\Recipe;
use App\Models\Revision;
use App\Models\Work;
use App\Support\Marking;
use Illuminate\Support\Facades\Queue;
use Tests\School;

beforeEach(function (): void {
    $this->s = new School();
    $this->assignment = $this->s->assignment();
    $this->actingAs($this->s->student);
});

function edit(object $t, Recipe $r, array $input): Illuminate\Testing\TestResponse
{
    return $t->post("/recipes/{$r->id}/edit", $input + ['version' => $r->fresh()->version]);
}

it('begins a student’s part once, however often the bench is opened', function (): void {
    $this->get("/bench/{$this->assignment->id}")
        ->assertOk()
        ->assertSee('No step yet');
    $this->get("/bench/{$this->assignment->id}")->assertOk();
    expect(Work::query()->count())->toBe(1);
});

it('builds a part step by step', function (): void {
    $r = $this->s->work($this->assignment)->recipe;
    edit($this, $r, ['do' => 'add', 'kind' => 'block'])
        ->assertOk()
        ->assertSee('Place a block');
    edit($this, $r, ['do' => 'set', 'step' => 's1', 'values' => ['width' => '12.25/2'], 'name' => 'Plate'])
        ->assertOk()
        ->assertSee('value="12.25/2"', false)
        ->assertSee('value="Plate"', false)
        ->assertSee('6.13');
    edit($this, $r, ['do' => 'add', 'kind' => 'ball'])->assertOk();
    edit($this, $r, ['do' => 'shift', 'step' => 's2', 'places' => -1])->assertOk();
    edit($this, $r, ['do' => 'switch', 'step' => 's2'])
        ->assertOk()
        ->assertSee('switched off');
    edit($this, $r, ['do' => 'delete', 'step' => 's2'])
        ->assertOk()
        ->assertDontSee('Place a ball');
    expect(array_map(fn($s) => $s->id, $r->fresh()->document()->steps))->toBe(['s1']);
});

it('says in words at the step what does not work, and keeps what was typed', function (): void {
    $r = $this->s->work($this->assignment, null, [['kind' => 'block']])->recipe;
    edit($this, $r, ['do' => 'set', 'step' => 's1', 'values' => ['width' => '12..5']])
        ->assertOk()
        ->assertSee('This size cannot be read.')
        ->assertSee('more than one decimal point')
        ->assertSee('value="12..5"', false)
        ->assertSee('aria-invalid="true"', false);
});

it('undoes and redoes without limit, also after signing in again', function (): void {
    $r = $this->s->work($this->assignment)->recipe;
    for ($i = 0; $i < 12; $i++) {
        edit($this, $r, ['do' => 'add', 'kind' => 'block']);
    }
    $this->post('/sign-out');
    $this->actingAs($this->s->student);
    for ($i = 12; $i > 0; $i--) {
        expect($r->fresh()->document()->steps)->toHaveCount($i);
        edit($this, $r, ['do' => 'undo']);
    }
    expect($r->fresh()->document()->steps)->toBe([]);
    edit($this, $r, ['do' => 'undo'])->assertOk();
    for ($i = 1; $i <= 12; $i++) {
        edit($this, $r, ['do' => 'redo']);
        expect($r->fresh()->document()->steps)->toHaveCount($i);
    }
    // an edit after an undo begins a new branch; nothing is thrown away
    edit($this, $r, ['do' => 'undo']);
    edit($this, $r, ['do' => 'add', 'kind' => 'ball']);
    expect($r->fresh()->document()->steps[11]->kind->id())
        ->toBe('ball')
        ->and(Revision::query()->where('recipe_id', $r->id)->count())
        ->toBe(14);
    edit($this, $r, ['do' => 'redo'])->assertOk();
    expect($r->fresh()->document()->steps)->toHaveCount(12);
});

it('tells the later of two windows and overwrites nothing', function (): void {
    $r = $this->s->work($this->assignment, null, [['kind' => 'block', 'width' => '40']])->recipe;
    $this->post("/recipes/{$r->id}/edit", ['version' => 1, 'do' => 'set', 'step' => 's1', 'values' => ['width' => '50']])->assertOk();
    $this->post("/recipes/{$r->id}/edit", ['version' => 1, 'do' => 'set', 'step' => 's1', 'values' => ['width' => '77']])
        ->assertStatus(409)
        ->assertSee('changed in another window')
        ->assertHeader('Cubo-Edit', 'elsewhere');
    expect($r->fresh()->document()->steps[0]->text('width'))->toBe('50');
    $this->post("/recipes/{$r->id}/edit", ['version' => 1, 'do' => 'undo'])->assertStatus(409);
    $this->post("/works/{$r->work->id}/hand-in", ['version' => 1])
        ->assertRedirect("/bench/{$this->assignment->id}")
        ->assertSessionHasErrors('hand-in');
    expect(HandIn::query()->count())->toBe(0);
});

it('appends revisions and never changes one', function (): void {
    $r = $this->s->work($this->assignment, null, [['kind' => 'block']])->recipe;
    expect(fn() => $r->head()->update(['document' => '{}']))->toThrow(LogicException::class);
});

it('makes no revision of an edit that changes nothing', function (): void {
    $r = $this->s->work($this->assignment, null, [['kind' => 'block', 'width' => '40']])->recipe;
    edit($this, $r, ['do' => 'set', 'step' => 's1', 'values' => ['width' => '40']])->assertOk();
    edit($this, $r, ['do' => 'set', 'step' => 's9', 'values' => ['width' => '41']])->assertOk();
    expect($r->fresh()->version)->toBe(1);
});

it('refuses input that no page sends', function (array $input): void {
    $r = $this->s->work($this->assignment, null, [['kind' => 'block']])->recipe;
    $this->postJson("/recipes/{$r->id}/edit", $input)->assertStatus(422);
    expect($r->fresh()->version)->toBe(1);
})->with([
    [['do' => 'add']],
    [['version' => 1, 'do' => 'explode']],
    [['version' => 'x', 'do' => 'undo']],
    [['version' => 1, 'do' => 'set', 'step' => ['a']]],
    [['version' => 1, 'do' => 'set', 'step' => 's1', 'values' => 'x']],
    [['version' => 1, 'do' => 'shift', 'step' => 's1', 'places' => 9e9]],
]);

it('takes text of any kind without a fault', function (string $typed): void {
    $r = $this->s->work($this->assignment, null, [['kind' => 'block']])->recipe;
    edit($this, $r, ['do' => 'set', 'step' => 's1', 'values' => ['width' => $typed], 'name' => mb_substr($typed, 0, 60)])
        ->assertOk()
        ->assertDontSee('<script>alert', false);
})->with(['<script>alert(1)</script>', "1'; drop table people; --", str_repeat('9', 500), "\u{202E}40", '{{ 7*7 }}', "4\0" . '0', 'é∑🙂']);

it('checks, shows each size with its deviation and counts the checks', function (): void {
    $assignment = $this->s->assignment($this->s->exercise(), null, 2);
    $work = $this->s->work($assignment, null, [
        ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '12'],
        ['kind' => 'cylinder', 'round' => '4', 'length' => '30', 'z' => '-5', 'effect' => 'cut'],
    ]);
    $this->post("/works/{$work->id}/check")
        ->assertOk()
        ->assertSee('4.00 too small')
        ->assertSee('Did you type the radius as the diameter?')
        ->assertSee('1 left');
    // the same part once more tells nothing new and is not counted
    $this->post("/works/{$work->id}/check")
        ->assertOk()
        ->assertSee('1 left');
    foreach (['9' => 'of', '10' => 'All checks your teacher allows are used'] as $round => $said) {
        edit($this, $work->recipe->fresh(), ['do' => 'set', 'step' => 's2', 'values' => ['round' => (string) $round]])->assertOk();
        $this->post("/works/{$work->id}/check")
            ->assertOk()
            ->assertSee($said);
    }
    expect($work->fresh()->checks_used)->toBe(2);
});

it('marks the last check as old once the part has changed', function (): void {
    $work = $this->s->work($this->assignment, null, [['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '12']]);
    $this->post("/works/{$work->id}/check")
        ->assertOk()
        ->assertDontSee('Changed since');
    edit($this, $work->recipe, ['do' => 'set', 'step' => 's1', 'values' => ['width' => '61']])
        ->assertOk()
        ->assertSee('Changed since');
});

it('freezes what is handed in for good', function (): void {
    Queue::fake();
    $work = $this->s->work($this->assignment, null, [['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '12']]);
    $this->post("/works/{$work->id}/hand-in", ['version' => 1])->assertRedirect();
    $handIn = HandIn::query()->firstOrFail();
    $before = $this->get("/hand-ins/{$handIn->id}/part.stl")
        ->assertOk()
        ->getContent();
    edit($this, $work->recipe, ['do' => 'set', 'step' => 's1', 'values' => ['width' => '10']])->assertOk();
    expect(sha1($this->get("/hand-ins/{$handIn->id}/part.stl")->getContent()))
        ->toBe(sha1($before))
        ->and(fn() => $handIn->update(['report' => [['id' => 'size-x']]]))
        ->toThrow(LogicException::class)
        ->and(fn() => $handIn->update(['revision_id' => null]))
        ->toThrow(LogicException::class);
    $this->post("/works/{$work->id}/hand-in", ['version' => 2])->assertRedirect();
    expect(HandIn::query()->orderBy('attempt')->pluck('attempt')->all())->toBe([1, 2]);
    Queue::assertPushed(PreparePart::class, 2);
    Queue::assertPushed(CheckHandIn::class, 2);
    // until it is measured the page says so, and looks again by itself
    $this->get("/hand-ins/{$handIn->id}")
        ->assertOk()
        ->assertSee('It is being measured')
        ->assertSee('data-looks-again', false);
    (new CheckHandIn($handIn->id))->handle(app(Marking::class));
    $this->get("/hand-ins/{$handIn->id}")
        ->assertOk()
        ->assertSee('Not found');
});

it('makes one hand-in of a button pressed twice, and another of a part that was sent back', function (): void {
    Queue::fake();
    $work = $this->s->work($this->assignment, null, [['kind' => 'block']]);
    $this->post("/works/{$work->id}/hand-in", ['version' => 1])->assertRedirect();
    $first = HandIn::query()->firstOrFail();
    $this->post("/works/{$work->id}/hand-in", ['version' => 1])->assertRedirect(route('hand-ins.show', $first));
    Queue::assertPushed(CheckHandIn::class, 1);
    $first->update(['state' => 'returned']);
    $this->post("/works/{$work->id}/hand-in", ['version' => 1])->assertRedirect();
    expect(HandIn::query()->orderBy('attempt')->pluck('attempt')->all())->toBe([1, 2]);
    $this->post("/works/{$work->id}/hand-in", ['version' => 7])->assertSessionHasErrors([
        'hand-in' => 'The part was changed after this page was shown. Look at it once more, then hand it in.',
    ]);
});

it('does not hand in an empty part', function (): void {
    $work = $this->s->work($this->assignment);
    $this->from("/bench/{$this->assignment->id}")
        ->post("/works/{$work->id}/hand-in", ['version' => 1])
        ->assertSessionHasErrors('hand-in');
    expect(HandIn::query()->count())->toBe(0);
});

it('gives the part as STL, 3MF and recipe, named by exercise and pupil', function (): void {
    $work = $this->s->work($this->assignment, null, [['kind' => 'block']]);
    $this->get("/recipes/{$work->recipe_id}/part.stl")
        ->assertOk()
        ->assertHeader('Content-Disposition', 'attachment; filename="drilled-plate-ada.stl"');
    $this->get("/recipes/{$work->recipe_id}/part.3mf")
        ->assertOk()
        ->assertHeader('Content-Type', 'model/3mf');
    expect(
        json_decode(
            $this->get("/recipes/{$work->recipe_id}/part.json")
                ->assertOk()
                ->getContent(),
            true,
        )['steps'][0]['kind'],
    )->toBe('block');
    $this->get("/recipes/{$work->recipe_id}/part.exe")->assertNotFound();
});

it('serves the 3D file at an address that names its geometry', function (): void {
    $work = $this->s->work($this->assignment, null, [['kind' => 'block']]);
    preg_match('#data-glb="([^"]+)"#', $this->get("/bench/{$this->assignment->id}")->getContent(), $m);
    $response = $this->get($m[1])->assertOk()->assertHeader('Content-Type', 'model/gltf-binary');
    expect($response->headers->get('Cache-Control'))->toContain('immutable')->toContain('private');
    $this->get("/recipes/{$work->recipe_id}/part/" . str_repeat('0', 40) . '.glb')->assertNotFound();
});
