<?php

declare(strict_types=1);

use Cubo\Budget\Budget;
use Cubo\Budget\Limit;
use Cubo\Budget\OverBudget;
use Cubo\Check\Checker;
use Cubo\Check\Exercise;
use Cubo\Check\Making\Making;
use Cubo\Check\Proposer;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Measure\PartMeasures;
use Cubo\Quantity\Unit;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\Recipe;
use Tests\Parts;

/* A check spends from what it is given. What would cost too much is said not to be measured; the rest is measured. */

const STAND = [
    ['kind' => 'block', 'name' => 'Foot', 'width' => '70', 'depth' => '50', 'height' => '8'],
    ['kind' => 'tube', 'name' => 'Socket', 'round' => '24', 'wall' => '4', 'length' => '30', 'z' => '8'],
    [
        'kind' => 'cylinder',
        'name' => 'Screw hole',
        'by' => 'diameter',
        'round' => '5',
        'length' => '20',
        'x' => '26',
        'z' => '-4',
        'effect' => 'cut',
    ],
];

/** @return list<Requirement> */
function askedOf(array $ids): array
{
    $list = array_filter(
        Proposer::propose(Parts::measure(STAND), Unit::Millimetre),
        static fn(Requirement $r): bool => in_array($r->id, $ids, true),
    );

    return Exercise::lettered(array_map(static fn(Requirement $r): Requirement => $r->change(asked: true), array_values($list)));
}

it('measures the others where one row would cost too much, and says so at that row', function (): void {
    $sheet = new Exercise(Unit::Millimetre, askedOf(['size-x', 'size-y', 'wall', 'bodies']));
    $whole = new Budget();
    Checker::check(new PartMeasures(Parts::build(STAND)->part(), $whole), $sheet);
    $short = new Budget($whole->spent() - 100);
    $report = Checker::check(new PartMeasures(Parts::build(STAND)->part(), $short), $sheet);
    $status = array_combine(
        array_map(static fn(Row $r): string => $r->id, $report->rows),
        array_map(static fn(Row $r): string => $r->status, $report->rows),
    );
    expect($status)->toMatchArray(['size-x' => 'met', 'size-y' => 'met', 'wall' => 'unknown']);
    foreach ($report->rows as $r) {
        if ($r->id === 'wall') {
            expect($r->diagnosis)->toContain('too many faces');
        }
    }
});

it('costs the same every time, and more for a finer part', function (): void {
    $sheet = new Exercise(
        Unit::Millimetre,
        askedOf(['size-x', 'wall', 'gap', 'overhang', 'bridge', 'symmetry-x', 'shape', 'closed', 'islands', 'hollow', 'tips']),
    );
    $cost = static function (array $steps) use ($sheet): int {
        $budget = new Budget();
        $reference = new PartMeasures(Parts::build(STAND)->part(), $budget);
        Checker::check(new PartMeasures(Parts::build($steps)->part(), $budget), $sheet, $reference);

        return $budget->spent();
    };
    $once = $cost(STAND);
    expect($cost(STAND))
        ->toBe($once)
        ->and($once)
        ->toBeGreaterThan(1000)
        ->and($cost([...STAND, ['kind' => 'ball', 'round' => '20', 'z' => '40']]))
        ->toBeGreaterThan($once);
});

it('keeps what was found of slips where looking further would cost too much', function (): void {
    $inInches = array_map(
        static fn(array $s): array => array_map(static fn(mixed $v): mixed => is_numeric($v) ? (string) ($v * 25.4) : $v, $s),
        STAND,
    );
    $sheet = new Exercise(Unit::Millimetre, askedOf(['size-x', 'size-y', 'size-z', 'volume', 'shape']));
    $found = static fn(Budget $b): array => array_map(
        static fn($f): string => $f->slip->value,
        Checker::check(new PartMeasures(Parts::build($inInches)->part(), $b), $sheet, new PartMeasures(Parts::build(STAND)->part(), $b))
            ->findings,
    );
    $whole = new Budget();
    expect($all = $found($whole))->not->toBe([]);
    // however little is left, a report comes, and never with something else
    for ($i = 0; $i <= 20; $i++) {
        expect(array_diff($found(new Budget((int) (($whole->spent() * $i) / 20))), $all))->toBe([]);
    }
});

it('does not hide time or memory behind a row: the same check may end well another time', function (): void {
    $late = new Budget(until: microtime(true) - 1);
    $late->spend(3000);
    Checker::check(
        new PartMeasures(Parts::build([...STAND, ['kind' => 'ball', 'round' => '20', 'z' => '40']])->part(), $late),
        new Exercise(Unit::Millimetre, askedOf(['wall', 'shape'])),
    );
})->throws(OverBudget::class, Limit::Time->value);

it('proposes what it can of a part with too many faces, and says that it is not all', function (): void {
    $budget = new Budget();
    $all = Proposer::propose(new PartMeasures(Parts::build(STAND)->part(), $budget), Unit::Millimetre, whole: $whole);
    expect($whole)->toBeTrue();
    $ids = static fn(array $list): array => array_map(static fn(Requirement $r): string => $r->id, $list);
    $less = Proposer::propose(
        new PartMeasures(Parts::build(STAND)->part(), new Budget(intdiv($budget->spent(), 2))),
        Unit::Millimetre,
        whole: $whole,
    );
    expect($whole)
        ->toBeFalse()
        ->and(array_diff($ids($less), $ids($all)))
        ->toBe([])
        ->and($ids($less))
        ->toContain('size-x', 'size-y', 'size-z')
        ->and(count($less))
        ->toBeLessThan(count($all));
});

it('reckons what making a part again costs', function (): void {
    $recipe = Parts::recipe(STAND);
    $making = new Making($recipe, static fn(Recipe $r) => (new Evaluator())->evaluate($r));
    $budget = new Budget();
    $part = $making->made($recipe, $budget)->part();
    expect($budget->spent())->toBeGreaterThan(count($recipe->steps) * 1000 + 10 * $part->triangleCount());
    $making->made($recipe, new Budget($budget->spent() - 1));
})->throws(OverBudget::class);
