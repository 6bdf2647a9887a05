<?php

declare(strict_types=1);

use App\Jobs\ReadReference;
use App\Models\Assignment;
use App\Models\Exercise;
use App\Support\PartFiles;
use Cubo\Budget\Limit;
use Cubo\Budget\OverBudget;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Queue;
use Tests\School;

beforeEach(function (): void {
    $this->s = new School();
    $this->actingAs($this->s->teacher);
});

it('makes an exercise and goes on to its reference part', function (): void {
    $this->post('/exercises', ['title' => 'Sensor foot', 'brief' => "One.\n\nTwo.", 'unit' => 'in'])->assertRedirect();
    $e = Exercise::query()->where('title', 'Sensor foot')->firstOrFail();
    $this->get("/exercises/{$e->id}/bench")
        ->assertOk()
        ->assertSee('inch');
    $this->get("/exercises/{$e->id}")
        ->assertOk()
        ->assertSee('Build it first')
        ->assertSee('Nothing to measure yet');
});

it('says beside the field what is missing and keeps what was typed', function (): void {
    $this->from('/exercises/new')
        ->post('/exercises', ['title' => '', 'brief' => 'kept text', 'unit' => 'yd'])
        ->assertSessionHasErrors(['title', 'unit']);
    $this->get('/exercises/new')->assertSee('Give the exercise a title.')->assertSee('kept text');
});

it('reads nominal values from the reference part and follows its edits', function (): void {
    $e = $this->s->exercise();
    $this->get("/exercises/{$e->id}")
        ->assertOk()
        ->assertSee('60')
        ->assertSee('⌀ 8');
    $this->post("/recipes/{$e->reference_id}/edit", [
        'version' => 1,
        'do' => 'set',
        'step' => 's1',
        'values' => ['width' => '75'],
    ])->assertOk();
    $this->get("/exercises/{$e->id}")->assertOk();
    expect($e->fresh()->sheet()->requirements[0]->nominal)->toBe(75.0);
});

it('keeps tolerance, points, name and choice of each requirement', function (): void {
    $e = $this->s->exercise();
    $this->get("/exercises/{$e->id}");
    $this->post("/exercises/{$e->id}", [
        'title' => 'Plate',
        'brief' => '',
        'requirements' => [
            'size-x' => ['asked' => '1', 'label' => 'Long side', 'tolerance' => '1/4', 'points' => '5'],
            'size-y' => ['asked' => '0', 'label' => 'Depth', 'tolerance' => '0.2', 'points' => '2'],
            'wall' => ['asked' => '1', 'label' => 'Thinnest wall', 'limit' => '3/2', 'points' => '1'],
            'fits-bed' => ['asked' => '1', 'label' => 'Fits', 'x' => '200', 'y' => '150', 'z' => '100', 'points' => '1'],
        ],
    ])
        ->assertRedirect()
        ->assertSessionHasNoErrors();
    $r = collect($e->fresh()->sheet()->requirements)->keyBy('id');
    expect([$r['size-x']->label, $r['size-x']->tolerance, $r['size-x']->points, $r['size-x']->nominal])
        ->toBe(['Long side', 0.25, 5, 60.0])
        ->and($r['size-y']->asked)
        ->toBeFalse()
        ->and($r['size-y']->letter)
        ->toBe('')
        ->and($r['wall']->nominal)
        ->toBe(1.5)
        ->and($r['fits-bed']->where['y'])
        ->toEqual(150);
    // another look at the exercise keeps the choices
    $this->get("/exercises/{$e->id}")
        ->assertOk()
        ->assertSee('Long side');
    expect($e->fresh()->sheet()->requirements[0]->tolerance)->toBe(0.25);
});

