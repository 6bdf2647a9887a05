<?php

declare(strict_types=1);

use Cubo\Exchange\StlFile;
use Cubo\Measure\Features;
use Cubo\Measure\Hole;
use Cubo\Measure\MeshFaults;
use Cubo\Measure\PartMeasures;
use Cubo\Measure\SurfaceRecognition;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Maker\Shapes;
use Cubo\Solid\Solid;
use Cubo\Solid\SolidBuilder;
use Cubo\Solid\Surface;
use Tests\Parts;

$plate = ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '20'];
$bore = static fn(array $more): array => $more + ['kind' => 'cylinder', 'round' => '8', 'effect' => 'cut'];

it('tells holes that go through from those that end', function (array $steps, array $through) {
    foreach ([false, true] as $asFile) {
        $part = Parts::build($steps)->part();
        $part = $asFile ? SurfaceRecognition::of(StlFile::read(StlFile::write($part))) : $part;
        $holes = array_map(
            static fn(Hole $h): string => round(2 * $h->radius, 2) . ' ' . ($h->through ? 'through' : 'ends'),
            Features::of($part)->holes,
        );
        expect($holes)->toEqualCanonicalizing($through);
    }
})->with([
    'through' => [[$plate, $bore(['length' => '30', 'z' => '-5'])], ['8 through']],
    'flat bottom' => [[$plate, $bore(['length' => '30', 'z' => '8'])], ['8 ends']],
    'drill point' => [
        [$plate, ['kind' => 'hole', 'where' => 'face', 'face' => 's1:top', 'round' => '8', 'extent' => 'depth', 'depth' => '10']],
        ['8 ends'],
    ],
    'a step that ends' => [
        [$plate, $bore(['length' => '30', 'z' => '12']), $bore(['round' => '5', 'length' => '30', 'z' => '5'])],
        ['8 ends', '5 ends'],
    ],
    'a step that goes through' => [
        [$plate, $bore(['length' => '30', 'z' => '12']), $bore(['round' => '5', 'length' => '30', 'z' => '-5'])],
        ['8 through', '5 through'],
    ],
    'one leg of a fork' => [
        [
            $plate,
            ['kind' => 'block', 'width' => '40', 'depth' => '50', 'height' => '30', 'x' => '20', 'z' => '5', 'effect' => 'cut'],
            ['kind' => 'block', 'width' => '8', 'depth' => '40', 'height' => '40', 'x' => '26'],
            $bore(['along' => 'x', 'x' => '20', 'length' => '20', 'z' => '30']),
        ],
        ['8 through'],
    ],
]);

it('finds pins that stand out, in a recipe and in a file', function () use ($plate) {
    $part = Parts::build([
        $plate,
        ['kind' => 'cylinder', 'round' => '12', 'length' => '15', 'z' => '20', 'x' => '-10'],
        ['kind' => 'halfcylinder', 'round' => '10', 'length' => '20', 'z' => '20', 'x' => '15'],
    ])->part();
    foreach ([$part, SurfaceRecognition::of(StlFile::read(StlFile::write($part)))] as $s) {
        $bosses = Features::of($s)->bosses;
        expect($bosses)
            ->toHaveCount(1)
            ->and(2 * $bosses[0]->radius)
            ->toEqualWithDelta(12.0, 0.012)
            ->and($bosses[0]->depth())
            ->toEqualWithDelta(15.0, 1e-4)
            ->and($bosses[0]->point)
            ->toEqualWithDelta([-10.0, 0.0, 27.5], 1e-3);
    }
});

/** @param list<array{float,float,float}> $points @param list<array{int,int,int}> $triangles */
function mesh(array $points, array $triangles): Solid
{
    $b = new SolidBuilder();
    $plane = $b->surface(Surface::plane('file:face'));
    $v = array_map(static fn(array $p): int => $b->vertex(...$p), $points);
    foreach ($triangles as [$i, $j, $k]) {
        $b->triangle($v[$i], $v[$j], $v[$k], $b->facetThrough($v[$i], $v[$j], $v[$k], $plane));
    }

    return $b->buildOpen();
}

it('names what is wrong with a mesh, where and how often', function (array $triangles, array $faults) {
    $s = mesh([[0.0, 0.0, 0.0], [3.0, 0.0, 0.0], [0.0, 3.0, 0.0], [0.0, 0.0, 3.0]], $triangles);
    expect(array_map(static fn(array $f): string => "{$f['kind']} {$f['count']}", MeshFaults::of($s)))->toBe($faults);
})->with([
    'sound' => [[[0, 2, 1], [0, 1, 3], [0, 3, 2], [1, 2, 3]], []],
    'open' => [[[0, 2, 1], [0, 1, 3], [0, 3, 2]], ['open 3']],
    'one turned' => [[[0, 2, 1], [0, 1, 3], [0, 3, 2], [1, 3, 2]], ['turned 3']],
    'inside out' => [[[0, 1, 2], [0, 3, 1], [0, 2, 3], [1, 3, 2]], ['inside-out 1']],
    'one twice' => [[[0, 2, 1], [0, 1, 3], [0, 3, 2], [1, 2, 3], [1, 2, 3]], ['doubled 1']],
]);

it('counts shells, hollows among them', function () {
    $ball = Primitives::sphere('a', 10.0);
    expect(MeshFaults::shells($ball))
        ->toBe(1)
        ->and(
            MeshFaults::shells(
                Parts::build([['kind' => 'ball', 'round' => '40'], ['kind' => 'ball', 'round' => '20', 'effect' => 'cut']])->part(),
            ),
        )
        ->toBe(2)
        ->and(MeshFaults::shells($ball->beside(Shapes::torus('b', 50.0, 5.0))))
        ->toBe(2);
    // two open ones are two, whichever comes first
    $points = [[1.0, 1.0, 1.0], [4.0, 1.0, 1.0], [1.0, 4.0, 1.0], [1.0, 1.0, 4.0]];
    $two = mesh(
        [...$points, ...array_map(static fn(array $p): array => [$p[0] + 20.0, $p[1], $p[2]], $points)],
        [[0, 1, 3], [0, 3, 2], [1, 2, 3], [4, 5, 7], [4, 7, 6], [5, 6, 7]],
    );
    expect(MeshFaults::shells($two))->toBe(2)->and((new PartMeasures($two))->bodyCount())->toBe(2);
});

it('tells where a mesh passes through itself, and that touching is no crossing', function () {
    $two = static fn(float $x): Solid => Tests\Slips::mesh(
        Primitives::block('a', [0.0, 0.0, 0.0], [10.0, 10.0, 10.0])->beside(Primitives::block('b', [$x, 3.0, 3.0], [10.0, 4.0, 4.0])),
    );
    $crossing = array_values(array_filter(MeshFaults::ofFile($two(5.0)), static fn(array $f): bool => $f['kind'] === 'self-crossing'));
    expect($crossing)
        ->toHaveCount(1)
        ->and($crossing[0]['count'])
        ->toBeGreaterThan(3)
        ->and(MeshFaults::ofFile($two(20.0)))
        ->toBe([])
        ->and(MeshFaults::ofFile($two(10.0)))
        ->toBe([])
        ->and(MeshFaults::shells($two(20.0)))
        ->toBe(2);
});
