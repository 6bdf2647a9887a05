<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

enum Operation
{
    case Union;
    case Difference;
    case Intersection;
}
