<?php

declare(strict_types=1);

namespace Cubo\Geometry;

/**
 * The shortest step that fits one, two or three linear conditions n.step = -value; conditions that say the same are met
 * once (least squares by Gram and Schmidt).
 *
 * @phpstan-type V array{float,float,float}
 */
final class LeastStep
{
    private const ALIKE = 1e-7;

    /**
     * @param list<array{float, V}> $rows value and unit normal
     * @return V
     */
    public static function of(array $rows): array
    {
        $step = [0.0, 0.0, 0.0];
        $base = [];
        foreach ($rows as [$value, $n]) {
            $rest = $n;
            foreach ($base as $b) {
                $rest = Vector::add($rest, $b, -Vector::dot($n, $b));
            }
            $l = Vector::length($rest);
            if ($l < self::ALIKE) {
                continue;
            }
            $b = Vector::unit($rest);
            $base[] = $b;
            $step = Vector::add($step, $b, (-$value - Vector::dot($n, $step)) / $l);
        }

        return $step;
    }
}
