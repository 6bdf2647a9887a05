<?php

declare(strict_types=1);

/* Distances between any two of faces, axes and corners, and the middle between two faces. */

use Cubo\Check\Checker;
use Cubo\Check\Datum\Datum;
use Cubo\Check\Datum\DatumKind;
use Cubo\Check\Datum\Stretch;
use Cubo\Check\Exercise;
use Cubo\Check\ExerciseReader;
use Cubo\Check\Proposing\OwnRequirements;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Exchange\MeshFile;
use Cubo\Exchange\StlFile;
use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Measure\PartMeasures;
use Cubo\Measure\SurfaceRecognition;
use Cubo\Quantity\Unit;
use Cubo\Solid\Solid;
use Tests\Parts;

/** The key of the datum of a part whose words begin so. */
function datum(PartMeasures $part, string $words): string
{
    foreach (Datum::choices($part, Unit::Millimetre) as $key => $w) {
        if (str_starts_with($w, $words)) {
            return $key;
        }
    }
    throw new LogicException("$words is not among " . implode('; ', Datum::choices($part, Unit::Millimetre)));
}

function own(PartMeasures $part, string $what, string $from, string $to): Requirement|string
{
    return OwnRequirements::between($part, Unit::Millimetre, $what, datum($part, $from), datum($part, $to));
}

function ownRow(Requirement $r, Solid $part, ?PartMeasures $reference = null): Row
{
    return Checker::check(new PartMeasures($part), new Exercise(Unit::Millimetre, [$r]), $reference)->rows[0];
}

/** A stepped foot with a bore, a pin and a slanting end. */
function foot(array $change = []): array
{
    $c = $change + ['width' => '80', 'step' => '12', 'bore' => '-20', 'pin' => '24'];

    return [
        ['kind' => 'block', 'width' => $c['width'], 'depth' => '40', 'height' => '8', 'from' => 'corner'],
        ['kind' => 'block', 'width' => '30', 'depth' => '40', 'height' => $c['step'], 'from' => 'corner', 'z' => '8'],
        [
            'kind' => 'cylinder',
            'by' => 'diameter',
            'round' => '6',
            'length' => '60',
            'x' => (string) (40 + (float) $c['bore']),
            'y' => '20',
            'z' => '-10',
            'effect' => 'cut',
        ],
        [
            'kind' => 'cylinder',
            'by' => 'diameter',
            'round' => '10',
            'length' => '15',
            'x' => (string) (40 + (float) $c['pin']),
            'y' => '20',
            'z' => '8',
        ],
    ];
}

it('measures between whatever a teacher names', function (string $from, string $to, float $asked): void {
    $part = Parts::measure(foot());
    $r = own($part, 'distance', $from, $to);
    expect($r)->toBeInstanceOf(Requirement::class)->and($r->nominal)->toEqualWithDelta($asked, 1e-7);
    expect(ownRow($r, $part->solid, $part)->status)->toBe('met');
    // as a file, where all is found in the facets, and read back from the exercise's own file
    $again = ExerciseReader::exercise((new Exercise(Unit::Millimetre, [$r]))->toJson())->requirements[0];
    $row = ownRow($again, SurfaceRecognition::of(MeshFile::read(StlFile::write($part->solid), Unit::Millimetre)[0]), $part);
    expect($row->status)->toBe('met', $row->diagnosis)->and(abs((float) $row->deviation))->toBeLessThan(2e-3);
})->with([
    'two faces between others' => ['upper face, 8 ', 'upper face, 20 ', 12.0],
    'a face and the face behind it' => ['right face, 30 ', 'right face, 80 ', 50.0],
    'a face and a hole' => ['right face, 30 ', 'hole ⌀ 6', 10.0],
    'a hole and a round' => ['hole ⌀ 6', 'round ⌀ 10', 44.0],
    'two corners' => ['corner at 0, 0, 0', 'corner at 80, 40, 8', sqrt(80 ** 2 + 40 ** 2 + 8 ** 2)],
    'a corner and a hole' => ['corner at 0, 0, 20', 'hole ⌀ 6', sqrt(20 ** 2 + 20 ** 2)],
    'a corner and a face' => ['corner at 30, 0, 20', 'right face, 80 ', 50.0],
]);

