<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Whole;

use Closure;
use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Solid;

/** A body turned about an axis or an edge. */
final class Turn extends OnBodies
{
    protected function values(): array
    {
        return [
            self::body(),
            new Field('angle', FieldType::Angle, '90'),
            Field::choice('about', ['z', 'x', 'y', 'edge']),
            new Field('edge', FieldType::Edge, when: ['about' => ['edge']]),
            ...self::way(['about' => ['z', 'x', 'y']]),
        ];
    }

    public function isPushed(): bool
    {
        return false;
    }

    public function turnsBy(): string
    {
        return 'angle';
    }

    public function axisAt(Closure $value): array
    {
        return $value('about') === 'edge' ? [] : ['x', 'y', 'z'];
    }

    protected function arranged(Task $t, Solid $chosen, ?Solid $rest): Solid
    {
        return self::joined($t, $rest, $chosen->moved(self::turn($t)));
    }

    private static function turn(Task $t): Transform
    {
        if ($t->text('about') !== 'edge') {
            return Transform::rotation(self::PRINCIPAL[$t->text('about')], $t->number('angle'), $t->v->place());
        }
        [$a, $b] = $t->straightEdge('edge');
        $way = Vector::sub($b, $a);

        return Transform::turn($a, Vector::add([0.0, 0.0, 0.0], $way, 1 / Vector::length($way)), $t->number('angle'));
    }
}
