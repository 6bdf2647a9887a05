<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Whole;

use Cubo\Geometry\Transform;
use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\Message;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Solid;

/** A body made larger or smaller. */
final class Scale extends OnBodies
{
    private const LEAST = 0.001;

    private const MOST = 1000.0;

    protected function values(): array
    {
        return [
            self::body(),
            Field::choice('by', ['all', 'each', 'size']),
            new Field('factor', FieldType::Factor, '2', when: ['by' => ['all']]),
            new Field('factorx', FieldType::Factor, '1', when: ['by' => ['each']]),
            new Field('factory', FieldType::Factor, '1', when: ['by' => ['each']]),
            new Field('factorz', FieldType::Factor, '1', when: ['by' => ['each']]),
            Field::choice('axis', ['x', 'y', 'z'], when: ['by' => ['size']]),
            new Field('size', FieldType::Size, '40', when: ['by' => ['size']]),
        ];
    }

    /** A part that only fits when it is scaled was made to other sizes. */
    public function isSuspect(): bool
    {
        return true;
    }

    protected function arranged(Task $t, Solid $chosen, ?Solid $rest): Solid
    {
        return self::joined($t, $rest, $t->text('by') === 'size' ? self::stretched($t, $chosen) : $chosen->scaled(...self::factors($t)));
    }

    /** @return array{float,float,float} */
    private static function factors(Task $t): array
    {
        $k = [];
        foreach (['x', 'y', 'z'] as $axis) {
            $key = $t->text('by') === 'all' ? 'factor' : "factor$axis";
            $k[] = $f = $t->number($key);
            if ($f < self::LEAST || $f > self::MOST) {
                throw new StepProblem(new Message('no-factor', 'That is no factor.', 'A factor lies between 0.001 and 1000.', $key));
            }
        }

        return [$k[0], $k[1], $k[2]];
    }

    /** To a size along one axis; the low side stays where it is. */
    private static function stretched(Task $t, Solid $chosen): Solid
    {
        $k = self::PRINCIPAL[$t->text('axis')];
        $box = $chosen->vertexBox();
        $factors = [1.0, 1.0, 1.0];
        $factors[$k] = $f = $t->number('size') / ($box[$k + 3] - $box[$k]);
        if ($f < self::LEAST || $f > self::MOST) {
            throw new StepProblem(
                new Message('no-factor', 'That is too much.', 'It can be made up to a thousand times longer or shorter.', 'size'),
            );
        }
        $back = [0.0, 0.0, 0.0];
        $back[$k] = $box[$k] - $f * $box[$k];

        return $chosen->scaled(...$factors)->moved(Transform::translation([$back[0], $back[1], $back[2]]));
    }
}