it('has no distance between what is not parallel, and says so', function (): void {
    $part = Parts::measure(foot());
    expect(own($part, 'distance', 'upper face, 8 ', 'right face, 80 '))
        ->toContain('not parallel')
        ->and(own($part, 'distance', 'upper face, 8 ', 'hole ⌀ 6'))
        ->toContain('not parallel')
        ->and(own($part, 'distance', 'upper face, 8 ', 'upper face, 8 '))
        ->toContain('same place')
        ->and(own($part, 'mirror', 'upper face, 8 ', 'hole ⌀ 6'))
        ->toContain('two flat faces')
        ->and(own($part, 'mirror', 'upper face, 8 ', 'right face, 80 '))
        ->toContain('two parallel faces')
        ->and(OwnRequirements::between($part, Unit::Millimetre, 'distance', 'face-none', 'hole-none'))
        ->toContain('Choose');
});

it('tells what is off, what is not there and what cannot be told', function (): void {
    $reference = Parts::measure(foot());
    $step = own($reference, 'distance', 'right face, 30 ', 'hole ⌀ 6');
    $row = ownRow($step, Parts::build(foot(['bore' => '-15']))->part(), $reference);
    expect($row->status)
        ->toBe('off')
        ->and($row->measured)
        ->toBe('5.00')
        ->and($row->diagnosis)
        ->toContain('half of it')
        ->and($row->place['kind'])
        ->toBe('between')
        ->and($row->place['a'][0])
        ->toEqualWithDelta(30.0, 1e-9)
        ->and($row->place['b'][0])
        ->toEqualWithDelta(25.0, 1e-9);
    $pin = own($reference, 'distance', 'hole ⌀ 6', 'round ⌀ 10');
    expect(ownRow($pin, Parts::build(array_slice(foot(), 0, 3))->part(), $reference)->status)->toBe('missing');
    // one of two holes is gone: the other does not stand for both
    $holes = static fn(string ...$xs): array => [
        ['kind' => 'block', 'width' => '80', 'depth' => '40', 'height' => '8'],
        ...array_map(
            static fn(string $x): array => [
                'kind' => 'cylinder',
                'by' => 'diameter',
                'round' => '6',
                'length' => '60',
                'x' => $x,
                'y' => '0',
                'z' => '-10',
                'effect' => 'cut',
            ],
            $xs,
        ),
    ];
    $both = Parts::measure($holes('-10', '10'));
    $apart = OwnRequirements::between(
        $both,
        Unit::Millimetre,
        'distance',
        datum($both, 'hole ⌀ 6, upright, at 30'),
        datum($both, 'hole ⌀ 6, upright, at 50'),
    );
    expect(ownRow($apart, Parts::build($holes('10'))->part(), $both)->status)
        ->toBe('missing')
        ->and(ownRow($apart, Parts::build($holes('-8', '10'))->part(), $both)->measured)
        ->toBe('18.00');
    // a wrong width moves the right end; the face there is still the one that is meant
    $end = own($reference, 'distance', 'right face, 30 ', 'right face, 80 ');
    expect(ownRow($end, Parts::build(foot(['width' => '90', 'pin' => '34']))->part(), $reference)->measured)->toBe('60.00');
    // two holes, each as far from where the one should be
    $two = [...array_slice(foot(['bore' => '-24']), 0, 3), [...foot()[2], 'x' => '24']];
    $row = ownRow(own($reference, 'distance', 'right face, 80 ', 'hole ⌀ 6'), Parts::build($two)->part(), $reference);
    expect($row->status)->toBe('unknown')->and($row->diagnosis)->toContain('cannot be told');
});

it('measures on a part that lies another way, where that is allowed', function (int $axis): void {
    $reference = Parts::measure(foot());
    $all = [
        own($reference, 'distance', 'hole ⌀ 6', 'round ⌀ 10'),
        own($reference, 'distance', 'corner at 0, 0, 20', 'hole ⌀ 6'),
        own($reference, 'distance', 'upper face, 8 ', 'upper face, 20 '),
    ];
    $lies = Parts::build(foot())->part()->moved(Transform::rotation($axis, 90));
    foreach (Checker::check(new PartMeasures($lies), new Exercise(Unit::Millimetre, $all, '', true), $reference)->rows as $row) {
        expect($row->status)->toBe('met', "$row->label: $row->diagnosis");
    }
})->with([0, 1, 2]);

