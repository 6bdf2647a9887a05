<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind\Face;

use Cubo\Geometry\Vector;
use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Kind\HasArrows;
use Cubo\Recipe\Make\Arrow;
use Cubo\Recipe\Make\Picked;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Change\FaceWork;
use Cubo\Solid\Solid;

/** Faces moved along their normals. */
final class Pull extends OnPicked implements HasArrows
{
    protected function values(): array
    {
        return [new Field('faces', FieldType::Faces), new Field('distance', FieldType::Length, '2')];
    }

    protected function by(): string
    {
        return 'distance';
    }

    public function arrows(Task $t): array
    {
        $name = $t->step->names('faces')[0] ?? '';
        $sum = [0.0, 0.0, 0.0];
        $area = 0.0;
        $normal = null;
        foreach ($t->part->facet as $f => $facet) {
            $surface = $t->part->surfaces[$t->part->surfaceOf[$facet]];
            if ($surface->name !== $name || !$surface->isFlat()) {
                continue;
            }
            [$a, $b, $c] = array_map(static fn(int $h): array => $t->part->vertex($t->part->start[$h]), [3 * $f, 3 * $f + 1, 3 * $f + 2]);
            $w = Vector::length(Vector::cross(Vector::sub($b, $a), Vector::sub($c, $a)));
            $sum = Vector::add($sum, Vector::add(Vector::add($a, $b), $c), $w / 3);
            $area += $w;
            $normal ??= [$t->part->nx[$facet], $t->part->ny[$facet], $t->part->nz[$facet]];
        }

        return $normal === null || $area <= 0 ? [] : [Arrow::from($t, 'distance', Vector::add([0.0, 0.0, 0.0], $sum, 1 / $area), $normal)];
    }

    protected function done(Task $t, float $size): Solid
    {
        return array_reduce(
            Picked::faces($t),
            static fn(Solid $part, string $face): Solid => FaceWork::pull($part, $face, $size, $t->budget, $t->step->id),
            $t->part,
        );
    }
}
