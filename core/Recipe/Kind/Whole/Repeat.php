<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Whole;

use Closure;
use Cubo\Geometry\Transform;
use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Kind\HasArrows;
use Cubo\Recipe\Kind\Recurs;
use Cubo\Recipe\Make\Arrow;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Change\Repeats;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/** The part, a body or what a step makes, in a row, in a grid or around an axis. */
final class Repeat extends OnBodies implements HasArrows, Recurs
{
    protected function values(): array
    {
        return [
            ...self::of(),
            Field::choice('way', ['row', 'grid', 'around']),
            new Field('count', FieldType::Count, '3'),
            ...self::way(),
            new Field('rows', FieldType::Count, '2', when: ['way' => ['grid']]),
            new Field('x2', FieldType::Length, '0', when: ['way' => ['grid']]),
            new Field('y2', FieldType::Length, '20', when: ['way' => ['grid']]),
            new Field('z2', FieldType::Length, '0', when: ['way' => ['grid']]),
            Field::choice('about', ['z', 'x', 'y'], when: ['way' => ['around']]),
            new Field('angle', FieldType::Angle, '360', when: ['way' => ['around']]),
            new Field('every', FieldType::Count, '1'),
        ];
    }

    public function tooMuchAt(): string
    {
        return 'count';
    }

    public function isTelling(): bool
    {
        return true;
    }

    public function isPushed(): bool
    {
        return false;
    }

    public function axisAt(Closure $value): array
    {
        return $value('way') === 'around' ? ['x', 'y', 'z'] : [];
    }

    public function arrows(Task $t): array
    {
        return match ($t->text('way')) {
            'around' => [],
            'grid' => [...Arrow::along($t), ...Arrow::along($t, ['x2', 'y2', 'z2'])],
            default => Arrow::along($t),
        };
    }

    public function again(Task $t, Closure $make): array
    {
        try {
            $places = self::places($t);
            unset($places[0]);
        } catch (Refused $r) {
            throw self::problem($t, $r, 'This cannot be repeated.');
        }
        $out = [];
        $facets = 0;
        foreach ($places as $i => $place) {
            $out[] = $one = $make($i)->moved($place)->renamed(static fn(string $name): string => "{$t->step->id}:copy $i/$name");
            $t->budget->spend($one->triangleCount());
            $t->budget->room($facets += $one->triangleCount());
        }

        return $out;
    }

    protected function arranged(Task $t, Solid $chosen, ?Solid $rest): Solid
    {
        return self::joined($t, $rest, Repeats::joined($t->step->id, $chosen, array_values(self::places($t)), $t->budget));
    }

    /** @return array<int, Transform> by number, the first one where it is; those left out are not in it */
    private static function places(Task $t): array
    {
        $every = (int) $t->number('every');

        return array_filter(self::all($t), static fn(int $i): bool => $i % $every === 0, ARRAY_FILTER_USE_KEY);
    }

    /** @return list<Transform> */
    private static function all(Task $t): array
    {
        $by = $t->v->place();
        $count = (int) $t->number('count');
        $axis = self::PRINCIPAL[$t->text('about')];

        return match ($t->text('way')) {
            'around' => Repeats::circle(
                $by,
                [(float) ($axis === 0), (float) ($axis === 1), (float) ($axis === 2)],
                $count,
                $t->number('angle'),
            ),
            'grid' => Repeats::grid($by, $count, [$t->number('x2'), $t->number('y2'), $t->number('z2')], (int) $t->number('rows')),
            default => Repeats::row($by, $count),
        };
    }
}
