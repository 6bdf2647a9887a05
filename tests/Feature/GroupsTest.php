<?php

declare(strict_types=1);

use App\Models\LibraryPart;
use App\Support\Library;
use Tests\School;

beforeEach(function (): void {
    $this->s = new School();
    $this->r = $this->s->work($this->s->assignment(), null, [
        ['kind' => 'block', 'name' => 'Table', 'width' => '60', 'depth' => '40', 'height' => '10', 'stand' => 'ground'],
        [
            'kind' => 'cylinder',
            'name' => 'Pot',
            'round' => '16',
            'length' => '18',
            'stand' => 'face',
            'on' => 's1:top',
            'alignx' => 'middle',
            'aligny' => 'middle',
            'x' => '12',
        ],
    ])->recipe;
    $this->actingAs($this->s->student);
    $this->at = "/recipes/{$this->r->id}";
    $this->send = fn(array $in) => $this->post("{$this->at}/edit", $in + ['version' => $this->r->fresh()->version]);
    $this->now = fn() => $this->r->fresh()->document();
    $this->group = function (string $name = 'Pot plant'): string {
        ($this->send)(['do' => 'group', 'steps' => ['s2'], 'name' => $name])->assertOk();

        return array_key_last(($this->now)()->groups);
    };
});

it('groups, opens, changes and closes, and checks the whole all the while', function (): void {
    ($this->group)();
    $whole = app(App\Support\Workbench::class)->evaluate(($this->now)())->key;
    ($this->send)(['do' => 'open', 'group' => 'g1'])
        ->assertOk()
        ->assertSee('Inside Pot plant')
        ->assertDontSee('name of step 2');
    expect($this->r->fresh()->atHand()->steps)->toHaveCount(1);
    // the group alone is on the stage; files and checks are of the whole
    $alone = app(App\Support\Workbench::class)->evaluate($this->r->fresh()->atHand())->key;
    foreach ([$whole, $alone] as $key) {
        $this->get("/recipes/{$this->r->id}/part/$key.glb")->assertOk();
    }
    $this->get("/recipes/{$this->r->id}/part/" . sha1('x') . '.glb')->assertNotFound();
    $this->get("{$this->at}/stage/words")
        ->assertOk()
        ->assertJsonPath('words.faces.s2:top', 'top of Pot');
    ($this->send)(['do' => 'set', 'step' => 's2', 'values' => ['length' => '28']])->assertOk();
    $this->post("/works/{$this->r->work->id}/check")->assertOk();
    expect($this->r->work->fresh()->last_check['key'])
        ->toBe(app(App\Support\Workbench::class)->evaluate(($this->now)())->key)
        ->and(($this->now)()->groups['g1']->recipe->steps[0]->text('length'))
        ->toBe('28');
    ($this->send)(['do' => 'close'])
        ->assertOk()
        ->assertDontSee('Inside Pot plant')
        ->assertSee('one of the group');
    ($this->send)(['do' => 'ungroup', 'step' => 's3'])->assertOk();
    expect(array_column(($this->now)()->steps, 'name'))
        ->toBe(['Table', 'Pot'])
        ->and(($this->now)()->steps[1]->text('length'))
        ->toBe('28');
});

it('says in words at the place what cannot be done, and changes nothing', function (array $edit, string $words): void {
    ($this->group)();
    $before = ($this->now)()->toJson();
    ($this->send)($edit)->assertStatus(409)->assertHeader('Cubo-Edit', 'refused')->assertSee($words)->assertSee('Nothing was changed');
    expect(($this->now)()->toJson())->toBe($before);
})->with([
    'a name used twice' => [['do' => 'group', 'steps' => ['s1'], 'name' => 'POT PLANT'], 'There is a group called'],
    'nothing chosen' => [['do' => 'group', 'steps' => []], 'Choose the shapes'],
    'a group that is still placed' => [['do' => 'forget', 'group' => 'g1'], 'still placed'],
    'a group that is not there' => [['do' => 'place', 'group' => 'g7'], 'no such group'],
    'a part that is not there' => [['do' => 'take', 'part' => 9999], 'not in the library any more'],
    'a round face for the ground' => [['do' => 'ground', 'face' => 's3:in/s2:side'], 'Only a flat face can'],
]);

