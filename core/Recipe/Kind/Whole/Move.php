<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Whole;

use Cubo\Geometry\Transform;
use Cubo\Recipe\Kind\HasArrows;
use Cubo\Recipe\Make\Arrow;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Solid;

/** A body moved. */
final class Move extends OnBodies implements HasArrows
{
    protected function values(): array
    {
        return [self::body(), ...self::way()];
    }

    public function arrows(Task $t): array
    {
        return Arrow::along($t);
    }

    protected function arranged(Task $t, Solid $chosen, ?Solid $rest): Solid
    {
        return self::joined($t, $rest, $chosen->moved(Transform::translation($t->v->place())));
    }
}
