<?php

declare(strict_types=1);

use Cubo\Geometry\Transform;
use Cubo\Measure\MassProperties;
use Cubo\Solid\Blend\Blending;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Change\FaceWork;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Maker\SoftBlock;
use Cubo\Solid\Solid;
use Tests\Soundness;

/*
 * Faces moved along their normals: what is added or cut is the area moved through, a spherical segment, a ring. Volumes by
 * elementary geometry (I. N. Bronstein et al., "Taschenbuch der Mathematik", 3.3.4; from memory).
 */

it('moves a face, its rounds and chamfers with it', function (Closure $make, string $face, float $by, float $adds): void {
    $before = $make();
    $after = FaceWork::pull($before, $face, $by);
    expect(Soundness::faults($after))
        ->toBe([])
        ->and((new MassProperties($after))->volume - (new MassProperties($before))->volume)
        ->toEqualWithDelta($adds, 1e-6 * abs($adds));
})->with(function () {
    $block = static fn(): Solid => Primitives::block('b', [0.0, 0.0, 0.0], [30.0, 20.0, 15.0]);
    $plate = static fn(): Solid => Primitives::block('p', [-20.0, -20.0, 0.0], [40.0, 40.0, 8.0]);
    $post = static fn(): Solid => BooleanOperation::union($plate(), Primitives::cylinder('z', 6.0, 20.0));
    $bed = static fn(): Solid => BooleanOperation::difference(
        $plate(),
        Primitives::cylinder('h', 5.0, 20.0)->moved(Transform::translation([0.0, 0.0, -5.0])),
    );
    $soft = static fn(): Solid => SoftBlock::rounded('s', [30.0, 20.0, 15.0], 4.0);
    // pi h (r^2 - h^2 / 3): between the great circle and a height of 3
    $segment = M_PI * 3 * (100 - 3);
    $across = 600 - (4 - M_PI) * 16;
    $dome = static fn(): Solid => BooleanOperation::difference(
        Primitives::sphere('s', 10.0),
        Primitives::block('q', [-20.0, -20.0, -20.0], [40.0, 40.0, 20.0]),
    );

    return [
        'a block, up' => [$block, 'b:top', 3.0, 1800.0],
        'a block, down' => [$block, 'b:top', -3.0, -1800.0],
        'all its edges rounded' => [$soft, 's:top', 3.0, 3 * $across],
        'all its edges rounded, down' => [$soft, 's:top', -3.0, -3 * $across],
        'one edge rounded' => [fn() => Blending::round('r', $block(), ['b:front / b:top'], 3.0), 'b:top', 2.0, 1200.0],
        'at the end of a round' => [
            fn() => Blending::round('r', $block(), ['b:front / b:top'], 3.0),
            'b:right',
            2.0,
            2 * (300 - 9 * (1 - M_PI / 4)),
        ],
        'one edge chamfered' => [fn() => Blending::chamfer('c', $block(), ['b:front / b:top'], 2.0), 'b:top', 2.0, 1200.0],
        'a hole, wider' => [$bed, 'h:side', -2.0, -M_PI * 24 * 8],
        'a hole, narrower' => [$bed, 'h:side', 2.0, M_PI * 16 * 8],
        'a plate with a hole' => [$bed, 'p:top', 2.0, 2 * (1600 - M_PI * 25)],
        'a plate around a post' => [$post, 'p:top', 2.0, 2 * (1600 - M_PI * 36)],
        'a plate around a post, past its top' => [$post, 'p:top', 15.0, 15 * (1600 - M_PI * 36)],
        'a plate with a fillet to the post' => [
            fn() => Blending::round('r', $post(), ['p:top / z:side'], 2.0),
            'p:top',
            2.0,
            2 * (1600 - M_PI * 36),
        ],
        'a post, wider' => [$post, 'z:side', 1.0, M_PI * 13 * 12],
        // the fillet goes round with its centre of area one farther out: 2 pi times its area of (1 - pi/4) 2^2
        'a post with a fillet, wider' => [
            fn() => Blending::round('r', $post(), ['p:top / z:side'], 2.0),
            'z:side',
            1.0,
            M_PI * 13 * 12 + 2 * M_PI * (4 - M_PI),
        ],
        'the flat of half a ball, out' => [$dome, 'q:top', 3.0, $segment],
        'the flat of half a ball, in' => [$dome, 'q:top', -3.0, -$segment],
    ];
});
