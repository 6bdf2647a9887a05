<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Geometry\TriangleDistance;
use Cubo\Geometry\Vector;
use Cubo\Measure\Between;
use Cubo\Measure\FaceArea;
use Cubo\Measure\Item;
use Cubo\Measure\RoundFace;
use Cubo\Measure\TriangleTree;
use Cubo\Quantity\Number;
use Cubo\Quantity\Unit;
use Cubo\Solid\Blend\EdgeShape;
use Cubo\Solid\Blend\Topology;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;
use Cubo\Solid\SurfaceKind;

/**
 * What can be read off one to three faces, edges or corners of a part: as words and numbers in the part's unit.
 *
 * One: the area of a face, its radius and diameter, the wall behind its middle; the length of an edge and its radius;
 * the place of a corner. Two: the distance with its parts to the right, to the back and up, the angle, and the distance of
 * parallel axes. Three corners: the angle at the second.
 *
 * @phpstan-type V array{float,float,float}
 */
final readonly class Measurement
{
    /**
     * @param list<array{string, string}> $rows label and value
     * @param list<array{V, V}> $lines where it was measured
     */
    private function __construct(public array $rows, public array $lines, public string $problem = '') {}

    /**
     * @param list<string> $names
     * @param V|null $at a point of the face, where the wall behind it is looked for; its middle without
     */
    public static function of(Solid $part, array $names, Unit $unit, ?array $at = null): self
    {
        if ($part->isEmpty() || $names === []) {
            return new self([], [], 'There is nothing to measure.');
        }
        $corners = null;
        $edges = null;
        $found = [];
        foreach ($names as $name) {
            $kind = substr_count($name, ' / ');
            if ($kind >= 2) {
                $corners ??= PartCorners::of($part);
                $at = $corners[$name] ?? null;
                $found[] = $at === null ? null : ['corner', $name, Item::point($at), $at];
            } else {
                try {
                    $found[] =
                        $kind === 1 ? ['edge', $name, Item::edge($part, $name), null] : ['face', $name, Item::face($part, $name), null];
                } catch (Refused) {
                    $found[] = null;
                }
            }
        }
        if (in_array(null, $found, true)) {
            return new self([], [], 'What was measured is not there any more.');
        }
        /** @var list<array{string, string, Item, V|null}> $found */

        return match (count($found)) {
            1 => self::one($part, $found[0], $unit, $at),
            2 => self::two($found[0], $found[1], $unit),
            default => self::three($found, $unit),
        };
    }

    /**
     * @param array{string, string, Item, V|null} $it
     * @param V|null $at
     */
    private static function one(Solid $part, array $it, Unit $unit, ?array $at): self
    {
        [$kind, $name, , $corner] = $it;
        if ($corner !== null) {
            return new self(
                [
                    ['right of the origin', self::length($corner[0], $unit)],
                    ['behind the origin', self::length($corner[1], $unit)],
                    ['above the ground', self::length($corner[2], $unit)],
                ],
                [],
            );
        }
        if ($kind === 'edge') {
            return self::edge($part, $name, $unit);
        }
        $rows = [];
        try {
            $round = RoundFace::of($part, $name);
            if ($round->kind === SurfaceKind::Cone) {
                $rows[] = ['diameters', self::length(2 * $round->radius, $unit) . ' and ' . self::length(2 * $round->other, $unit)];
            } elseif ($round->kind === SurfaceKind::Torus) {
                $rows[] = ['radius of the ring', self::length($round->radius, $unit)];
                $rows[] = ['radius of its tube', self::length($round->other, $unit)];
            } else {
                $rows[] = ['diameter', self::length(2 * $round->radius, $unit)];
                $rows[] = ['radius', self::length($round->radius, $unit)];
            }
            if (in_array($round->kind, [SurfaceKind::Cylinder, SurfaceKind::Cone], true)) {
                $rows[] = [$round->hollow ? 'depth' : 'length', self::length($round->depth, $unit)];
            }
        } catch (Refused) {
            // a flat or free face has neither
        }
        $rows[] = ['area', self::area(FaceArea::of($part, $name), $unit)];
        [$wall, $line] = self::wall($part, $name, $at);
        if ($wall !== null) {
            $rows[] = [$at === null ? 'wall behind its middle' : 'wall behind that point', self::length($wall, $unit)];
        }

        return new self($rows, $line === null ? [] : [$line]);
    }

    private static function edge(Solid $part, string $name, Unit $unit): self
    {
        $edge = Topology::of($part)->edges[$name];
        $length = 0.0;
        foreach ($edge->halfEdges as $h) {
            $length += Vector::distance(self::vertex($part, $part->start[$h]), self::vertex($part, $part->start[$part->twin[$h]]));
        }
        try {
            $shape = new EdgeShape($part, $edge);
        } catch (Refused) {
            return new self([['length', self::length($length, $unit)]], []);
        }
        if ($shape->axis === null) {
            return new self([['length', self::length($length, $unit)]], [[$shape->stations[0], $shape->stations[1]]]);
        }
        $r = Vector::distance($shape->stations[0], $shape->centre);
        $turn = 0.0;
        foreach ($edge->halfEdges as $h) {
            $a = Vector::sub(self::vertex($part, $part->start[$h]), $shape->centre);
            $b = Vector::sub(self::vertex($part, $part->start[$part->twin[$h]]), $shape->centre);
            $turn += atan2(Vector::length(Vector::cross($a, $b)), Vector::dot($a, $b));
        }

        return new self(
            [
                ['diameter', self::length(2 * $r, $unit)],
                ['radius', self::length($r, $unit)],
                ['length', self::length($r * $turn, $unit)],
                ...$edge->closed ? [] : [['angle', self::angle(rad2deg($turn))]],
            ],
            [],
        );
    }

    /**
     * @param array{string, string, Item, V|null} $a
     * @param array{string, string, Item, V|null} $b
     */
    private static function two(array $a, array $b, Unit $unit): self
    {
        $m = Between::of($a[2], $b[2]);
        $rows = [['distance', self::length($m->distance, $unit)]];
        foreach (['to the right', 'to the back', 'up'] as $k => $way) {
            $rows[] = [$way, self::length($m->to[$k] - $m->from[$k], $unit)];
        }
        if ($m->axes !== null && abs($m->axes - $m->distance) > 1e-9) {
            $rows[] = [$a[2]->normal || $b[2]->normal ? 'axis to face' : 'axis to axis', self::length($m->axes, $unit)];
        }
        if ($m->angle !== null) {
            $rows[] = ['angle', self::angle($m->angle)];
        }

        return new self($rows, $m->distance > 1e-9 ? [[$m->from, $m->to]] : []);
    }

    /** @param list<array{string, string, Item, V|null}> $found */
    private static function three(array $found, Unit $unit): self
    {
        [$p, $q, $r] = array_map(static fn(array $f): ?array => $f[3], $found);
        if ($p === null || $q === null || $r === null) {
            return new self([], [], 'An angle of three needs three corners; the second is its tip.');
        }
        $a = Vector::sub($p, $q);
        $b = Vector::sub($r, $q);

        return new self(
            [['angle at the second', self::angle(rad2deg(atan2(Vector::length(Vector::cross($a, $b)), Vector::dot($a, $b))))]],
            [[$q, $p], [$q, $r]],
        );
    }

    /**
     * How thick the material is behind a point of a face, straight in; null where nothing is found.
     *
     * @param V|null $point of the face; its middle without
     * @return array{float|null, array{V, V}|null}
     */
    private static function wall(Solid $part, string $name, ?array $point): array
    {
        $best = null;
        $sum = [0.0, 0.0, 0.0];
        $area = 0.0;
        $faces = [];
        foreach ($part->facet as $t => $f) {
            if ($part->surfaces[$part->surfaceOf[$f]]->name === $name) {
                [$a, $b, $c] = array_map(static fn(int $h): array => self::vertex($part, $part->start[$h]), [
                    3 * $t,
                    3 * $t + 1,
                    3 * $t + 2,
                ]);
                $w = Vector::length(Vector::cross(Vector::sub($b, $a), Vector::sub($c, $a)));
                $mid = Vector::add(Vector::add($a, $b), $c);
                $mid = [$mid[0] / 3, $mid[1] / 3, $mid[2] / 3];
                $sum = Vector::add($sum, $mid, $w);
                $area += $w;
                $faces[] = [$mid, $f, [$a, $b, $c]];
            }
        }
        if ($area <= 0) {
            return [null, null];
        }
        $centre = $point ?? [$sum[0] / $area, $sum[1] / $area, $sum[2] / $area];
        foreach ($faces as [$mid, $f, $corners]) {
            $d = $point === null ? Vector::distance($mid, $centre) : TriangleDistance::between([$centre, $centre, $centre], $corners)[0];
            if ($best === null || $d < $best[0]) {
                $best = [$d, $mid, $f];
            }
        }
        [, $at, $f] = $best ?? [0.0, $centre, 0];
        // of a flat face the true middle, where there is material
        if ($point !== null) {
            $at = $point;
        } elseif ($part->surfaces[$part->surfaceOf[$f]]->isFlat() && self::covers($part, $name, $centre)) {
            $at = $centre;
        }
        $in = [-$part->nx[$f], -$part->ny[$f], -$part->nz[$f]];
        $box = $part->vertexBox();
        $hit = (new TriangleTree($part))->firstHit(
            $at,
            $in,
            1e-6,
            1 + Vector::distance([$box[0], $box[1], $box[2]], [$box[3], $box[4], $box[5]]),
        );

        return $hit === null ? [null, null] : [(float) $hit[0], [$at, Vector::add($at, $in, (float) $hit[0])]];
    }

    /**
     * Whether a point of the plane of a flat face lies on the face.
     *
     * @param V $p
     */
    private static function covers(Solid $part, string $name, array $p): bool
    {
        foreach ($part->facet as $t => $f) {
            if ($part->surfaces[$part->surfaceOf[$f]]->name === $name) {
                $c = array_map(static fn(int $h): array => self::vertex($part, $part->start[$h]), [3 * $t, 3 * $t + 1, 3 * $t + 2]);
                if (TriangleDistance::between([$p, $p, $p], [$c[0], $c[1], $c[2]])[0] < 1e-9) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return V */
    private static function vertex(Solid $s, int $v): array
    {
        return [$s->x[$v], $s->y[$v], $s->z[$v]];
    }

    private static function length(float $mm, Unit $unit): string
    {
        return $unit->show($mm) . " {$unit->value}";
    }

    private static function angle(float $degrees): string
    {
        return Number::show($degrees, 2) . '°';
    }

    private static function area(float $mm2, Unit $unit): string
    {
        return $unit === Unit::Inch ? Number::show($mm2 / 25.4 ** 2, 3) . ' in²' : Number::large($mm2) . ' mm²';
    }
}
