<?php

declare(strict_types=1);

use Tests\Drawn;
use Tests\School;

beforeEach(function (): void {
    $this->s = new School();
    $this->r = $this->s->work($this->s->assignment(), null, [
        ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '20'],
        ['kind' => 'hole', 'where' => 'face', 'face' => 's1:top', 'round' => '8', 'extent' => 'depth', 'depth' => '5', 'bottom' => 'flat'],
        ['kind' => 'block', 'width' => '10', 'depth' => '10', 'height' => '10', 'x' => '60'],
    ])->recipe;
    $this->actingAs($this->s->student);
    $this->at = "/recipes/{$this->r->id}";
    $this->send = fn(array $in) => $this->post("{$this->at}/edit", $in + ['version' => $this->r->fresh()->version]);
    $this->now = fn() => $this->r->fresh()->document();
});

it('names and places all that can be picked', function (): void {
    $a = $this->get("{$this->at}/stage/words")
        ->assertOk()
        ->json();
    expect($a['words']['faces']['s1:top'])
        ->toBe('top of Block')
        ->and($a['words']['edges']['s1:front / s1:top'])
        ->toBe('front and top of Block')
        ->and($a['words']['corners']['s1:front / s1:left / s1:top'])
        ->toBe('corner of front, left and top of Block')
        ->and($a['corners']['s1:front / s1:left / s1:top'])
        ->toEqual([-30, -20, 20])
        ->and($a['bodies']['s3:top'])
        ->toBe('s3')
        ->and($a['bodies']['s2:wall'])
        ->toBe('s1');
});

it('tells what a step adds and takes away', function (): void {
    $a = $this->get("{$this->at}/stage/does/s2")
        ->assertOk()
        ->json();
    expect($a['added'])
        ->toBeNull()
        ->and(count($a['removed']['triangles']))
        ->toBeGreaterThan(100)
        ->and($a['arrows'])
        ->toHaveCount(1)
        ->and($a['arrows'][0])
        ->toMatchArray(['key' => 'depth', 'value' => 5, 'at' => [0, 0, 15], 'way' => [0, 0, -1]]);
    expect($this->get("{$this->at}/stage/does/s3")->json('removed'))->toBeNull();
    $this->get("{$this->at}/stage/does/s9")->assertNotFound();
});

it('shows what a value would do and keeps nothing', function (): void {
    $before = $this->r->fresh()->toArray();
    $files = fn(): int => iterator_count(
        new RecursiveIteratorIterator(new RecursiveDirectoryIterator(storage_path('app/parts'), FilesystemIterator::SKIP_DOTS)),
    );
    $this->get("{$this->at}/stage/words");
    $count = $files();
    $a = $this->post("{$this->at}/stage/try/s3", ['values' => ['height' => '33']])
        ->assertOk()
        ->json();
    // the last step: the whole part as it would be
    expect(substr((string) base64_decode($a['part']), 0, 4))
        ->toBe('glTF')
        ->and($a['says'])
        ->toContain('stands clear')
        ->and(max(array_map(fn(int $i): float => $a['added']['triangles'][3 * $i + 2], range(0, count($a['added']['triangles']) / 3 - 1))))
        ->toEqual(33);
    // an earlier one: what it makes of itself
    $a = $this->post("{$this->at}/stage/try/s2", ['values' => ['depth' => '9']])
        ->assertOk()
        ->json();
    expect($a['part'])->toBeNull()->and($a['removed'])->not->toBeNull()->and($a['arrows'][0]['value'])->toEqual(9);
    expect(
        $this->post("{$this->at}/stage/try/s2", ['values' => ['depth' => 'deep']])
            ->assertOk()
            ->json('says'),
    )->toContain('cannot be read');
    expect($this->r->fresh()->toArray())
        ->toBe($before)
        ->and($files())
        ->toBe($count);
});

it('gives the part as it is after each step', function (): void {
    $of = fn(string $step): string => (string) $this->get("{$this->at}/stage/after/$step.glb?version=1")
        ->assertOk()
        ->getContent();
    expect(substr($of('s1'), 0, 4))->toBe('glTF')->and($of('s1'))->not->toBe($of('s2'))->and($of('s3'))->not->toBe($of('s2'));
});

