<?php

declare(strict_types=1);

/* What students see and when, marking again, layers, and the report on paper. */

use App\Models\HandIn;
use App\Support\Marking;
use App\Support\PartFiles;
use App\Support\Workbench;
use Cubo\Budget\Limit;
use Cubo\Budget\OverBudget;
use Cubo\Recipe\Evaluator;
use Tests\School;

beforeEach(function (): void {
    $this->s = new School();
    $this->exercise = $this->s->exercise();
    $this->assignment = $this->s->assignment($this->exercise);
    // 0.3 too wide: just off
    $this->work = $this->s->work($this->assignment, null, [
        ['kind' => 'block', 'width' => '60.3', 'depth' => '40', 'height' => '12'],
        ['kind' => 'cylinder', 'round' => '4', 'length' => '30', 'z' => '-5', 'effect' => 'cut'],
    ]);
    $this->handIn = $this->s->handIn($this->work);
});

it('marks again after a tolerance was corrected, tells what changed, and keeps the report before', function (): void {
    expect(collect($this->handIn->report)->firstWhere('id', 'size-x')['status'])->toBe('off');
    $this->actingAs($this->s->teacher);
    $this->get("/exercises/{$this->exercise->id}")
        ->assertOk()
        ->assertSee('Mark the hand-in again');
    $this->post("/exercises/{$this->exercise->id}", [
        'title' => 'Drilled plate',
        'requirements' => ['size-x' => ['asked' => '1', 'tolerance' => '0.5', 'points' => '2', 'label' => 'Width']],
    ])
        ->assertRedirect()
        ->assertSessionHasNoErrors();
    $this->travel(2)->seconds();
    $this->post("/exercises/{$this->exercise->id}/mark-again")->assertRedirect("/exercises/{$this->exercise->id}/marked");
    $h = $this->handIn->fresh();
    expect(collect($h->report)->firstWhere('id', 'size-x')['status'])
        ->toBe('met')
        ->and($h->earlier)
        ->toHaveCount(1)
        ->and(collect($h->earlier[0]['rows'])->firstWhere('id', 'size-x')['status'])
        ->toBe('off')
        ->and(Marking::changes($h))
        ->toHaveCount(1)
        ->and(Marking::changes($h)[0])
        ->toMatchArray(['label' => 'Width', 'from' => '0.30 too large', 'to' => 'Met']);
    $this->get("/exercises/{$this->exercise->id}/marked")
        ->assertOk()
        ->assertSeeInOrder(['Ada', 'Width', '0.30 too large', 'Met']);
    $this->get("/hand-ins/{$h->id}")->assertSee('Marked again');
    // once more: nothing changes
    $this->travel(2)->seconds();
    $this->post("/exercises/{$this->exercise->id}/mark-again");
    $this->get("/exercises/{$this->exercise->id}/marked")->assertSee('Nothing changed');
});

it('shows students as much as the teacher chose', function (string $shows, array $see, array $not): void {
    $this->assignment->update(['shows' => $shows]);
    $page = $this->actingAs($this->s->student)
        ->get("/hand-ins/{$this->handIn->id}")
        ->assertOk();
    foreach ($see as $text) {
        $page->assertSee($text);
    }
    foreach ($not as $text) {
        $page->assertDontSee($text);
    }
    // the teacher sees all of it
    $this->actingAs($this->s->teacher)
        ->get("/hand-ins/{$this->handIn->id}")
        ->assertSee('4.00')
        ->assertSee('radius as the diameter')
        ->assertSee('What probably happened');
    // and so do checks at the bench
    $bench = $this->actingAs($this->s->student)
        ->post("/works/{$this->work->id}/check")
        ->assertOk();
    foreach ($not as $text) {
        $bench->assertDontSee($text);
    }
})->with([
    ['hints', ['What probably happened', 'Diameter and radius mixed up', '⌀ 4.00'], []],
    ['values', ['⌀ 4.00'], ['What probably happened', 'radius as the diameter']],
    ['verdict', ['Not met'], ['⌀ 4.00', '4.00 too small', 'What probably happened', 'radius as the diameter']],
]);

it('shows results when the teacher wants them seen', function (): void {
    $student = $this->s->student;
    $this->assignment->update(['shown_when' => 'handed-in']);
    $this->actingAs($student)
        ->post("/works/{$this->work->id}/check")
        ->assertOk()
        ->assertSee('shows the results after handing in');
    expect($this->work->fresh()->checks_used)->toBe(0);
    $this->get("/hand-ins/{$this->handIn->id}")->assertSee('4.00');
    $this->assignment->update(['shown_when' => 'due', 'due_on' => today()->addDay()]);
    $this->get("/hand-ins/{$this->handIn->id}")
        ->assertOk()
        ->assertSee('shows the results after')
        ->assertDontSee('4.00');
    $this->get("/hand-ins/{$this->handIn->id}/report.pdf")->assertNotFound();
    $this->get('/')->assertSee('Results after');
    $this->actingAs($this->s->teacher)
        ->get("/hand-ins/{$this->handIn->id}")
        ->assertSee('4.00');
    $this->travelTo(today()->addDays(2));
    $this->actingAs($student)
        ->get("/hand-ins/{$this->handIn->id}")
        ->assertSee('4.00');
});

