<?php

declare(strict_types=1);

/*
 * Ready solids brought into contact: all pairs in 17 placings with gaps of 0 and plus and minus 1e-3, 1e-4 and 1e-5 mm.
 * Every union, difference and intersection must be sound and keep inclusion and exclusion; what is said of the contact must
 * not take long. Every second case is not looked at while Cubo is built; both halves are told. Option: --every N takes only
 * every Nth case (3).
 */

use Cubo\Geometry\Transform;
use Cubo\Measure\Contact\Contact;
use Cubo\Measure\Contact\TriangleSet;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Solid;
use Tests\Parts;
use Tests\Soundness;

require __DIR__ . '/../../vendor/autoload.php';

$every = max(1, (int) (getopt('', ['every:'])['every'] ?? 3));
$kinds = [
    'block' => ['width' => '20', 'depth' => '14', 'height' => '10'],
    'cylinder' => ['round' => '14'],
    'tube' => ['round' => '16'],
    'cone' => ['round' => '16'],
    'ball' => ['round' => '16'],
    'halfball' => ['round' => '18'],
    'halfcylinder' => ['round' => '14', 'length' => '20'],
    'ring' => ['round' => '24', 'thick' => '6'],
    'wedge' => ['width' => '18', 'depth' => '12', 'height' => '10'],
    'roof' => ['width' => '18', 'depth' => '14', 'height' => '8'],
    'prism' => ['round' => '16', 'height' => '12'],
    'pyramid' => ['round' => '16', 'height' => '12'],
];
$solids = [];
foreach ($kinds as $kind => $sizes) {
    $solids[] = [$kind, Parts::build([['kind' => $kind] + $sizes])->part()];
}
/** @var list<array{list<float>, float, int}> $placings direction in which the boxes touch; turn about z; flush side of the other axes: -1, 0 for centred, 1 */
$placings = [];
foreach ([[1, 0, 0], [-1, 0, 0], [0, 1, 0], [0, -1, 0], [0, 0, 1], [0, 0, -1]] as $way) {
    $placings[] = [$way, 0.0, 0];
}
foreach ([[1, 1, 0], [1, -1, 0], [1, 0, 1], [0, 1, 1], [1, 1, 1]] as $way) {
    $placings[] = [$way, 0.0, 0];
}
foreach ([[1, 0, 0], [0, 0, 1]] as $way) {
    $placings[] = [$way, 0.0, -1];
    $placings[] = [$way, 37.0, 0];
    $placings[] = [$way, 90.0, 1];
}
$half = static fn(): array => ['cases' => 0, 'wrong' => [], 'told' => 0.0, 'worst' => 0.0, 'slow' => 0];
$halves = ['tuned' => $half(), 'unseen' => $half()];
$case = 0;
foreach ($solids as $i => [$first, $a]) {
    foreach (array_slice($solids, $i) as [$second, $other]) {
        foreach ($placings as $p => [$way, $turn, $flush]) {
            $b0 = $other->moved(Transform::rotation(2, $turn));
            [$box, $own] = [$a->vertexBox(), $b0->vertexBox()];
            foreach ([0.0, 1e-3, -1e-3, 1e-4, -1e-4, 1e-5, -1e-5] as $gap) {
                if ($case++ % $every !== 0) {
                    continue;
                }
                $at = [];
                for ($c = 0; $c < 3; $c++) {
                    $at[] = match (true) {
                        $way[$c] > 0 => $box[$c + 3] - $own[$c] + $gap,
                        $way[$c] < 0 => $box[$c] - $own[$c + 3] - $gap,
                        $flush < 0 => $box[$c] - $own[$c],
                        $flush > 0 => $box[$c + 3] - $own[$c + 3],
                        default => ($box[$c] + $box[$c + 3] - $own[$c] - $own[$c + 3]) / 2,
                    };
                }
                $b = $b0->moved(Transform::translation([$at[0], $at[1], $at[2]]));
                $h = &$halves[intdiv($case, $every) % 2 === 0 ? 'tuned' : 'unseen'];
                $h['cases']++;
                $began = hrtime(true);
                $what = wrong($a, $b);
                $took = (hrtime(true) - $began) / 1e9;
                $h['worst'] = max($h['worst'], $took);
                $h['slow'] += $took > 5 ? 1 : 0;
                $began = hrtime(true);
                Contact::of(new TriangleSet($a, array_keys($a->facet)), new TriangleSet($b, array_keys($b->facet)), 1.0);
                $h['told'] = max($h['told'], (hrtime(true) - $began) / 1e9);
                if ($what !== null) {
                    $h['wrong'][] = "$first, $second, placing $p, gap $gap: $what";
                }
                unset($h);
            }
        }
    }
}

function wrong(Solid $a, Solid $b): ?string
{
    try {
        [$u, $d, $s] = [BooleanOperation::union($a, $b), BooleanOperation::difference($a, $b), BooleanOperation::intersection($a, $b)];
    } catch (Throwable $e) {
        return $e::class . ' ' . $e->getMessage();
    }
    foreach (['union' => $u, 'difference' => $d, 'intersection' => $s] as $name => $solid) {
        if (($faults = Soundness::faults($solid)) !== []) {
            return "$name: $faults[0]";
        }
    }
    [$va, $vb] = [$a->facettedVolume(), $b->facettedVolume()];
    $off = max(abs($u->facettedVolume() + $s->facettedVolume() - $va - $vb), abs($d->facettedVolume() + $s->facettedVolume() - $va));

    return $off > 1e-9 * ($va + $vb) ? sprintf('volumes off by %.2e mm3', $off) : null;
}

foreach ($halves as $name => $h) {
    printf(
        "contacts, %s half, %d cases: %d wrong; worst three booleans %.2f s, %d over 5 s; worst answer about a contact %.3f s\n",
        $name,
        $h['cases'],
        count($h['wrong']),
        $h['worst'],
        $h['slow'],
        $h['told'],
    );
    // of the half that is not looked at only the count is told
    foreach ($name === 'tuned' ? array_slice($h['wrong'], 0, 20) : [] as $w) {
        echo "  $w\n";
    }
}
