<?php

declare(strict_types=1);

/* Faces of one true surface are one, however their facets stand against each other. */

use Cubo\Geometry\Transform;
use Cubo\Measure\Bodies;
use Cubo\Measure\MassProperties;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Boolean\SameFaces;
use Cubo\Solid\Solid;
use Tests\Pace;
use Tests\Parts;
use Tests\Soundness;

function readySolid(string $kind): Solid
{
    return Parts::build([
        [
            'cylinder' => ['kind' => 'cylinder', 'round' => '20', 'length' => '14'],
            'cone' => ['kind' => 'cone', 'round' => '20', 'length' => '18'],
            'cup' => ['kind' => 'cone', 'round' => '20', 'tip' => '8', 'length' => '18'],
            'ball' => ['kind' => 'ball', 'round' => '22'],
            'half ball' => ['kind' => 'halfball', 'round' => '22'],
            'ring' => ['kind' => 'ring', 'round' => '30', 'thick' => '8'],
            'tube' => ['kind' => 'tube', 'round' => '26', 'wall' => '4', 'length' => '20'],
        ][$kind],
    ])->part();
}

it('leaves nothing of a round solid less itself turned, and adds nothing', function (string $kind, float $angle, string $about): void {
    $s = readySolid($kind);
    $box = $s->vertexBox();
    $middle = [($box[0] + $box[3]) / 2, ($box[1] + $box[4]) / 2, ($box[2] + $box[5]) / 2];
    $turned = $s->moved(
        $about === 'own'
            ? Transform::rotation(2, $angle, $middle)
            : Transform::rotation(0, $angle, $middle)->then(Transform::rotation(1, 17.0, $middle)),
    );
    expect(BooleanOperation::difference($s, $turned)->isEmpty())
        ->toBeTrue()
        ->and(BooleanOperation::difference($turned, $s)->isEmpty())
        ->toBeTrue();
    foreach ([BooleanOperation::union($s, $turned), BooleanOperation::intersection($s, $turned)] as $both) {
        expect(Soundness::faults($both))
            ->toBe([])
            ->and(count(Bodies::of($both)))
            ->toBe(1)
            ->and($both->facettedVolume())
            ->toEqualWithDelta($s->facettedVolume(), 1e-9 * $s->facettedVolume());
    }
})->with(function (): iterable {
    foreach (['cylinder', 'cone', 'cup', 'ball', 'half ball', 'ring', 'tube'] as $kind) {
        foreach ([0.0, 11.0, 37.0, 90.0, 123.4] as $angle) {
            yield "$kind turned by $angle" => [$kind, $angle, 'own'];
        }
    }
    foreach ([20.0, 45.0, 71.3] as $angle) {
        yield "ball tipped by $angle" => ['ball', $angle, 'across'];
    }
});

it('closes a bore with a plug of its size, turned anyhow', function (float $angle): void {
    $plate = Parts::build([
        ['kind' => 'block', 'width' => '40', 'depth' => '30', 'height' => '8'],
        ['kind' => 'cylinder', 'round' => '12', 'length' => '20', 'x' => '4', 'z' => '-5', 'effect' => 'cut'],
    ])->part();
    $plug = Parts::build([['kind' => 'cylinder', 'round' => '12', 'length' => '8']])
        ->part()
        ->moved(Transform::rotation(2, $angle)->then(Transform::translation([4.0, 0.0, 0.0])));
    $whole = BooleanOperation::union($plate, $plug);
    expect(Soundness::faults($whole))
        ->toBe([])
        ->and(count(Bodies::of($whole)))
        ->toBe(1)
        ->and((new MassProperties($whole))->volume)
        ->toEqualWithDelta(40 * 30 * 8, 1e-4)
        // and what is driven out again leaves the bore
        ->and((new MassProperties(BooleanOperation::difference($whole, $plug)))->volume)
        ->toEqualWithDelta(40 * 30 * 8 - M_PI * 36 * 8, 1e-4);
})->with([0.0, 3.0, 11.25, 37.0, 80.1]);

it('goes on along a shaft of the same size, whatever its facets', function (float $angle): void {
    $shaft = Parts::build([['kind' => 'cylinder', 'round' => '12', 'length' => '20']])->part();
    // the second one begins inside the first one
    $longer = BooleanOperation::union(
        $shaft,
        $shaft->moved(Transform::rotation(2, $angle)->then(Transform::translation([0.0, 0.0, 13.0]))),
    );
    expect(Soundness::faults($longer))
        ->toBe([])
        ->and((new MassProperties($longer))->volume)
        ->toEqualWithDelta(M_PI * 36 * 33, 1e-4)
        ->and(count(Bodies::of($longer)))
        ->toBe(1);
    $short = BooleanOperation::difference(
        $longer,
        $shaft->moved(Transform::rotation(2, 2 * $angle)->then(Transform::translation([0.0, 0.0, 13.0]))),
    );
    expect((new MassProperties($short))->volume)
        ->toEqualWithDelta(M_PI * 36 * 13, 1e-4)
        ->and(count(Bodies::of($short)))
        ->toBe(1);
})->with([0.0, 5.0, 37.0, 100.0]);

it('takes copies that are the same solid for one, and soon', function (array $step): void {
    $state = null;
    $took = Pace::of(static function () use (&$state, $step): void {
        $state = Parts::build([$step, ['kind' => 'repeat', 'of' => 'body', 'body' => 'all', 'way' => 'around', 'count' => '12']]);
    });
    $one = Parts::build([$step])->part();
    expect($state->isSound())
        ->toBeTrue()
        ->and(count(Bodies::of($state->part())))
        ->toBe(1)
        ->and((new MassProperties($state->part()))->volume)
        ->toEqualWithDelta((new MassProperties($one))->volume, 1e-9 * 10000)
        ->and($took)
        ->toBeLessThan(3.0);
})->with([
    'a ball about its own axis' => [['kind' => 'ball', 'round' => '20']],
    'a ring about its own axis' => [['kind' => 'ring', 'round' => '30', 'thick' => '6']],
    'a tube' => [['kind' => 'tube', 'round' => '26', 'wall' => '4', 'length' => '20']],
]);

it('knows two meshes of one solid, and tells others from it', function (): void {
    $a = readySolid('tube');
    expect(SameFaces::areOneSolid($a, $a->moved(Transform::translation([0.0, 0.0, 0.0]))))
        ->toBeTrue()
        ->and(SameFaces::areOneSolid($a, $a->moved(Transform::translation([0.0, 0.0, 1e-6]))))
        ->toBeFalse()
        ->and(SameFaces::areOneSolid($a, readySolid('cylinder')))
        ->toBeFalse()
        // a block mirrored lies on itself
        ->and(SameFaces::areOneSolid(Parts::box(4, 4, 4), Parts::box(4, 4, 4)->moved(Transform::rotation(2, 90.0, [2.0, 2.0, 0.0]))))
        ->toBeTrue();
});
