<?php

declare(strict_types=1);

/* What a teacher asks beside what is proposed, and parts made in two ways. */

use App\Models\HandIn;
use Cubo\Check\Datum\Datum;
use Cubo\Quantity\Unit;
use Tests\Parts;
use Tests\School;

beforeEach(function (): void {
    $this->s = new School();
    $this->exercise = $this->s->exercise();
    $this->url = "/exercises/{$this->exercise->id}";
    $this->part = [
        ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '12'],
        ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '8', 'length' => '30', 'z' => '-5', 'effect' => 'cut'],
    ];
    $choices = array_flip(Datum::choices(Parts::measure($this->part), Unit::Millimetre));
    $this->key = static function (string $words) use ($choices): string {
        foreach ($choices as $w => $key) {
            if (str_starts_with($w, $words)) {
                return $key;
            }
        }
        throw new LogicException($words);
    };
});

it('asks for a distance the teacher names, follows the reference part, and takes it out again', function (): void {
    $this->actingAs($this->s->teacher);
    $this->get($this->url)->assertOk()->assertSee('Ask for more')->assertSee('hole ⌀ 8, upright, at 30, 20');
    $own = ['what' => 'distance', 'from' => ($this->key)('left face'), 'to' => ($this->key)('hole ⌀ 8')];
    // what else was typed is saved with it
    $this->post($this->url, [
        'title' => 'Renamed',
        'requirements' => ['size-x' => ['asked' => '1', 'label' => 'Long side', 'tolerance' => '0.5', 'points' => '2']],
        'own' => $own,
        'add' => '1',
    ])->assertSessionHasNoErrors();
    $all = collect($this->exercise->fresh()->sheet()->requirements);
    $r = $all->last();
    expect($r->nominal)
        ->toBe(30.0)
        ->and($r->asked)
        ->toBeTrue()
        ->and($r->letter)
        ->not->toBe('')
        ->and($all->firstWhere('id', 'size-x')->label)
        ->toBe('Long side');
    $this->get($this->url)->assertSee('Renamed')->assertSee('Left face to hole ⌀ 8');
    expect(
        collect($this->exercise->fresh()->sheet()->requirements)
            ->duplicates('id')
            ->all(),
    )->toBe([]);
    // once more is one too many
    $this->post($this->url, ['title' => 'Renamed', 'own' => $own, 'add' => '1'])->assertSessionHasErrors([
        'own' => 'This is asked already.',
    ]);
    // the reference part becomes wider: the hole in its middle is farther from the side
    $this->post("/recipes/{$this->exercise->reference_id}/edit", [
        'version' => 1,
        'do' => 'set',
        'step' => 's1',
        'values' => ['width' => '64'],
    ])->assertOk();
    $this->get($this->url)->assertOk();
    expect(collect($this->exercise->fresh()->sheet()->requirements)->firstWhere('id', $r->id)->nominal)->toBe(32.0);
    $this->post($this->url, ['title' => 'Renamed', 'drop' => $r->id])->assertSessionHasNoErrors();
    expect(collect($this->exercise->fresh()->sheet()->requirements)->firstWhere('id', $r->id))->toBeNull();
    // nothing else can be taken out this way
    $this->post($this->url, ['title' => 'Renamed', 'drop' => 'size-x']);
    expect(collect($this->exercise->fresh()->sheet()->requirements)->firstWhere('id', 'size-x'))->not->toBeNull();
});

it('says why two things have no distance, and keeps what was chosen', function (): void {
    $this->actingAs($this->s->teacher);
    $this->get($this->url);
    $own = ['what' => 'distance', 'from' => ($this->key)('left face'), 'to' => ($this->key)('upper face')];
    $this->post($this->url, ['title' => 'Plate', 'own' => $own, 'add' => '1'])->assertSessionHasErrors([
        'own' => 'These two are not parallel, so they have no distance.',
    ]);
    $this->get($this->url)
        ->assertSee('not parallel')
        ->assertSee('value="' . $own['from'] . '" selected', false);
    foreach ([['what' => 'x'], [], ['what' => 'distance', 'from' => str_repeat('x', 500), 'to' => '']] as $bad) {
        $this->post($this->url, ['title' => 'Plate', 'own' => $bad, 'add' => '1'])->assertSessionHasErrors('own');
    }
    $this->post($this->url, ['title' => 'Plate', 'own' => ['what' => ['a'], 'from' => ['b']], 'add' => '1'])->assertRedirect();
});

