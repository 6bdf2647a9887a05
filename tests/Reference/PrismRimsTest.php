<?php

declare(strict_types=1);

/*
 * All edges round the top of a regular prism, rounded or chamfered, up to the limit: the apothem, where the faces left of the
 * top vanish in a point. Level by level what is left is the prism's own outline, drawn in; its area goes with the square of the
 * apothem left, and the sum over all levels is a closed form.
 */

use Cubo\Measure\Bodies;
use Cubo\Measure\MassProperties;
use Cubo\Solid\Blend\Blending;
use Cubo\Solid\Blend\Topology;
use Cubo\Solid\Refused;
use Tests\Parts;
use Tests\Soundness;

function prismOf(int $sides): array
{
    $part = Parts::build([
        ['kind' => 'prism', 'across' => 'corners', 'round' => '40', 'sides' => (string) $sides, 'height' => '30'],
    ])->part();
    $edges = array_keys(Topology::of($part)->edges);
    $top = array_values(array_filter($edges, static fn(string $n): bool => str_contains($n, 's1:top')));
    $upright = array_values(
        array_filter($edges, static fn(string $n): bool => !str_contains($n, 's1:top') && !str_contains($n, 's1:bottom')),
    );

    return [$part, $top, $upright, 20 * cos(M_PI / $sides), $sides * 400 * sin(M_PI / $sides) * cos(M_PI / $sides)];
}

it('takes as much as there is room for round the top', function (int $sides, float $share): void {
    [$part, $top, , $apothem, $area] = prismOf($sides);
    $r = $share * $apothem;
    $chamfered = Blending::chamfer('x', $part, $top, $r);
    $rounded = Blending::round('x', $part, $top, $r);
    foreach ([$chamfered, $rounded] as $out) {
        expect(Soundness::faults($out))->toBe([])->and(count(Bodies::of($out)))->toBe(1);
    }
    $left = 1 - $share;
    expect((new MassProperties($chamfered))->volume)
        ->toEqualWithDelta($area * (30 - $r) + (($area * $apothem) / 3) * (1 - $left ** 3), 1e-6 * $area * 30)
        ->and((new MassProperties($rounded))->volume)
        ->toEqualWithDelta(
            $area * (30 - $r) + $area * ($left ** 2 * $r + (2 * $left * M_PI * $r * $r) / 4 / $apothem + (2 * $r ** 3) / 3 / $apothem ** 2),
            1e-6 * $area * 30,
        );
})->with(function (): iterable {
    foreach ([3, 4, 5, 6, 8, 12] as $sides) {
        foreach ([0.2, 0.6, 0.97] as $share) {
            yield "$sides sides, $share of it" => [$sides, $share];
        }
    }
});

it('says how much works where it is too much, and that does', function (int $sides): void {
    [$part, $top, $upright, $apothem] = prismOf($sides);
    foreach ([[$top, $apothem], [$upright, $apothem]] as [$edges, $limit]) {
        try {
            Blending::round('x', $part, $edges, 1.05 * $limit);
            $most = null;
        } catch (Refused $r) {
            $most = $r->largest;
        }
        expect($most)->toEqualWithDelta($limit, 1e-4);
        expect(Soundness::faults(Blending::round('x', $part, $edges, floor($most * 100) / 100)))->toBe([]);
    }
})->with([3, 5, 6, 12]);
