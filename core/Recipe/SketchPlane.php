<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Geometry\Transform;

/**
 * The principal planes. Ground: u = x, v = y, up = +z. Front: u = x, v = z, up = towards the viewer, -y.
 * Side, seen from the right: u = y, v = z, up = +x.
 */
enum SketchPlane: string
{
    case Ground = 'ground';
    case Front = 'front';
    case Side = 'side';

    /** Takes (u, v, distance) to (x, y, z). */
    public function placement(): Transform
    {
        return match ($this) {
            self::Ground => Transform::identity(),
            self::Front => new Transform([1.0, 0.0, 0.0, 0.0, 0.0, -1.0, 0.0, 1.0, 0.0]),
            self::Side => new Transform([0.0, 0.0, 1.0, 1.0, 0.0, 0.0, 0.0, 1.0, 0.0]),
        };
    }

    /** @return array{up: string, down: string} the words for both directions of an extrusion */
    public function directions(): array
    {
        return match ($this) {
            self::Ground => ['up' => 'upward', 'down' => 'downward'],
            self::Front => ['up' => 'to the front', 'down' => 'to the back'],
            self::Side => ['up' => 'to the right', 'down' => 'to the left'],
        };
    }
}
