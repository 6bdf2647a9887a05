<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Sketch;

use Cubo\Geometry\Vector;
use Cubo\Recipe\Kind\Effect;
use Cubo\Recipe\Kind\Family;
use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Kind\HasArrows;
use Cubo\Recipe\Kind\Kind;
use Cubo\Recipe\Kind\Makes;
use Cubo\Recipe\Kind\Need;
use Cubo\Recipe\Kind\Warns;
use Cubo\Recipe\Make\Arrow;
use Cubo\Recipe\Make\Extruding;
use Cubo\Recipe\Make\Skin;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\Message;
use Cubo\Solid\Solid;

/** Areas of a sketch drawn out straight. */
final class Extrude extends Kind implements HasArrows, Makes, Warns
{
    public function family(): Family
    {
        return Family::Sketch;
    }

    public function needs(): Need
    {
        return Need::Sketch;
    }

    protected function values(): array
    {
        return [
            new Field('sketch', FieldType::Sketch),
            new Field('regions', FieldType::Regions, 'all'),
            Field::choice('extent', ['distance', 'both', 'middle', 'through', 'face', 'level']),
            new Field('distance', FieldType::Size, '10', when: ['extent' => ['distance', 'both', 'middle']]),
            new Field('second', FieldType::Size, '10', when: ['extent' => ['both']]),
            new Field('until', FieldType::Face, when: ['extent' => ['face']]),
            new Field('level', FieldType::Spot, when: ['extent' => ['level']]),
            new Field('past', FieldType::Length, '0', when: ['extent' => ['face', 'level']]),
            Field::choice('from', ['sketch', 'face']),
            new Field('base', FieldType::Face, when: ['from' => ['face']]),
            new Field('start', FieldType::Length, '0'),
            new Field('taper', FieldType::Angle, '0'),
            new Field(
                'direction',
                FieldType::Direction,
                'up',
                ['up', 'down'],
                ['extent' => ['distance', 'both', 'through', 'face', 'level']],
            ),
            Effect::field(),
        ];
    }

    public function isTelling(): bool
    {
        return true;
    }

    public function tool(Task $t): Solid
    {
        return Extruding::make($t);
    }

    public function warning(Solid $after, Task $t): ?Message
    {
        if ($t->text('effect') !== 'cut' || $t->text('extent') !== 'distance') {
            return null;
        }
        $down = $t->text('direction') === 'down';

        return Skin::left(
            $after,
            $t,
            $down ? 'start' : 'end',
            $t->sketch()->placement,
            $down ? -1.0 : 1.0,
            $t->number('distance') + $t->number('start'),
        );
    }

    public function arrows(Task $t): array
    {
        $extent = $t->text('extent');
        if (!in_array($extent, ['distance', 'both', 'middle'], true)) {
            return [];
        }
        $place = Extruding::begins($t);
        $up = $place->direction([0.0, 0.0, $t->text('direction') === 'down' ? -1.0 : 1.0]);
        $u = $v = $n = 0.0;
        foreach ($t->profile()->loops[0] ?? [] as [$pu, $pv]) {
            $u += $pu;
            $v += $pv;
            $n++;
        }
        $from = $place->point([$u / max(1, $n), $v / max(1, $n), 0.0]);
        $out = [Arrow::from($t, 'distance', $from, $up, $extent === 'middle' ? 0.5 : 1.0, $extent === 'distance')];
        if ($extent === 'both') {
            $out[] = Arrow::from($t, 'second', $from, Vector::add([0.0, 0.0, 0.0], $up, -1.0));
        }

        return $out;
    }
}