it('keeps what was asked of a place that is gone for a while, with its tolerance', function (): void {
    $e = $this->s->exercise();
    $this->get("/exercises/{$e->id}")
        ->assertOk()
        ->assertDontSee('not on the reference part now');
    $this->post("/exercises/{$e->id}", [
        'title' => 'Plate',
        'requirements' => [
            'hole-0-diameter' => ['asked' => '1', 'label' => 'Bore', 'tolerance' => 'H7', 'points' => '4'],
            'size-y' => ['asked' => '0', 'label' => 'Depth', 'tolerance' => '0.7', 'points' => '2'],
        ],
    ])->assertSessionHasNoErrors();
    $switch = fn(int $version): mixed => $this->post("/recipes/{$e->reference_id}/edit", [
        'version' => $version,
        'do' => 'switch',
        'step' => 's2',
    ])->assertOk();
    $switch(1);
    $this->get("/exercises/{$e->id}")
        ->assertOk()
        ->assertSee('not on the reference part now')
        ->assertSee('Bore');
    expect(array_column($e->fresh()->sheet()->requirements, 'id'))->not->toContain('hole-0-diameter');
    $switch(2);
    $this->get("/exercises/{$e->id}")
        ->assertOk()
        ->assertDontSee('not on the reference part now');
    $r = array_column($e->fresh()->sheet()->requirements, null, 'id');
    expect([$r['hole-0-diameter']->asked, $r['hole-0-diameter']->as, $r['hole-0-diameter']->label, $r['hole-0-diameter']->points])
        ->toBe([true, 'H7', 'Bore', 4])
        ->and([$r['size-y']->asked, $r['size-y']->tolerance])
        ->toBe([false, 0.7]);
    $switch(3);
    $this->get("/exercises/{$e->id}");
    $this->post("/exercises/{$e->id}", ['title' => 'Plate', 'forget' => '1'])->assertSessionHasNoErrors();
    $this->get("/exercises/{$e->id}")
        ->assertOk()
        ->assertDontSee('not on the reference part now');
});

it('reads a large reference part in the background, and drops nothing meanwhile', function (): void {
    Queue::fake();
    $parts = sys_get_temp_dir() . '/large-' . bin2hex(random_bytes(4));
    app()->scoped(PartFiles::class, static fn(): PartFiles => new PartFiles($parts));
    $e = $this->s->exercise(null, [
        ['kind' => 'block', 'width' => '200', 'depth' => '200', 'height' => '5'],
        ['kind' => 'cylinder', 'round' => '6', 'length' => '30', 'x' => '-90', 'y' => '-90', 'z' => '-5', 'effect' => 'cut'],
        [
            'kind' => 'repeat',
            'of' => 'step',
            'source' => 's2',
            'way' => 'grid',
            'count' => '12',
            'rows' => '12',
            'x' => '15',
            'y' => '0',
            'y2' => '15',
        ],
    ]);
    $asked = count($e->sheet()->asked());
    expect($asked)->toBeGreaterThan(100)->and(count($e->sheet()->requirements))->toBeLessThan(400);
    $this->get("/exercises/{$e->id}")
        ->assertOk()
        ->assertSee('The reference part is being read')
        ->assertSee('data-looks-again', false);
    Queue::assertPushed(ReadReference::class, 1);
    expect(count($e->fresh()->sheet()->asked()))->toBe($asked);
    app()->forgetScopedInstances();
    app()->call([new ReadReference($e->id), 'handle']);
    $this->get("/exercises/{$e->id}")
        ->assertOk()
        ->assertSee('144 holes')
        ->assertSee('name="rows"', false);
    // a form of which the end is missing is not taken
    $this->post("/exercises/{$e->id}", [
        'title' => 'Plate',
        'rows' => '300',
        'requirements' => ['size-x' => ['asked' => '0']],
    ])->assertSessionHasErrors('title');
    expect(count($e->fresh()->sheet()->asked()))->toBe($asked);
    File::deleteDirectory($parts);
});

