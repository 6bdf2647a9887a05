<?php

declare(strict_types=1);

namespace Cubo\Drawing;

/** A direction of sight. The sheet follows projection method 3 of ISO 5456-2:1996: each view lies on the side it is seen from. */
enum View: string
{
    case Front = 'front';
    case Top = 'top';
    case Right = 'right';
    case Isometric = 'isometric';

    /** @return array{array{float,float,float}, array{float,float,float}, array{float,float,float}} right, up, towards the viewer */
    public function frame(): array
    {
        return match ($this) {
            self::Front => [[1.0, 0.0, 0.0], [0.0, 0.0, 1.0], [0.0, -1.0, 0.0]],
            self::Top => [[1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]],
            self::Right => [[0.0, 1.0, 0.0], [0.0, 0.0, 1.0], [1.0, 0.0, 0.0]],
            self::Isometric => [
                [M_SQRT1_2, M_SQRT1_2, 0.0],
                [-1 / sqrt(6), 1 / sqrt(6), 2 / sqrt(6)],
                [1 / sqrt(3), -1 / sqrt(3), 1 / sqrt(3)],
            ],
        };
    }

    /**
     * The model axes that run to the right and up in a principal view.
     *
     * @return array{int,int}
     */
    public function axes(): array
    {
        return match ($this) {
            self::Front => [0, 2],
            self::Right => [1, 2],
            default => [0, 1],
        };
    }
}
