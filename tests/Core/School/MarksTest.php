<?php

declare(strict_types=1);

use Cubo\School\Marks\BadScale;
use Cubo\School\Marks\Counts;
use Cubo\School\Marks\MarkingRules;
use Cubo\School\Marks\Scale;
use Cubo\School\Marks\TryHandedIn;

it('gives the mark whose share is reached', function () {
    $scale = Scale::of([['from' => 0, 'word' => '6'], ['from' => 50, 'word' => '4'], ['from' => 92, 'word' => '1']]);
    expect($scale->mark(1.0))
        ->toBe('1')
        ->and($scale->mark(0.92))
        ->toBe('1')
        ->and($scale->mark(0.9199999))
        ->toBe('4')
        ->and($scale->mark(0.5))
        ->toBe('4')
        ->and($scale->mark(0.0))
        ->toBe('6')
        // a third of 66.66... percent is no decimal
        ->and(Scale::of([['from' => 200 / 3, 'word' => 'a'], ['from' => 0, 'word' => 'b']])->mark(14 / 21))
        ->toBe('a')
        ->and($scale->inPoints(21))
        ->toBe([['points' => 20, 'word' => '1'], ['points' => 11, 'word' => '4'], ['points' => 0, 'word' => '6']]);
});

it('agrees with itself: so many points give the mark whose row names them', function (string $name) {
    $scale = Scale::examples()[$name];
    foreach ([5, 20, 21, 24, 37] as $most) {
        foreach ($scale->inPoints($most) as $row) {
            expect($scale->mark($row['points'] / $most))->toBe(
                array_values(array_filter($scale->inPoints($most), static fn(array $r): bool => $r['points'] <= $row['points']))[0]['word'],
                "$name, $most points",
            );
        }
    }
})->with(['one-to-six', 'letters', 'out-of-twenty', 'out-of-ten', 'words']);

it('refuses a scale that cannot be used, with words and the row', function (array $rows, int $row, string $words) {
    try {
        Scale::of($rows);
    } catch (BadScale $e) {
        expect($e->row)->toBe($row)->and($e->getMessage())->toContain($words);

        return;
    }
    throw new LogicException('it was taken');
})->with([
    'one mark' => [[['from' => 0, 'word' => 'a']], 0, 'from 2 to'],
    'above a hundred' => [[['from' => 101, 'word' => 'a'], ['from' => 0, 'word' => 'b']], 0, '0 and 100'],
    'no word' => [[['from' => 50, 'word' => ' '], ['from' => 0, 'word' => 'b']], 0, 'word'],
    'twice' => [[['from' => 50, 'word' => 'a'], ['from' => 50, 'word' => 'b'], ['from' => 0, 'word' => 'c']], 1, 'same share'],
    'a gap below' => [[['from' => 50, 'word' => 'a'], ['from' => 10, 'word' => 'b']], 1, '0 percent'],
]);

it('counts the try that was said, and what a late one keeps', function () {
    $tries = [new TryHandedIn(2, 15, 20), new TryHandedIn(1, 18, 20), new TryHandedIn(3, 16, 20, true)];
    $counted = static fn(Counts $c, int $late = 100): float => (new MarkingRules(Scale::examples()['letters'], $c, $late))->counted($tries)
        ->points;
    expect($counted(Counts::First))
        ->toBe(18.0)
        ->and($counted(Counts::Last))
        ->toBe(16.0)
        ->and($counted(Counts::Last, 50))
        ->toBe(8.0)
        ->and($counted(Counts::Best))
        ->toBe(18.0)
        ->and((new MarkingRules(Scale::examples()['letters']))->counted([]))
        ->toBeNull()
        // of two that are worth as much the earlier one counts
        ->and(
            (new MarkingRules(Scale::examples()['letters'], Counts::Best))->counted([new TryHandedIn(1, 9, 10), new TryHandedIn(2, 9, 10)])
                ->number,
        )
        ->toBe(1);
});

it('sums what was handed in, by points and weights', function () {
    $rules = new MarkingRules(Scale::examples()['letters']);
    expect($rules->sum([]))
        ->toBeNull()
        ->and($rules->sum([[new TryHandedIn(1, 5, 10), 0.0]]))
        ->toBeNull()
        ->and($rules->sum([[new TryHandedIn(1, 20, 20), 1.0], [new TryHandedIn(1, 5, 10), 2.0]]))
        ->toBe(['points' => 30.0, 'most' => 40.0, 'share' => 0.75, 'mark' => 'C']);
});

it('keeps its rules, and takes nonsense that was kept as the usual ones', function () {
    $rules = new MarkingRules(Scale::examples()['words'], Counts::Best, 80);
    expect(MarkingRules::fromArray(json_decode((string) json_encode($rules->toArray()), true)))
        ->toEqual($rules)
        ->and(MarkingRules::fromArray(['scale' => [['from' => 7, 'word' => '']], 'late' => 700, 'counts' => 'x']))
        ->toEqual(MarkingRules::usual());
});
