<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Whole;

use Closure;
use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\HasArrows;
use Cubo\Recipe\Kind\Recurs;
use Cubo\Recipe\Make\Arrow;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Change\Cutting;
use Cubo\Solid\Solid;

/** The part, a body or what a step makes, mirrored. */
final class Mirror extends OnBodies implements HasArrows, Recurs
{
    protected function values(): array
    {
        return [...self::of(), ...self::plane(), Field::choice('keep', ['both', 'image'], when: ['of' => ['body']])];
    }

    public function isTelling(): bool
    {
        return true;
    }

    public function arrows(Task $t): array
    {
        return [Arrow::outOf($t, $t->plane())];
    }

    public function again(Task $t, Closure $make): array
    {
        return [Cutting::mirrored($t->step->id, $make(0), ...self::at($t))];
    }

    protected function arranged(Task $t, Solid $chosen, ?Solid $rest): Solid
    {
        [$point, $normal] = self::at($t);

        return self::joined(
            $t,
            $rest,
            $t->text('keep') === 'both'
                ? Cutting::mirrorJoined($t->step->id, $chosen, $point, $normal, $t->budget)
                : Cutting::mirrored($t->step->id, $chosen, $point, $normal),
        );
    }

    /** @return array{array{float,float,float}, array{float,float,float}} a point of the plane and its normal */
    private static function at(Task $t): array
    {
        $plane = $t->plane();

        return [$plane->t, [$plane->r[2], $plane->r[5], $plane->r[8]]];
    }
}