it('gives up a reference part that is too much to read, and says so, with all that was asked', function (): void {
    Queue::fake();
    $parts = sys_get_temp_dir() . '/large-' . bin2hex(random_bytes(4));
    app()->scoped(PartFiles::class, static fn(): PartFiles => new PartFiles($parts));
    $e = $this->s->exercise(null, [
        ['kind' => 'block', 'width' => '200', 'depth' => '200', 'height' => '5'],
        ['kind' => 'cylinder', 'round' => '6', 'length' => '30', 'x' => '-90', 'y' => '-90', 'z' => '-5', 'effect' => 'cut'],
        [
            'kind' => 'repeat',
            'of' => 'step',
            'source' => 's2',
            'way' => 'grid',
            'count' => '12',
            'rows' => '11',
            'x' => '15',
            'y' => '0',
            'y2' => '15',
        ],
    ]);
    $asked = count($e->sheet()->asked());
    $this->get("/exercises/{$e->id}")->assertSee('The reference part is being read');
    app()->forgetScopedInstances();
    // a fault of another kind is tried again
    (new ReadReference($e->id))->failed(new RuntimeException('disk'));
    $this->get("/exercises/{$e->id}")->assertSee('The reference part is being read');
    app()->forgetScopedInstances();
    (new ReadReference($e->id))->failed(new OverBudget(Limit::Memory));
    $this->get("/exercises/{$e->id}")
        ->assertOk()
        ->assertSee('not everything in it was looked for');
    expect(count($e->fresh()->sheet()->asked()))->toBe($asked);
    File::deleteDirectory($parts);
});

it('never takes a nominal value from the form', function (): void {
    $e = $this->s->exercise();
    $this->post("/exercises/{$e->id}", [
        'title' => 'Plate',
        'requirements' => [
            'size-x' => ['asked' => '1', 'label' => 'Width', 'tolerance' => '0.2', 'points' => '2', 'nominal' => '1', 'limit' => '1'],
        ],
    ]);
    expect($e->fresh()->sheet()->requirements[0]->nominal)->toBe(60.0);
});

it('keeps a tolerance in the form it was typed, and shows it to the class', function (string $typed, string $shown, string $as): void {
    $e = $this->s->exercise();
    $assignment = $this->s->assignment($e);
    $this->actingAs($this->s->teacher)
        ->post("/exercises/{$e->id}", [
            'title' => 'Plate',
            'requirements' => ['hole-0-diameter' => ['asked' => '1', 'label' => 'Bore', 'tolerance' => $typed, 'points' => '2']],
        ])
        ->assertSessionHasNoErrors();
    $r = array_column($e->fresh()->sheet()->requirements, null, 'id')['hole-0-diameter'];
    expect($r->as)->toBe($as);
    $this->get("/exercises/{$e->id}")
        ->assertOk()
        ->assertSee('value="' . ($as === '' ? '0.3' : e($as)) . '"', false);
    $this->actingAs($this->s->student)
        ->get("/bench/{$assignment->id}")
        ->assertOk()
        ->assertSee($shown);
})->with([['H7', 'H7 +0.015 / 0', 'H7'], ['m', 'm ±0.2', 'm'], ['+0.1 -0.3', '+0.1 / −0.3', '+0.1 -0.3'], ['0.3', '±0.3', '']]);

it('says at the field what cannot be a tolerance, a limit or points', function (array $input, string $field): void {
    $e = $this->s->exercise();
    $this->from("/exercises/{$e->id}")
        ->post("/exercises/{$e->id}", ['title' => 'Plate', 'requirements' => $input])
        ->assertSessionHasErrors($field);
    $this->get("/exercises/{$e->id}")
        ->assertOk()
        ->assertSee('class="wrong"', false);
})->with([
    [['size-x' => ['asked' => '1', 'label' => 'Width', 'tolerance' => 'much', 'points' => '2']], 'requirements.size-x.tolerance'],
    [['size-x' => ['asked' => '1', 'label' => 'Width', 'tolerance' => '-1', 'points' => '2']], 'requirements.size-x.tolerance'],
    [['size-x' => ['asked' => '1', 'label' => 'Width', 'tolerance' => 'H99', 'points' => '2']], 'requirements.size-x.tolerance'],
    [['size-x' => ['asked' => '1', 'label' => 'Width', 'tolerance' => '61 to 59', 'points' => '2']], 'requirements.size-x.tolerance'],
    [['size-x' => ['asked' => '1', 'label' => 'Width', 'tolerance' => '0.2', 'points' => 'two']], 'requirements.size-x.points'],
    [['size-x' => ['asked' => '1', 'label' => ' ', 'tolerance' => '0.2', 'points' => '2']], 'requirements.size-x.label'],
    [['wall' => ['asked' => '1', 'label' => 'Wall', 'limit' => '0', 'points' => '2']], 'requirements.wall.limit'],
    [['fits-bed' => ['asked' => '1', 'label' => 'Bed', 'x' => '-5', 'points' => '2']], 'requirements.fits-bed.x'],
]);

