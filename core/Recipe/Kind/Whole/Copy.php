<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Whole;

use Cubo\Geometry\Transform;
use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Kind\HasArrows;
use Cubo\Recipe\Make\Arrow;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\Message;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Solid;

/** Copies of a body in a row. */
final class Copy extends OnBodies implements HasArrows
{
    protected function values(): array
    {
        return [self::body(), new Field('times', FieldType::Count, '1'), ...self::way()];
    }

    public function tooMuchAt(): string
    {
        return 'times';
    }

    public function arrows(Task $t): array
    {
        return Arrow::along($t);
    }

    protected function arranged(Task $t, Solid $chosen, ?Solid $rest): Solid
    {
        $by = $t->v->place();
        if ($by === [0.0, 0.0, 0.0]) {
            throw new StepProblem(
                new Message('no-offset', 'The copy lies on itself.', 'Give it a way to go: to the right, to the back or up.', 'x'),
            );
        }
        $part = $t->part;
        for ($i = 1, $n = (int) $t->number('times'); $i <= $n; $i++) {
            $t->budget->spend($chosen->triangleCount());
            $copy = $chosen
                ->moved(Transform::translation([$by[0] * $i, $by[1] * $i, $by[2] * $i]))
                ->renamed(static fn(string $name): string => "{$t->step->id}:copy $i/$name");
            $part = self::joined($t, $part, $copy);
        }

        return $part;
    }
}