it('asks for mirror images on both sides of the middle between two faces', function (): void {
    // the bore and its rim are the same on both sides of the block's middle, the part as a whole is not
    $part = static fn(string $y): array => [
        ['kind' => 'block', 'width' => '40', 'depth' => '40', 'height' => '10'],
        ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '8', 'length' => '40', 'x' => '5', 'y' => $y, 'z' => '-5', 'effect' => 'cut'],
    ];
    $reference = Parts::measure($part('0'));
    $r = own($reference, 'mirror', 'front face', 'back face');
    expect($r)->toBeInstanceOf(Requirement::class)->and(ownRow($r, $reference->solid, $reference)->status)->toBe('met');
    $row = ownRow($r, Parts::build($part('3'))->part(), $reference);
    expect($row->status)
        ->toBe('off')
        ->and($row->diagnosis)
        ->toContain('middle between the two faces')
        ->and($row->place['kind'])
        ->toBe('plane')
        ->and(array_unique(array_map(static fn(array $p): float => round($p[1], 6), $row->place['corners'])))
        ->toBe([0.0]);
    // the faces move with the part, the origin does not
    $away = Parts::build($part('0'))->part()->moved(Transform::translation([0.0, 7.0, 0.0]));
    expect(ownRow($r, $away, $reference)->status)->toBe('met');
    $origin = ExerciseReader::requirement([
        'kind' => 'symmetry',
        'nominal' => 0,
        'tolerance' => 0.2,
        'where' => ['axis' => 1, 'about' => 'origin'],
    ]);
    expect(ownRow($origin, $away, $reference)->status)
        ->toBe('off')
        ->and(ownRow($origin, $reference->solid, $reference)->status)
        ->toBe('met');
});

it('is measured anew when the reference part has changed', function (): void {
    $r = own(Parts::measure(foot()), 'distance', 'right face, 30 ', 'right face, 80 ');
    expect(OwnRequirements::renewed($r, Parts::measure(foot(['width' => '84'])))->nominal)
        ->toEqualWithDelta(54.0, 1e-9)
        // what is not there any more keeps its size
        ->and(
            OwnRequirements::renewed(
                own(Parts::measure(foot()), 'distance', 'hole ⌀ 6', 'round ⌀ 10'),
                Parts::measure(array_slice(foot(), 0, 2)),
            )->nominal,
        )
        ->toEqualWithDelta(44.0, 1e-9);
});

it('keeps the laws of distances, whichever way the two are named and the part is moved', function (): void {
    mt_srand(7);
    $measured = 0;
    $random = static fn(): array => array_map(static fn(): float => mt_rand(-1000, 1000) / 10, [0, 0, 0]);
    for ($i = 0; $i < 300; $i++) {
        $data = [];
        foreach (range(0, 1) as $_) {
            $kind = DatumKind::cases()[mt_rand(0, 3)];
            $d = $random();
            $data[] = new Datum($kind, $random(), $kind === DatumKind::Corner || Vector::length($d) < 1 ? null : Vector::unit($d));
        }
        [$a, $b] = $data;
        if ($a->direction !== null && $b->direction !== null && mt_rand(0, 1) === 1) {
            // parallel, as planes and lines with a distance are: a line in a plane stands across its normal
            ($one = $a->kind === DatumKind::Face) xor $b->kind === DatumKind::Face;
            $b = new Datum($b->kind, $b->at, $one ? Vector::unit(Vector::cross($a->direction, [0.3, 0.5, -0.8])) : $a->direction);
        }
        if (($a->kind !== DatumKind::Corner && $a->direction === null) || ($b->kind !== DatumKind::Corner && $b->direction === null)) {
            continue;
        }
        $there = Stretch::between($a, $b);
        $back = Stretch::between($b, $a);
        expect($there === null)->toBe($back === null);
        if ($there === null || $back === null) {
            continue;
        }
        $move = Transform::rotation(mt_rand(0, 2), mt_rand(0, 360))->then(Transform::translation($random()));
        $moved = static fn(Datum $d): Datum => new Datum(
            $d->kind,
            $move->point($d->at),
            $d->direction === null ? null : $move->direction($d->direction),
        );
        $measured++;
        expect($back->length)
            ->toEqualWithDelta($there->length, 1e-8)
            ->and(Stretch::between($moved($a), $moved($b))?->length)
            ->toEqualWithDelta($there->length, 1e-8)
            ->and($there->length)
            ->toEqualWithDelta(Vector::distance($there->a, $there->b), 1e-9);
        // the foot on an axis stands at right angles to it
        foreach ([[$a, $there->a, $there->b], [$b, $there->b, $there->a]] as [$d, $foot, $other]) {
            if ($d->kind->isAxis()) {
                expect(Vector::dot(Vector::sub($other, $foot), $d->direction))->toEqualWithDelta(0.0, 1e-6);
            }
        }
    }
    expect($measured)->toBeGreaterThan(150);
});