it('gives an exercise to a class with a due date', function (): void {
    $e = $this->s->exercise();
    $this->post("/exercises/{$e->id}/assignments", [
        'class_id' => $this->s->class->id,
        'due_on' => '2030-05-02',
        'checks_allowed' => '',
    ])->assertRedirect();
    $a = Assignment::query()->firstOrFail();
    expect($a->due_on->toDateString())->toBe('2030-05-02')->and($a->checks_allowed)->toBeNull();
    // once more only changes the date
    $this->post("/exercises/{$e->id}/assignments", [
        'class_id' => $this->s->class->id,
        'due_on' => '2030-05-09',
        'checks_allowed' => '3',
    ])->assertRedirect();
    expect(Assignment::query()->count())
        ->toBe(1)
        ->and($a->fresh()->checks_allowed)
        ->toBe(3);
});

it('does not give out an exercise that asks for nothing', function (): void {
    $e = $this->s->exercise(null, []);
    $this->post("/exercises/{$e->id}/assignments", ['class_id' => $this->s->class->id, 'due_on' => '2030-05-02'])->assertSessionHasErrorsIn(
        'give',
        'class_id',
    );
    expect(Assignment::query()->count())->toBe(0);
});

it('shows the class by requirement, those who wait on top', function (): void {
    $a = $this->s->assignment();
    $steps = [
        ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '12'],
        ['kind' => 'cylinder', 'round' => '4', 'length' => '30', 'z' => '-5', 'effect' => 'cut'],
    ];
    $this->s->handIn($this->s->work($a, $this->s->classmate, $steps));
    $page = $this->get("/assignments/{$a->id}")
        ->assertOk()
        ->assertSeeInOrder(['Bruno', 'Ada'])
        ->assertSee('Not begun')
        ->assertSee('Most common slips')
        ->assertSee('Sizes most often off')
        ->assertSee('Diameter and radius mixed up')
        ->assertSee('radius as the diameter')
        ->getContent();
    expect($page)->toContain('4.00 too small');
});

it('overrules a row with a reason, and takes it back', function (): void {
    $h = $this->s->handIn(
        $this->s->work($this->s->assignment(), null, [['kind' => 'block', 'width' => '61', 'depth' => '40', 'height' => '12']]),
    );
    $points = $h->points();
    $this->from("/hand-ins/{$h->id}")
        ->post("/hand-ins/{$h->id}/overrule", ['row' => 'size-x', 'met' => '1', 'reason' => ''])
        ->assertSessionHasErrorsIn('row-size-x', 'reason');
    $this->post("/hand-ins/{$h->id}/overrule", ['row' => 'size-x', 'met' => '1', 'reason' => 'Agreed in class'])->assertRedirect();
    expect($h->fresh()->points())->toBe($points + 2);
    $this->get("/hand-ins/{$h->id}")->assertSee('Agreed in class');
    // the measured report itself stays as it was
    expect(collect($h->fresh()->report)->firstWhere('id', 'size-x')['status'])->toBe('off');
    $this->post("/hand-ins/{$h->id}/overrule", ['row' => 'size-x', 'met' => 'as measured'])->assertRedirect();
    expect($h->fresh()->points())->toBe($points);
    $this->post("/hand-ins/{$h->id}/overrule", ['row' => 'nonsense', 'met' => '1', 'reason' => 'x'])->assertSessionHasErrorsIn(
        'row-nonsense',
        'row',
    );
});