it('does not place a group in itself', function (): void {
    ($this->group)();
    ($this->send)(['do' => 'open', 'group' => 'g1'])->assertOk();
    ($this->send)(['do' => 'place', 'group' => 'g1'])
        ->assertStatus(409)
        ->assertSee('A group cannot contain itself');
});

it('refuses ten thousand copies in words and keeps what was typed', function (): void {
    ($this->send)(['do' => 'around', 'step' => 's2', 'count' => 6])->assertOk();
    $id = ($this->now)()->steps[2]->id;
    ($this->send)(['do' => 'set', 'step' => $id, 'values' => ['count' => '10000']])
        ->assertOk()
        ->assertSee('a whole number from 1 to 50');
    expect(($this->now)()->step($id)?->text('count'))->toBe('10000');
    ($this->send)(['do' => 'one-more', 'step' => 's2'])->assertOk();
    expect(($this->now)()->step($id)?->text('count'))->toBe('10000');
});

it('moves and turns a shape by steps', function (): void {
    ($this->send)(['do' => 'nudge', 'step' => 's2', 'by' => ['2', '-1', '0']])->assertOk();
    ($this->send)(['do' => 'spin', 'step' => 's2', 'degrees' => '15'])->assertOk();
    expect(($this->now)()->step('s2')?->text('x'))
        ->toBe('14')
        ->and(($this->now)()->step('s2')?->text('y'))
        ->toBe('-1')
        ->and(($this->now)()->step('s2')?->text('facing'))
        ->toBe('15');
    $brief = ($this->send)(['do' => 'nudge', 'step' => 's2', 'by' => ['0.5', '0', '0'], 'brief' => 1])
        ->assertOk()
        ->json();
    expect($brief['version'])
        ->toBe($this->r->fresh()->version)
        ->and(($this->now)()->step('s2')?->text('x'))
        ->toBe('14.5');
    $this->get($brief['glb'])->assertOk();
    $this->get("{$this->at}/now?step=s2")
        ->assertOk()
        ->assertSee('value="14.5"', false);
    $version = $this->r->fresh()->version;
    ($this->send)(['do' => 'nudge', 'step' => 's2', 'by' => ['nan', '1e99', []]])->assertOk();
    ($this->send)(['do' => 'nudge', 'step' => 's9', 'by' => ['1', '1', '1']])->assertOk();
    expect($this->r->fresh()->version)->toBe($version);
    $read = $this->postJson("{$this->at}/stage/try/s2", ['by' => ['0', '0', '2']])
        ->assertOk()
        ->json();
    expect($read['lies'])
        ->toBe('2 mm gap to Table')
        ->and($this->r->fresh()->version)
        ->toBe($version);
});

it('stands new shapes on a face while that is the ground', function (): void {
    ($this->send)(['do' => 'ground', 'face' => 's1:top'])->assertOk();
    ($this->send)(['do' => 'add', 'kind' => 'ball'])->assertOk();
    ($this->send)(['do' => 'ground', 'face' => ''])->assertOk();
    ($this->send)(['do' => 'add', 'kind' => 'ball'])->assertOk();
    expect(($this->now)()->steps[2]->text('on'))
        ->toBe('s1:top')
        ->and(($this->now)()->steps[2]->text('stand'))
        ->toBe('face')
        ->and(($this->now)()->steps[3]->text('stand'))
        ->toBe('ground');
});

it('tells which shapes nobody sees', function (): void {
    ($this->send)(['do' => 'add', 'kind' => 'ball'])->assertOk();
    ($this->send)(['do' => 'set', 'step' => 's3', 'values' => ['round' => '4', 'z' => '3']])->assertOk();
    $this->get("{$this->at}/stage/unseen")
        ->assertOk()
        ->assertExactJson(['s3' => 'lies hidden inside Table']);
});

