<?php

declare(strict_types=1);

namespace Cubo\Solid\Maker;

use Cubo\Geometry\Vector;

/**
 * One closed row of a loft's skin and what guides make of it. One guide alone pulls where it runs, fading away with the cosine
 * of the way round. Several carry the whole row along by what they have in common, and for the rest push it out from its middle
 * and around it: between two of them this goes over from one to the other with the cosine. So two equal guides opposite each
 * other make a round row wider and keep it round, and two that lean the same way bend it.
 *
 * @phpstan-type V array{float,float,float}
 * @phpstan-type Pull array{float,float,float,float}
 */
final readonly class GuidedRow
{
    /** @var V */
    private array $middle;

    /** @var V unit, across the row */
    private array $normal;

    /** @param non-empty-list<V> $row */
    public function __construct(private array $row)
    {
        $middle = $area = [0.0, 0.0, 0.0];
        $n = count($row);
        foreach ($row as $c => $p) {
            $middle = Vector::add($middle, $p, 1 / $n);
            $area = Vector::add($area, Vector::cross(Vector::sub($p, $row[0]), Vector::sub($row[($c + 1) % $n], $row[0])));
        }
        $this->middle = $middle;
        $this->normal = Vector::unit($area);
    }

    /**
     * @param non-empty-list<Pull> $pulls how far each guide lies off the row, and where around it, as a share of the way
     * @return list<V>
     */
    public function pulled(array $pulls): array
    {
        $n = count($this->row);
        $out = [];
        if (count($pulls) === 1) {
            [$x, $y, $z, $at] = $pulls[0];
            foreach ($this->row as $c => $p) {
                $out[] = Vector::add($p, [$x, $y, $z], (1 + cos(2 * M_PI * ($c / $n - $at))) / 2);
            }

            return $out;
        }
        $all = [0.0, 0.0, 0.0];
        foreach ($pulls as [$x, $y, $z]) {
            $all = Vector::add($all, [$x, $y, $z], 1 / count($pulls));
        }
        // what is left of each, out from the middle, around it and across
        $left = [];
        foreach ($pulls as [$x, $y, $z, $at]) {
            $column = ($at - floor($at)) * $n;
            $a = (int) floor($column) % $n;
            $frame = $this->frame(
                Vector::add($this->row[$a], Vector::sub($this->row[($a + 1) % $n], $this->row[$a]), $column - floor($column)),
            );
            $d = Vector::sub([$x, $y, $z], $all);
            $left[] = [Vector::dot($d, $frame[0]), Vector::dot($d, $frame[1]), Vector::dot($d, $frame[2]), $at];
        }
        foreach ($this->row as $c => $p) {
            $d = self::between($left, $c / $n);
            $q = Vector::add($p, $all);
            foreach ($this->frame($p) as $k => $e) {
                $q = Vector::add($q, $e, $d[$k]);
            }
            $out[] = $q;
        }

        return $out;
    }

    /**
     * @param V $p
     * @return array{V, V, V} out from the middle, around it, across the row
     */
    private function frame(array $p): array
    {
        $out = Vector::sub($p, $this->middle);
        $out = Vector::unit(Vector::add($out, $this->normal, -Vector::dot($out, $this->normal)));

        return [$out, Vector::cross($this->normal, $out), $this->normal];
    }

    /**
     * @param non-empty-list<Pull> $pulls
     * @return V
     */
    private static function between(array $pulls, float $share): array
    {
        $before = $after = $pulls[0];
        [$back, $ahead] = [INF, INF];
        foreach ($pulls as $d) {
            $way = $d[3] - $share - floor($d[3] - $share);
            if ($way < $ahead) {
                [$ahead, $after] = [$way, $d];
            }
            if (1 - $way < $back) {
                [$back, $before] = [1 - $way, $d];
            }
        }
        $w = (1 - cos((M_PI * $back) / ($back + $ahead))) / 2;

        return [(1 - $w) * $before[0] + $w * $after[0], (1 - $w) * $before[1] + $w * $after[1], (1 - $w) * $before[2] + $w * $after[2]];
    }
}
