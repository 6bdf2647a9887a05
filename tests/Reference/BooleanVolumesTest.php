<?php

declare(strict_types=1);

use Cubo\Measure\Bodies;
use Cubo\Solid\Boolean\BooleanOperation;
use Tests\ChainRun;
use Tests\Outside;
use Tests\RandomParts;

/*
 * Source: the npm package manifold-3d 3.5.4 (a general-purpose mesh library), run on the same facets.
 * Its input is single precision, so vertices differ by up to 1e-7 of the part; the comparison allows 1e-6 of the
 * larger operand's volume.
 */
it('agrees with manifold-3d over 200 random pairs', function (): void {
    $pairs = $ours = [];
    for ($seed = 0; $seed < 200; $seed++) {
        [$p, $q] = RandomParts::pair(7000 + $seed);
        $pairs[] = [Outside::mesh($p), Outside::mesh($q)];
        $ours[] = [
            BooleanOperation::union($p, $q)->facettedVolume(),
            BooleanOperation::difference($p, $q)->facettedVolume(),
            BooleanOperation::intersection($p, $q)->facettedVolume(),
            max($p->facettedVolume(), $q->facettedVolume()),
        ];
    }
    $theirs = Outside::run('booleans.mjs', (string) json_encode(['pairs' => $pairs]));
    $shared = 0;
    foreach ($theirs as $i => [$statusP, $statusQ, $union, $difference, $intersection]) {
        $seed = 7000 + $i;
        [$u, $d, $s, $scale] = $ours[$i];
        expect([$statusP, $statusQ])
            ->toBe(['NoError', 'NoError'], "seed $seed")
            ->and($u)
            ->toEqualWithDelta($union, 1e-6 * $scale, "seed $seed: union")
            ->and($d)
            ->toEqualWithDelta($difference, 1e-6 * $scale, "seed $seed: difference")
            ->and($s)
            ->toEqualWithDelta($intersection, 1e-6 * $scale, "seed $seed: intersection");
        $shared += $s > 0 ? 1 : 0;
    }
    // about half of the pairs share volume, or the test would compare nothing
    expect($shared)->toBeGreaterThan(80);
});

it('counts pieces as manifold-3d decomposes them, touching edges and corners included', function (): void {
    $pairs = $ours = [];
    for ($seed = 20000; $seed < 20150; $seed++) {
        [$p, $q] = RandomParts::pair($seed);
        $pairs[] = [Outside::mesh($p), Outside::mesh($q)];
        $ours[] = count(Bodies::of(BooleanOperation::union($p, $q)));
    }
    expect($ours)->toBe(Outside::run('pieces.mjs', (string) json_encode(['pairs' => $pairs])))->toContain(1, 2);
});

it('agrees with manifold-3d over 150 chains of up to 20 booleans', function (): void {
    $run = new ChainRun();
    $run->run(40000, 150);
    expect($run->faults)->toBe([])->and($run->booleans)->toBeGreaterThan(1000);
});
