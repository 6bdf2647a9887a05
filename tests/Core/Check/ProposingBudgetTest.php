<?php

declare(strict_types=1);

use Cubo\Budget\Budget;
use Cubo\Check\Proposer;
use Cubo\Check\Requirement;
use Cubo\Measure\PartMeasures;
use Cubo\Quantity\Unit;
use Tests\Parts;

it('still offers amounts of a part whose faces cost too much to find', function (): void {
    $plate = [['kind' => 'block', 'width' => '200', 'depth' => '100', 'height' => '10']];
    for ($i = 0; $i < 30; $i++) {
        $plate[] = [
            'kind' => 'cylinder',
            'round' => '6',
            'length' => '40',
            'x' => (string) (-90 + 12 * ($i % 15)),
            'y' => $i < 15 ? '-20' : '20',
            'z' => '-10',
            'effect' => 'cut',
        ];
    }
    $solid = Parts::build($plate)->part();
    [$sizes, $faces] = [new Budget(), new Budget()];
    (new PartMeasures($solid, $sizes))->bounds();
    (new PartMeasures($solid, $faces))->features();
    // a third of what is left after the sizes is not enough to find the faces, whoever asks for them first
    $whole = null;
    $list = Proposer::propose(
        new PartMeasures($solid, new Budget((int) ($sizes->spent() + 2.7 * $faces->spent()))),
        Unit::Millimetre,
        whole: $whole,
    );
    $ids = array_map(static fn(Requirement $r): string => $r->id, $list);
    expect($whole)->toBeFalse()->and($ids)->toContain('size-x', 'volume', 'mass', 'bodies', 'closed')->not->toContain('hole-0-diameter');
});