it('measures what was asked of the part handed in', function (): void {
    $this->actingAs($this->s->teacher);
    $this->get($this->url);
    $this->post($this->url, [
        'title' => 'Plate',
        'own' => ['what' => 'distance', 'from' => ($this->key)('left face'), 'to' => ($this->key)('hole ⌀ 8')],
        'add' => '1',
    ])->assertSessionHasNoErrors();
    $this->post($this->url, [
        'title' => 'Plate',
        'own' => ['what' => 'mirror', 'from' => ($this->key)('left face'), 'to' => ($this->key)('right face')],
        'add' => '1',
    ])->assertSessionHasNoErrors();
    $work = $this->s->work($this->s->assignment($this->exercise->fresh()), null, [$this->part[0], [...$this->part[1], 'x' => '5']]);
    $rows = collect($this->s->handIn($work)->report);
    expect($rows->firstWhere('label', 'Left face to hole ⌀ 8'))
        ->toMatchArray(['status' => 'off', 'measured' => '35.00'])
        ->and($rows->firstWhere('label', 'Alike on both sides of the middle')['status'])
        ->toBe('off');
});

it('wants the part in two ways, and finds the second one', function (): void {
    $e = $this->exercise;
    $rows = $e->requirements;
    foreach ($rows as $i => $r) {
        $rows[$i]['asked'] = in_array($r['id'], ['size-x', 'two-ways'], true);
    }
    $rows[] = [
        'id' => 'two-ways',
        'kind' => 'two-ways',
        'label' => 'Made in two ways',
        'nominal' => 0.0,
        'tolerance' => 0.0,
        'points' => 2,
        'asked' => true,
        'where' => [],
        'letter' => 'Z',
    ];
    $e->update(['requirements' => $rows]);
    $assignment = $this->s->assignment($e->fresh());
    $work = $this->s->work($assignment, null, $this->part);
    $recipe = $work->recipe;
    $this->actingAs($this->s->student);
    $this->get("/bench/{$assignment->id}")
        ->assertOk()
        ->assertDontSee('Begin another way');
    $row = static fn(): array => collect(
        HandIn::query()->where('work_id', $work->id)->orderByDesc('attempt')->firstOrFail()->report,
    )->firstWhere('id', 'two-ways');
    $this->post("/works/{$work->id}/hand-in", ['version' => 1])->assertRedirect();
    expect($row())->toMatchArray(['status' => 'off', 'word' => 'One way so far']);
    // a check at the bench does not take what was handed in for another way
    $this->post("/works/{$work->id}/check")->assertSee('One way so far');
    $this->get("/bench/{$assignment->id}")->assertSee('Begin another way');
    $this->post("/recipes/{$recipe->id}/edit", ['version' => 1, 'do' => 'anew'])
        ->assertOk()
        ->assertSee('No step yet');
    $this->post("/recipes/{$recipe->id}/edit", ['version' => 2, 'do' => 'undo'])->assertOk();
    expect($recipe->fresh()->document()->steps)->toHaveCount(2);
    $this->post("/recipes/{$recipe->id}/edit", ['version' => 3, 'do' => 'redo'])->assertOk();
    // the second way: drawn from above and pulled up
    $second = Parts::recipe([
        [
            'kind' => 'sketch',
            'plane' => 'ground',
            'shapes' => [
                ['kind' => 'rectangle', 'from' => 'middle', 'u' => '0', 'v' => '0', 'width' => '60', 'height' => '40'],
                ['kind' => 'circle', 'u' => '0', 'v' => '0', 'by' => 'diameter', 'round' => '8'],
            ],
        ],
        ['kind' => 'extrude', 'sketch' => 's1', 'distance' => '12', 'regions' => [1]],
    ]);
    app(App\Support\RecipeBook::class)->save($recipe->fresh(), 4, $second);
    $this->post("/works/{$work->id}/hand-in", ['version' => 5])
        ->assertRedirect()
        ->assertSessionHasNoErrors();
    expect($row()['status'])->toBe('met', json_encode($row()));
    // marked again, the first attempt still stands alone
    $this->actingAs($this->s->teacher)->post("{$this->url}/mark-again");
    expect($row()['status'])->toBe('met');
});
