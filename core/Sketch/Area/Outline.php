<?php

declare(strict_types=1);

namespace Cubo\Sketch\Area;

/** Ready outlines as curves. */
final class Outline
{
    /**
     * @param string $name of the shape, for instance "a"
     * @return list<Curve>
     */
    public static function rectangle(string $name, float $u, float $v, float $width, float $height): array
    {
        $p = [[$u, $v], [$u + $width, $v], [$u + $width, $v + $height], [$u, $v + $height]];

        return array_map(
            static fn(string $side, int $i): Curve => new Straight("$name $side", $p[$i], $p[($i + 1) % 4]),
            ['low', 'right', 'high', 'left'],
            [0, 1, 2, 3],
        );
    }

    /** @return list<Curve> */
    public static function circle(string $name, float $u, float $v, float $radius): array
    {
        return [new Round("$name round", [$u, $v], $radius)];
    }
}