it('draws layers and says what a print takes', function (): void {
    $this->actingAs($this->s->student);
    $this->get("/hand-ins/{$this->handIn->id}/layers")
        ->assertOk()
        ->assertSee('60 of')
        ->assertSee('Layer')
        ->assertSee('<svg class="layer"', false);
    $this->get("/hand-ins/{$this->handIn->id}/layers/10?printer=coarse")
        ->assertOk()
        ->assertSee('11')
        ->assertSee('of <span class="num">30</span>', false);
    $this->get("/hand-ins/{$this->handIn->id}/layers/99999")
        ->assertOk()
        ->assertSee('60');
    $this->get("/hand-ins/{$this->handIn->id}/layers?printer[]=x")->assertOk();
});

it('puts the report on paper', function (): void {
    $pdf = $this->actingAs($this->s->teacher)
        ->get("/hand-ins/{$this->handIn->id}/report.pdf")
        ->assertOk()
        ->assertHeader('Content-Type', 'application/pdf')
        ->getContent();
    expect($pdf)->toStartWith('%PDF-');
});

it('keeps what a teacher overruled through a marking', function (): void {
    $this->handIn->update(['overrules' => ['size-x' => ['met' => true, 'reason' => 'measured by hand']]]);
    app(Marking::class)->mark($this->handIn->fresh());
    expect(HandIn::query()->findOrFail($this->handIn->id)->overrules)->toHaveKey('size-x');
});

it('sets one tolerance for all lengths, and keeps it for new ones', function (): void {
    $this->actingAs($this->s->teacher)
        ->post("/exercises/{$this->exercise->id}", ['title' => 'Drilled plate', 'tolerance' => 'm'])
        ->assertSessionHasNoErrors();
    $sizes = collect($this->exercise->fresh()->requirements)->keyBy('id');
    // ISO 2768-1, class m: 0.3 for 60 and 40, 0.2 for 12 and 8
    expect($sizes['size-x']['as'])
        ->toBe('m')
        ->and($sizes['size-x']['tolerance'])
        ->toBe(0.3)
        ->and($sizes['size-z']['tolerance'])
        ->toBe(0.2)
        ->and($sizes['volume']['tolerance'])
        ->toEqual(1.0);
    // a hole that is new in the reference part
    $reference = $this->exercise->fresh()->reference;
    $this->post("/recipes/{$reference->id}/edit", ['version' => $reference->version, 'do' => 'add', 'kind' => 'cylinder'])->assertOk();
    $this->get("/exercises/{$this->exercise->id}")->assertOk();
    expect(collect($this->exercise->fresh()->requirements)->firstWhere('id', 'pin-0-diameter')['as'])->toBe('m');
    foreach (['soon', '-1', '10 to 12'] as $wrong) {
        $this->post("/exercises/{$this->exercise->id}", ['title' => 'Drilled plate', 'tolerance' => $wrong])->assertSessionHasErrors(
            'tolerance',
        );
    }
    $this->post("/exercises/{$this->exercise->id}", ['title' => 'Drilled plate', 'tolerance' => '0.1'])->assertSessionHasNoErrors();
    expect(collect($this->exercise->fresh()->requirements)->firstWhere('id', 'size-x'))
        ->toMatchArray(['tolerance' => 0.1])
        ->not->toHaveKey('as');
});

it('gives nobody half of a part: neither as a file nor as a picture', function (): void {
    // a part nobody has made yet, and nobody waits for it
    $work = $this->s->work($this->assignment, $this->s->classmate, [
        ['kind' => 'block', 'width' => (string) (30 + mt_rand() / mt_getrandmax()), 'depth' => '40', 'height' => '12'],
        ['kind' => 'ball', 'round' => '20'],
    ]);
    $handIn = $this->s->handIn($work);
    app()->forgetScopedInstances();
    app()->instance(PartFiles::class, new PartFiles(sys_get_temp_dir() . '/cubo-cold-' . getmypid()));
    app(Workbench::class)->waits(0);
    foreach (['part', 'glb', 'facets'] as $what) {
        expect(fn() => app(Marking::class)->{$what}($handIn))->toThrow(OverBudget::class, Limit::Time->value);
    }
    // a check that somebody waits for ends as well
    expect(
        fn() => app(Workbench::class)->check((new Evaluator())->evaluate($handIn->recipe()), $this->exercise->sheet(), $handIn->recipe()),
    )->toThrow(OverBudget::class, Limit::Time->value);
    // whoever has time gets it
    app()->forgetScopedInstances();
    expect(app(Marking::class)->part($handIn)->isEmpty())->toBeFalse();
});