it('comments, sends back and accepts, and the student sees it', function (): void {
    $h = $this->s->handIn($this->s->work($this->s->assignment(), null, [['kind' => 'block']]));
    $this->post("/hand-ins/{$h->id}/decide", ['state' => 'returned', 'comment' => 'Look at the <hole>.'])->assertRedirect();
    $this->actingAs($this->s->student)->get('/')->assertSee('Came back')->assertSee('Look at the &lt;hole&gt;.', false);
    $this->get("/hand-ins/{$h->id}")
        ->assertSee('Your teacher says')
        ->assertSee('Sent back')
        ->assertDontSee('Overrule');
    $this->actingAs($this->s->teacher)
        ->post("/hand-ins/{$h->id}/decide", ['state' => 'accepted', 'comment' => ''])
        ->assertRedirect();
    expect($h->fresh()->state)->toBe('accepted');
    $this->post("/hand-ins/{$h->id}/decide", ['state' => 'burnt'])->assertSessionHasErrors('state');
});

it('shows a class at work: at which step, who is stuck, and only what has changed', function (): void {
    $school = $this->s;
    $assignment = $school->assignment($school->exercise());
    $work = $school->work($assignment, null, [['kind' => 'block'], ['kind' => 'block']]);
    $this->actingAs($school->teacher);
    $stamp = App\Support\LiveClass::stamp($assignment);
    $this->get("/assignments/$assignment->id")
        ->assertOk()
        ->assertSee('step 2')
        ->assertDontSee(__('lesson.stuck'));
    $this->get("/assignments/$assignment->id/live?since=$stamp")->assertNoContent();
    $work->update(['recent_slips' => ['unit', 'unit', 'unit']]);
    $this->travel(2)->seconds();
    $work->touch();
    $this->get("/assignments/$assignment->id/live?since=$stamp")
        ->assertOk()
        ->assertSee(__('lesson.stuck'))
        ->assertDontSee('<html', false);
    $this->actingAs($school->otherTeacher)
        ->get("/assignments/$assignment->id/live")
        ->assertForbidden();
});

it('keeps what the last checks said first, so that the same slip three times is seen', function (): void {
    $school = $this->s;
    $assignment = $school->assignment($school->exercise());
    $work = $school->work($assignment, null, [['kind' => 'block', 'width' => '61', 'depth' => '40', 'height' => '12']]);
    foreach (['61', '62', '63'] as $width) {
        Illuminate\Support\Facades\DB::table('revisions')
            ->where('recipe_id', $work->recipe_id)
            ->update([
                'document' => School::document([['kind' => 'block', 'width' => $width, 'depth' => '40', 'height' => '12']])->toJson(),
            ]);
        app()->forgetScopedInstances();
        $this->actingAs($school->student)
            ->post("/works/$work->id/check")
            ->assertOk();
    }
    $slips = $work->refresh()->recent_slips;
    expect(count($slips))->toBe(3)->and(count(array_unique($slips)))->toBe(1)->and($slips[0])->not->toBe('');
});

it('accepts all that wait and met everything, and leads from one report to the next', function (): void {
    $school = $this->s;
    $exercise = $school->exercise();
    $assignment = $school->assignment($exercise);
    $right = $school->work($assignment, null, $exercise->reference->document()->toArray()['steps']);
    $wrong = $school->work($assignment, $school->classmate, [['kind' => 'block']]);
    [$one, $two] = [$school->handIn($right), $school->handIn($wrong)];
    $this->actingAs($school->teacher)
        ->get("/hand-ins/$one->id")
        ->assertOk()
        ->assertSee("hand-ins/$two->id")
        ->assertSee('data-key="n"', false)
        ->assertDontSee('data-key="b"', false);
    $this->get("/hand-ins/$two->id")->assertSee('data-key="b"', false);
    $this->actingAs($school->student)
        ->get("/hand-ins/$one->id")
        ->assertDontSee('data-key', false);
    $this->actingAs($school->teacher)
        ->post("/assignments/$assignment->id/accept-met")
        ->assertRedirect()
        ->assertSessionHas('said', '1 part that met everything was accepted.');
    expect($one->refresh()->state)->toBe('accepted')->and($two->refresh()->state)->toBe('waiting');
});