it('freezes versions in the library, and tells of newer ones', function (): void {
    ($this->group)();
    $this->post("{$this->at}/library", ['group' => 'g1', 'tags' => 'Garden,  pot , garden,'])
        ->assertOk()
        ->assertSee('is in the library, version 1');
    $part = LibraryPart::query()->sole();
    expect($part->tags)
        ->toBe(['garden', 'pot'])
        ->and($part->class_id)
        ->toBeNull();
    ($this->send)(['do' => 'take', 'part' => $part->id])
        ->assertOk()
        ->assertSee('by Ada, version 1');
    // the first group changes and becomes version 2; what was taken stays as it was
    ($this->send)(['do' => 'open', 'group' => 'g1']);
    ($this->send)(['do' => 'set', 'step' => 's2', 'values' => ['length' => '40']]);
    ($this->send)(['do' => 'close']);
    $this->post("{$this->at}/library", ['group' => 'g1', 'tags' => 'pot'])
        ->assertOk()
        ->assertSee('version 2');
    expect(($this->now)()->groups['g2']->recipe->steps[0]->text('length'))->toBe('18');
    $this->get("/bench/{$this->r->work->assignment_id}")->assertSee('Take over version 2');
    ($this->send)(['do' => 'renew', 'group' => 'g2'])
        ->assertOk()
        ->assertDontSee('Take over version 2');
    expect(($this->now)()->groups['g2']->recipe->steps[0]->text('length'))
        ->toBe('40')
        ->and(($this->now)()->groups['g2']->from?->version)
        ->toBe(2);
    // one part does not come in twice
    ($this->send)(['do' => 'take', 'part' => $part->id])->assertOk();
    expect(($this->now)()->groups)->toHaveCount(2);
    // removed from the library, it stays where it is used
    $this->delete("/library/{$part->id}")->assertRedirect('/library');
    expect(($this->now)()->groups)->toHaveCount(2);
    $this->get("/bench/{$this->r->work->assignment_id}")->assertOk();
});

it('does not let a part of the library contain itself', function (): void {
    ($this->group)('Pot');
    $this->post("{$this->at}/library", ['group' => 'g1'])->assertOk();
    ($this->send)(['do' => 'take', 'part' => LibraryPart::query()->sole()->id])->assertOk();
    // a new group with the taken one in it, under the old name
    ($this->send)(['do' => 'group-name', 'group' => 'g1', 'name' => 'Old pot'])->assertOk();
    $taken = ($this->now)()->steps[array_key_last(($this->now)()->steps)]->id;
    ($this->send)(['do' => 'group-name', 'group' => 'g2', 'name' => 'Inner pot'])->assertOk();
    ($this->send)(['do' => 'group', 'steps' => [$taken], 'name' => 'Pot'])->assertOk();
    $this->post("{$this->at}/library", ['group' => 'g3'])
        ->assertOk()
        ->assertSee('A part of the library cannot contain itself');
    expect(LibraryPart::query()->sole()->version)->toBe(1);
});

it('shows parts to those they are shared with, and to nobody else', function (): void {
    $s = $this->s;
    $put = function ($owner, ?int $class, string $name): LibraryPart {
        $d = School::document([['kind' => 'block', 'stand' => 'ground'], ['kind' => 'ball', 'x' => '50']]);
        $d = Cubo\Recipe\Groups\Grouping::group($d, ['s1'], $name, (new Cubo\Recipe\Evaluator())->evaluate(...));

        return app(Library::class)->put($owner, $class === null ? null : App\Models\SchoolClass::query()->findOrFail($class), $d, 'g1', [
            'wood',
        ]);
    };
    $own = $put($s->student, null, 'Own peg');
    $shared = $put($s->teacher, $s->class->id, 'Class peg');
    $secret = $put($s->teacher, null, 'Teacher peg');
    $other = $put($s->otherTeacher, $s->otherClass->id, 'Other peg');
    $page = fn($who, string $q = '') => $this->actingAs($who)
        ->get('/library?q=' . urlencode($q))
        ->assertOk();
    $page($s->student)->assertSee('Own peg')->assertSee('Class peg')->assertDontSee('Teacher peg')->assertDontSee('Other peg');
    $page($s->classmate)->assertDontSee('Own peg')->assertSee('Class peg');
    $page($s->stranger)->assertSee('Other peg')->assertDontSee('Class peg');
    $page($s->teacher)->assertSee('Class peg')->assertSee('Teacher peg')->assertDontSee('Own peg');
    // the words of a search may be of the name, a tag or the author
    $page($s->student, 'peg ines')->assertSee('Class peg')->assertDontSee('by you');
    $page($s->student, 'wood OWN')->assertSee('Own peg')->assertDontSee('Class peg');
    $page($s->student, '<script>')->assertSee('Nothing is called')->assertDontSee('<script>', false);
    $this->actingAs($s->student)
        ->get("{$this->at}/library?q=class")
        ->assertOk()
        ->assertSee('Class peg')
        ->assertDontSee('Own peg');
    // what is not shared cannot be taken, changed or removed by its number
    foreach ([$secret, $other] as $hidden) {
        ($this->send)(['do' => 'take', 'part' => $hidden->id])->assertStatus(409);
    }
    ($this->send)(['do' => 'take', 'part' => $shared->id])->assertOk();
    foreach ([$shared, $secret, $other] as $not) {
        $this->post("/library/{$not->id}", ['name' => 'Mine now'])->assertForbidden();
        $this->delete("/library/{$not->id}")->assertForbidden();
    }
    $this->get("/recipes/{$s->exercise()->reference_id}/library")->assertForbidden();
    $this->post("/recipes/{$s->exercise()->reference_id}/library", ['group' => 'g1'])->assertForbidden();
    // nobody shares with a class that is not theirs
    $this->post("/library/{$own->id}", ['name' => 'Own peg', 'class' => $s->class->id])->assertForbidden();
    ($this->group)();
    $this->post("{$this->at}/library", ['group' => 'g1', 'class' => $s->class->id])->assertForbidden();
    $this->actingAs($s->teacher)
        ->post("/library/{$secret->id}", ['name' => 'Teacher peg', 'class' => $s->otherClass->id])
        ->assertForbidden();
    $this->actingAs($s->teacher)
        ->post("/library/{$secret->id}", ['name' => 'Now seen', 'tags' => 'a, b', 'class' => $s->class->id])
        ->assertRedirect('/library');
    $page($s->classmate)->assertSee('Now seen');
    // a new version keeps the class and the tags it had
    $again = $put($s->teacher, null, 'Now seen');
    expect([$again->id, $again->version, $again->class_id, $again->tags])->toBe([$secret->id, 2, $s->class->id, ['wood']]);
    $page($s->classmate)->assertSee('Now seen');
    $this->actingAs($s->teacher)
        ->post("/library/{$secret->id}", ['name' => 'Class peg'])
        ->assertSessionHasErrors(['name' => 'Another part of yours has that name already.']);
});