it('measures, and keeps measurements in view while the part changes', function (): void {
    expect(
        $this->get("{$this->at}/stage/measure?of[]=s1:left&of[]=s1:right")
            ->assertOk()
            ->json(),
    )
        ->toMatchArray(['of' => ['left of Block', 'right of Block']])
        ->and(collect($this->get("{$this->at}/stage/measure?of[]=s1:left&of[]=s1:right")->json('rows'))->pluck(1, 0)['distance'])
        ->toBe('60.00 mm');
    ($this->send)(['do' => 'pin', 'of' => ['s1:left', 's1:right']])
        ->assertOk()
        ->assertSee('left of Block and right of Block')
        ->assertSee('distance 60.00 mm');
    ($this->send)(['do' => 'set', 'step' => 's1', 'values' => ['width' => '70']])
        ->assertOk()
        ->assertSee('distance 70.00 mm');
    ($this->send)(['do' => 'delete', 'step' => 's1'])
        ->assertOk()
        ->assertSee('not there any more');
    ($this->send)(['do' => 'pin', 'of' => ['s1:left', 's1:right']])->assertOk();
    expect(($this->now)()->pins)->toBe([]);
    ($this->send)(['do' => 'pin', 'of' => []])->assertOk();
    ($this->send)(['do' => 'pin', 'of' => ['<script>x</script>']])
        ->assertOk()
        ->assertDontSee('<script>x', false);
});

it('paints a face or a whole body, in colours there are', function (): void {
    ($this->send)(['do' => 'paint', 'of' => ['s1:top'], 'colour' => 'green'])
        ->assertOk()
        ->assertSee('"s1:top":"green"', false);
    ($this->send)(['do' => 'paint', 'of' => ['s3:top'], 'colour' => 'red', 'what' => 'body'])->assertOk();
    expect(($this->now)()->paint)
        ->toHaveKey('s3:left')
        ->not->toHaveKey('s1:left')
        ->and(($this->now)()->paint['s1:top'])
        ->toBe('green');
    ($this->send)(['do' => 'paint', 'of' => ['s1:top'], 'colour' => ''])->assertOk();
    ($this->send)(['do' => 'paint', 'of' => ['s1:front'], 'colour' => 'javascript'])->assertOk();
    expect(($this->now)()->paint)->not->toHaveKey('s1:top')->not->toHaveKey('s1:front');
});

it('takes remarks and headings, and keeps odd ones harmless', function (): void {
    ($this->send)(['do' => 'set', 'step' => 's2', 'note' => "For the <b>post</b>\n", 'heading' => 'Holes & pins'])
        ->assertOk()
        ->assertSee('Holes &amp; pins', false)
        ->assertSee('For the &lt;b&gt;post', false);
    expect(($this->now)()->step('s2'))
        ->note->toBe('For the <b>post</b>')
        ->heading->toBe('Holes & pins');
    ($this->send)(['do' => 'set', 'step' => 's2', 'note' => '', 'heading' => ''])
        ->assertOk()
        ->assertDontSee('Holes');
});

it('puts a new step where the log was gone back to, resting only on what stands before it', function (): void {
    ($this->send)(['do' => 'add', 'kind' => 'mirror', 'after' => 's1'])
        ->assertOk()
        ->assertSee('data-fresh="s4"', false);
    expect(array_column(($this->now)()->steps, 'id'))
        ->toBe(['s1', 's4', 's2', 's3'])
        ->and(($this->now)()->step('s4')->text('source'))
        ->toBe('s1');
    ($this->send)(['do' => 'add', 'kind' => 'block', 'after' => 'nowhere'])->assertOk();
    expect(($this->now)()->steps[4]->kind->id())->toBe('block');
});

it('keeps a step from going before what it rests on, and says what is in the way', function (): void {
    ($this->send)(['do' => 'shift', 'step' => 's2', 'places' => -1])
        ->assertOk()
        ->assertSee('It cannot go earlier: Block, right before it, carries it.');
    expect(array_column(($this->now)()->steps, 'id'))->toBe(['s1', 's2', 's3']);
    ($this->send)(['do' => 'shift', 'step' => 's3', 'places' => -1])->assertOk();
    expect(array_column(($this->now)()->steps, 'id'))->toBe(['s1', 's3', 's2']);
    ($this->send)(['do' => 'shift', 'step' => 's1', 'places' => 2])->assertOk();
    expect(array_column(($this->now)()->steps, 'id'))->toBe(['s1', 's3', 's2']);
});

