<?php

declare(strict_types=1);

use Cubo\Recipe\Reliance;
use Tests\Parts;

it('knows which steps rest on which', function () {
    $r = new Reliance(
        Parts::recipe([
            ['kind' => 'block'],
            ['kind' => 'sketch', 'plane' => 'face', 'face' => 's1:top'],
            ['kind' => 'extrude', 'sketch' => 's2', 'extent' => 'face', 'until' => 's1:bottom'],
            ['kind' => 'round', 'edges' => ['s1:front / s3:l1'], 'faces' => ['s1:top']],
            ['kind' => 'hole', 'where' => 'points', 'sketch' => 's2', 'face' => 's1:top'],
            ['kind' => 'mirror', 'of' => 'step', 'source' => 's5', 'plane' => 'side', 'face' => 's1:left'],
            ['kind' => 'repeat', 'of' => 'body', 'source' => 's5', 'body' => 's1.2'],
            ['kind' => 'loft', 'sketches' => ['s2', 's9']],
        ]),
    );
    expect($r->of('s1'))
        ->toBe([])
        ->and($r->of('s2'))
        ->toBe(['s1'])
        ->and($r->of('s3'))
        ->toEqualCanonicalizing(['s2', 's1'])
        ->and($r->of('s4'))
        ->toEqualCanonicalizing(['s1', 's3'])
        // what is not used as the step is set does not count
        ->and($r->of('s5'))
        ->toBe(['s2'])
        ->and($r->of('s6'))
        ->toBe(['s5'])
        ->and($r->of('s7'))
        ->toBe(['s1'])
        ->and($r->of('s8'))
        ->toBe(['s2'])
        ->and($r->on('s1'))
        ->toBe(['s2', 's3', 's4', 's7'])
        ->and($r->on('s2'))
        ->toBe(['s3', 's5', 's8'])
        ->and($r->on('s8'))
        ->toBe([]);
});
