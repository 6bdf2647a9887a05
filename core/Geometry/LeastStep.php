<?php

declare(strict_types=1);

namespace Cubo\Geometry;

/**
 * The shortest step that brings up to three independent linear conditions n.step = -value to zero; the best conditioned ones
 * are taken first, those that say the same once (Gram and Schmidt).
 *
 * @phpstan-type V array{float,float,float}
 */
final class LeastStep
{
    /** Sine of the angle below which a condition says what others have said. */
    private const ALIKE = 1e-5;

    /**
     * @param list<array{float, V}> $rows value and unit normal
     * @return V
     */
    public static function of(array $rows): array
    {
        $basis = [];
        $step = [0.0, 0.0, 0.0];
        while (count($basis) < 3) {
            $best = null;
            $most = self::ALIKE;
            foreach ($rows as $k => [, $n]) {
                foreach ($basis as $e) {
                    $n = Vector::add($n, $e, -Vector::dot($n, $e));
                }
                $l = Vector::length($n);
                if ($l > $most) {
                    $most = $l;
                    $best = [$k, $n, $l];
                }
            }
            if ($best === null) {
                break;
            }
            [$k, $n, $l] = $best;
            $e = [$n[0] / $l, $n[1] / $l, $n[2] / $l];
            // along e, so that this condition holds too
            $step = Vector::add($step, $e, (-$rows[$k][0] - Vector::dot($rows[$k][1], $step)) / $l);
            $basis[] = $e;
            unset($rows[$k]);
        }

        return $step;
    }
}