it('turns what stands on its faces when the plane of a sketch is changed on the bench', function (): void {
    $r = $this->s->work($this->s->assignment(), $this->s->classmate, [
        ['kind' => 'sketch', 'plane' => 'front', 'drawn' => Drawn::rectangle(60, 40)],
        ['kind' => 'extrude', 'sketch' => 's1', 'distance' => '10'],
        ['kind' => 'hole', 'where' => 'face', 'face' => 's2:l2', 'u' => '-5', 'v' => '12', 'round' => '4'],
    ])->recipe;
    $this->actingAs($this->s->classmate)
        ->post("/recipes/{$r->id}/edit", ['version' => 1, 'do' => 'set', 'step' => 's1', 'values' => ['plane' => 'ground']])
        ->assertOk()
        ->assertDontSee('touches nothing');
    // the side of the plate lies upright now, seen from the right: depth of the plate is up, its height to the back
    expect($r->fresh()->document()->step('s3'))
        ->text('u')
        ->toBe('12')
        ->text('v')
        ->toBe('5');
});

it('turns it too when the sketch goes onto a face, which is picked after the plane', function (): void {
    $steps = [
        ['kind' => 'block', 'width' => '100', 'depth' => '100', 'height' => '10', 'x' => '200'],
        ['kind' => 'sketch', 'plane' => 'front', 'drawn' => Drawn::rectangle(60, 40)],
        ['kind' => 'extrude', 'sketch' => 's2', 'distance' => '10'],
        ['kind' => 'hole', 'where' => 'face', 'face' => 's3:l2', 'u' => '-5', 'v' => '12', 'round' => '4'],
    ];
    $r = $this->s->work($this->s->assignment(), $this->s->classmate, $steps)->recipe;
    $send = fn(array $values) => $this->actingAs($this->s->classmate)
        ->post("/recipes/{$r->id}/edit", ['version' => $r->fresh()->version, 'do' => 'set', 'step' => 's2', 'values' => $values])
        ->assertOk();
    $send(['plane' => 'face']);
    $send(['face' => 's1:top'])->assertDontSee('touches nothing');
    // lying on the block now: the plate's depth of 10 is up from there, and the hole still 5 deep in it and 12 along
    $hole = $r->fresh()->document()->step('s4');
    expect($hole->text('u'))->toBe('12')->and((float) $hole->text('v'))->toEqualWithDelta(15.0, 1e-6);
});

it('offers what would help, and takes it over', function (): void {
    ($this->send)(['do' => 'set', 'step' => 's2', 'values' => ['depth' => '19.75']])
        ->assertOk()
        ->assertSee('0.25 mm is left')
        ->assertSee('Make it go through');
    ($this->send)(['do' => 'set', 'step' => 's2', 'values' => ['extent' => 'through']])
        ->assertOk()
        ->assertDontSee('is left');
});

it('lines shapes up, spaces, stacks and lets them down, and takes nothing odd for it', function (): void {
    ($this->send)(['do' => 'align', 'how' => 'high', 'way' => 'x', 'against' => 's1', 'steps' => ['s3']])->assertOk();
    expect(($this->now)()->step('s3')->text('x'))->toBe('25');
    ($this->send)(['do' => 'set', 'step' => 's3', 'values' => ['z' => '50']])->assertOk();
    ($this->send)(['do' => 'drop', 'step' => 's3'])
        ->assertOk()
        ->assertSee('top of Block');
    expect(($this->now)()->step('s3'))
        ->text('stand')
        ->toBe('face')
        ->text('on')
        ->toBe('s1:top');
    ($this->send)(['do' => 'set', 'step' => 's3', 'values' => ['stand' => 'ground', 'x' => '90']])->assertOk();
    ($this->send)(['do' => 'align', 'how' => 'stack', 'steps' => ['s1', 's3']])->assertOk();
    expect(($this->now)()->step('s3')->text('alignx'))->toBe('middle');
    $before = ($this->now)()->toJson();
    foreach (
        [
            ['how' => 'sideways', 'way' => 'x'],
            ['how' => 'low', 'way' => 'q'],
            ['how' => 'low', 'way' => 'x', 'against' => 's9', 'steps' => ['s3']],
            ['how' => 'space', 'way' => 'x', 'steps' => ['s1', 's3']],
            ['how' => 'stack', 'steps' => [['x'], 's2']],
        ]
        as $odd
    ) {
        ($this->send)(['do' => 'align'] + $odd)->assertOk();
    }
    ($this->send)(['do' => 'drop', 'step' => 's2'])->assertOk();
    expect(($this->now)()->toJson())->toBe($before);
});
