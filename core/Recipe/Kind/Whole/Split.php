<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Whole;

use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\HasArrows;
use Cubo\Recipe\Make\Arrow;
use Cubo\Recipe\Make\Joining;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\Message;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Change\Cutting;
use Cubo\Solid\Solid;

/** A body cut in two, of which one stays. */
final class Split extends OnBodies implements HasArrows
{
    protected function values(): array
    {
        return [self::body(), ...self::plane(), Field::choice('keep', ['up', 'down'])];
    }

    public function arrows(Task $t): array
    {
        return [Arrow::outOf($t, $t->plane())];
    }

    protected function arranged(Task $t, Solid $chosen, ?Solid $rest): Solid
    {
        $plane = $t->plane();
        $front = $back = new Solid();
        foreach ($t->apart ? Joining::bodies($chosen) : [$chosen] as $body) {
            [$f, $b] = Cutting::split($t->step->id, $body, $plane->t, [$plane->r[2], $plane->r[5], $plane->r[8]], $t->budget);
            [$front, $back] = [Joining::beside([$front, $f]), Joining::beside([$back, $b])];
        }
        if ($front->isEmpty() || $back->isEmpty()) {
            throw new StepProblem(
                new Message('not-cut', 'The plane does not cut it.', 'All of it lies on one side of the plane.', 'plane'),
            );
        }

        return self::joined($t, $rest, $t->text('keep') === 'up' ? $front : $back);
    }
}