it('keeps a class from setting sizes that were locked', function (): void {
    ($this->group)();
    ($this->send)(['do' => 'open', 'group' => 'g1']);
    ($this->send)(['do' => 'sizes', 'sizes' => [['name' => 'wide', 'value' => '16'], ['name' => 'tall', 'value' => '18']]])->assertOk();
    ($this->send)(['do' => 'lock', 'group' => 'g1', 'of' => 'wide', 'on' => 1])->assertOk();
    ($this->send)(['do' => 'close'])
        ->assertOk()
        ->assertSee('tall of this one')
        ->assertDontSee('wide of this one');
    expect(($this->now)()->groups['g1']->locked)->toBe(['wide']);
    ($this->send)(['do' => 'set', 'step' => 's3', 'values' => ['set' => ['tall' => '30', 'x y' => '3']]])->assertOk();
    expect(($this->now)()->step('s3')?->sizes())->toBe(['tall' => '30']);
    ($this->send)(['do' => 'ungroup', 'step' => 's3'])
        ->assertStatus(409)
        ->assertSee('This group is locked');
});

it('draws a sketch on the pad inside a group that is open', function (): void {
    ($this->send)(['do' => 'add', 'kind' => 'sketch'])->assertOk();
    $sketch = ($this->now)()->steps[2]->id;
    ($this->send)(['do' => 'add-shape', 'step' => $sketch, 'kind' => 'circle'])->assertOk();
    ($this->send)(['do' => 'add', 'kind' => 'extrude'])->assertOk();
    ($this->send)(['do' => 'group', 'steps' => [($this->now)()->steps[3]->id], 'name' => 'Drawn'])->assertOk();
    expect(($this->now)()->groups['g1']->recipe->steps)->toHaveCount(2);
    ($this->send)(['do' => 'open', 'group' => 'g1'])->assertOk();
    $this->get("{$this->at}/pad/$sketch")->assertOk();
    $this->postJson("{$this->at}/pad/$sketch", [
        'do' => 'type',
        'text' => 'circle diameter 4 at 20; 0',
        'version' => $this->r->fresh()->version,
    ])->assertOk();
    expect(count(($this->now)()->groups['g1']->recipe->steps[0]->drawn()->entities))
        ->toBe(2)
        ->and(($this->now)()->step($sketch))
        ->toBeNull();
    ($this->send)(['do' => 'close'])->assertOk();
    $this->get("{$this->at}/pad/$sketch")->assertNotFound();
});
