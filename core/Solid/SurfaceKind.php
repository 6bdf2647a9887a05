<?php

declare(strict_types=1);

namespace Cubo\Solid;

/** The true shapes a face can have. */
enum SurfaceKind: string
{
    case Plane = 'plane';
    case Cylinder = 'cylinder';
    case Cone = 'cone';
    case Sphere = 'sphere';
    case Torus = 'torus';
    case Patch = 'patch';
}
