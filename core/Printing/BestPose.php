<?php

declare(strict_types=1);

namespace Cubo\Printing;

use Cubo\Solid\Solid;

/** Whether a part fits a printer's bed as it stands, turned on the bed, or laid on another of its six sides. */
final class BestPose
{
    /** Ways it is turned about the upright, degrees apart. */
    private const STEP = 5;

    /**
     * @param array{float,float,float} $bed
     * @return 'stands'|'turned'|'laid'|'never'
     */
    public static function on(Solid $s, array $bed): string
    {
        $points = [];
        foreach ($s->x as $v => $x) {
            $points[] = [$x, $s->y[$v], $s->z[$v]];
        }
        foreach ([[0, 1, 2], [1, 2, 0], [2, 0, 1]] as $n => [$a, $b, $up]) {
            $z = array_column($points, $up);
            if (max($z) - min($z) > $bed[2] + 1e-6) {
                continue;
            }
            $hull = Tipping::hull(array_map(static fn(array $p): array => [$p[$a], $p[$b]], $points));
            for ($degrees = 0; $degrees < 180; $degrees += self::STEP) {
                [$c, $d] = [cos(deg2rad($degrees)), sin(deg2rad($degrees))];
                $x = array_map(static fn(array $p): float => $c * $p[0] - $d * $p[1], $hull);
                $y = array_map(static fn(array $p): float => $d * $p[0] + $c * $p[1], $hull);
                if (max($x) - min($x) <= $bed[0] + 1e-6 && max($y) - min($y) <= $bed[1] + 1e-6) {
                    return $n > 0 ? 'laid' : ($degrees === 0 ? 'stands' : 'turned');
                }
            }
        }

        return 'never';
    }
}
