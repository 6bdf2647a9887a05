<?php

declare(strict_types=1);

use Cubo\Exchange\SolidPacking;
use Cubo\Geometry\Transform;
use Cubo\Measure\MassProperties;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\SolidBuilder;
use Cubo\Solid\Surface;
use Tests\Parts;
use Tests\RandomParts;
use Tests\Soundness;

it('moves with its true surfaces', function (): void {
    $s = Primitives::cylinder('a', 3.0, 8.0);
    $before = new MassProperties($s);
    $after = new MassProperties($s->moved(Transform::rotation(1, 90.0)->then(Transform::translation([10.0, 20.0, 30.0]))));
    expect($after->volume)
        ->toEqualWithDelta($before->volume, 1e-9)
        ->and($after->centroid)
        ->toEqualWithDelta([14.0, 20.0, 30.0], 1e-9);
});

it('stays right side out when mirrored', function (): void {
    [$a, $b] = RandomParts::pair(31);
    $s = BooleanOperation::union($a, $b);
    $m = $s->moved(Transform::mirror(0, 1.0));
    expect(Soundness::faults($m))
        ->toBe([])
        ->and($m->facettedVolume())
        ->toEqualWithDelta($s->facettedVolume(), 1e-9)
        ->and((new MassProperties($m))->volume)
        ->toEqualWithDelta((new MassProperties($s))->volume, 1e-7 * $s->facettedVolume());
});

it('refuses to close a mesh with a gap', function (): void {
    $b = new SolidBuilder();
    [$p, $q, $r] = [$b->vertex(0, 0, 0), $b->vertex(1, 0, 0), $b->vertex(0, 1, 0)];
    $b->triangle($p, $q, $r, $b->facetThrough($p, $q, $r, $b->surface(Surface::plane('x'))));
    expect(fn() => $b->build())->toThrow(InvalidArgumentException::class, 'closed');
});

it('packs and unpacks without loss', function (): void {
    [$a, $b] = RandomParts::pair(44);
    $s = BooleanOperation::difference($a, $b);
    $again = SolidPacking::unpack(SolidPacking::pack($s));
    // get_object_vars from here sees the public arrays only, not the box remembered inside
    expect(sha1(serialize(get_object_vars($again))))->toBe(sha1(serialize(get_object_vars($s))));
});

it('does not take broken bytes for a solid', function (): void {
    $bytes = SolidPacking::pack(Parts::box(1, 2, 3));
    expect(SolidPacking::unpack(''))
        ->toBeNull()
        ->and(SolidPacking::unpack('nonsense'))
        ->toBeNull()
        ->and(SolidPacking::unpack(substr($bytes, 0, -5)))
        ->toBeNull();
});
