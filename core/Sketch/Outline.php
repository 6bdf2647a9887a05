<?php

declare(strict_types=1);

namespace Cubo\Sketch;

use Cubo\Solid\Maker\Fineness;

/** A closed line of a sketch as a polygon whose sides know their curve; coordinates (u, v) in mm. */
final readonly class Outline
{
    /**
     * @param list<array{float,float}> $points counter-clockwise
     * @param list<array{name:string,circle:array{float,float,float}|null}> $curves of the side that starts at each point
     */
    public function __construct(public array $points, public array $curves) {}

    /** @param string $name of the shape, for instance "a" */
    public static function rectangle(string $name, float $u, float $v, float $width, float $height): self
    {
        return new self(
            [[$u, $v], [$u + $width, $v], [$u + $width, $v + $height], [$u, $v + $height]],
            array_map(static fn (string $side): array => ['name' => "$name $side", 'circle' => null], ['low', 'right', 'high', 'left']),
        );
    }

    public static function circle(string $name, float $u, float $v, float $radius): self
    {
        $points = $curves = [];
        foreach (Fineness::circle(Fineness::facets($radius)) as [$c, $s]) {
            $points[] = [$u + $radius * $c, $v + $radius * $s];
            $curves[] = ['name' => "$name round", 'circle' => [$u, $v, $radius]];
        }

        return new self($points, $curves);
    }
}
