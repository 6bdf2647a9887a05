<?php

declare(strict_types=1);

use Cubo\Exchange\MeshRepair;
use Cubo\Measure\MeshFaults;
use Cubo\Measure\PartMeasures;
use Tests\Meshes;

/** A cup of 24 facets: 20 across, 12 high, a blind bore of 12 to a depth of 8. */
function cup(): array
{
    return Meshes::turned([[0.0, 0.0], [10.0, 0.0], [10.0, 12.0], [6.0, 12.0], [6.0, 4.0], [0.0, 4.0]], 24);
}

$volume = static fn(): float => Meshes::solid(cup())->facettedVolume();
$flat = static fn(float $z): Closure => static fn(array $t): bool => $t[0][2] === $z && $t[1][2] === $z && $t[2][2] === $z;

it('mends what is safe, says what it did, and encloses what was meant', function (array $triangles, array $words) use ($volume): void {
    $mesh = Meshes::solid($triangles);
    expect(MeshFaults::of($mesh))->not->toBe([]);
    [$mended, $done] = MeshRepair::of($mesh);
    expect(MeshFaults::of($mended))
        ->toBe([])
        ->and((new PartMeasures($mended))->isClosed())
        ->toBeTrue()
        ->and($mended->facettedVolume())
        ->toEqualWithDelta($volume(), 1e-3 * $volume());
    foreach ($words as $w) {
        expect(implode(', ', $done))->toContain($w);
    }
})->with([
    'the bottom missing' => [fn() => array_values(array_filter(cup(), fn(array $t): bool => !$flat(0.0)($t))), ['1 flat gap filled']],
    'bottom and bore end missing' => [
        fn() => array_values(array_filter(cup(), fn(array $t): bool => !$flat(0.0)($t) && !$flat(4.0)($t))),
        ['2 flat gaps filled'],
    ],
    'twice as many triangles' => [fn() => [...cup(), ...array_slice(cup(), 5, 7)], ['7 triangles that lay twice']],
    'some turned round' => [
        fn() => array_map(fn(array $t, int $i): array => $i % 9 === 0 ? [$t[0], $t[2], $t[1]] : $t, cup(), array_keys(cup())),
        ['turned to look outward'],
    ],
    'inside out' => [fn() => array_map(fn(array $t): array => [$t[0], $t[2], $t[1]], cup()), ['right side out']],
]);

it('leaves alone what is sound and what nobody can know', function (array $triangles): void {
    expect(MeshRepair::of(Meshes::solid($triangles)))->toBeNull();
})->with([
    'sound' => [fn() => cup()],
    // two facets of the round missing: the gap is bent
    'a bent gap' => [
        fn() => array_values(
            array_filter(
                cup(),
                fn(array $t): bool => !(
                    min($t[0][2], $t[1][2], $t[2][2]) === 0.0 &&
                    max($t[0][2], $t[1][2], $t[2][2]) === 12.0 &&
                    max($t[0][0], $t[1][0], $t[2][0]) > 9.5
                ),
            ),
        ),
    ],
    'one triangle' => [[[[0.0, 0.0, 0.0], [1.0, 0.0, 0.0], [0.0, 1.0, 0.0]]]],
]);
