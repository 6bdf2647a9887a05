<?php

declare(strict_types=1);

namespace Cubo\Sketch\Draw;

use Cubo\Sketch\Area\DrawnCurves;
use Cubo\Sketch\Entity;
use Cubo\Sketch\EntityKind;
use Cubo\Sketch\RelationKind;
use Cubo\Sketch\Role;
use InvalidArgumentException;

/** Lines and rounds beside others, at one distance from all of them; where these meet, the new ones meet. */
final class Beside
{
    public function __construct(private readonly Pen $pen) {}

    /**
     * @param list<string> $of lines, circles and arcs
     * @param float $distance mm
     * @param string $size the distance as typed
     * @param bool $inside towards the middle of what is picked
     * @return list<string> what was drawn
     *
     * @throws InvalidArgumentException
     */
    public function offset(array $of, float $distance, string $size, bool $inside): array
    {
        $picked = [];
        foreach ($of as $id) {
            $e = $this->pen->sketch->entities[$id] ?? null;
            if ($e === null || !in_array($e->kind, [EntityKind::Line, EntityKind::Circle, EntityKind::Arc], true)) {
                throw new InvalidArgumentException('Pick lines, circles and arcs to draw beside.');
            }
            $picked[] = $e;
        }
        $lead = null;
        $new = $ends = [];
        foreach ($this->sides($picked, $inside) as [$e, $left]) {
            if ($e->kind === EntityKind::Line) {
                [[$au, $av], [$bu, $bv]] = array_map($this->pen->sketch->point(...), $e->points);
                $l = max(1e-12, hypot($bu - $au, $bv - $av)) * ($left ? 1 : -1);
                [$nu, $nv] = [(-($bv - $av) / $l) * $distance, (($bu - $au) / $l) * $distance];
                $points = [$this->pen->at($au + $nu, $av + $nv), $this->pen->at($bu + $nu, $bv + $nv)];
                $drawn = $this->pen->line($points[0], $points[1], $e->role);
                $this->pen->relate(RelationKind::Parallel, $e->id, $drawn);
                $id = $this->pen->size(RelationKind::Distance, $lead ?? $size, $e->id, $drawn);
            } else {
                $r = $e->size + ($left ? -$distance : $distance);
                if ($r < 1e-3) {
                    throw new InvalidArgumentException("$e->id has not that much room inside.");
                }
                [$mu, $mv] = $this->pen->sketch->point($e->points[0]);
                $points = array_map(function (string $p) use ($mu, $mv, $r, $e): string {
                    [$u, $v] = $this->pen->sketch->point($p);

                    return $this->pen->at($mu + (($u - $mu) * $r) / $e->size, $mv + (($v - $mv) * $r) / $e->size);
                }, array_slice($e->points, 1));
                $drawn = $this->pen->draw($e->kind, [$e->points[0], ...$points], $r, $e->role);
                $id = $this->runsOn($e, $of) ? $lead : $this->onRay($e, $drawn, $points, $r, $lead ?? $size);
            }
            $lead ??= $id;
            $new[$e->id] = $drawn;
            foreach (array_slice($e->points, -2) as $k => $p) {
                if ($e->kind !== EntityKind::Circle) {
                    $ends[$p][] = $points[$k];
                }
            }
        }
        foreach ($ends as $pair) {
            if (count($pair) === 2) {
                $this->pen->relate(RelationKind::Coincident, $pair[0], $pair[1]);
            }
        }
        // what runs smoothly into each other still does, which gives rounds their radius
        foreach ($this->pen->sketch->relations as $r) {
            if ($r->kind === RelationKind::Tangent && isset($new[$r->of[0]], $new[$r->of[1]])) {
                $this->pen->relate(RelationKind::Tangent, $new[$r->of[0]], $new[$r->of[1]]);
            }
        }

        return array_values($new);
    }

    /** @param list<string> $of */
    private function runsOn(Entity $e, array $of): bool
    {
        foreach ($this->pen->sketch->relations as $r) {
            if ($r->kind === RelationKind::Tangent && in_array($e->id, $r->of, true) && array_diff($r->of, $of) === []) {
                return true;
            }
        }

        return false;
    }

    /**
     * The distance of two rounds about one middle, between points on one ray.
     *
     * @param list<string> $points ends of the new one, if it is an arc
     */
    private function onRay(Entity $e, string $drawn, array $points, float $r, string $size): string
    {
        [$mu, $mv] = $this->pen->sketch->point($e->points[0]);
        $from = $e->points[1] ?? $this->pen->point(new Spot($mu + $e->size, $mv, on: [$e->id]));
        $to = $points[0] ?? $this->pen->point(new Spot($mu + $r, $mv, on: [$drawn]));
        if ($points === []) {
            $this->pen->relate(RelationKind::Horizontal, $e->points[0], $from);
            $this->pen->relate(RelationKind::Horizontal, $e->points[0], $to);
        } else {
            $this->pen->relate(RelationKind::Coincident, $to, $this->pen->line($e->points[0], $from, Role::Construction));
        }

        return $this->pen->size(RelationKind::Distance, $size, $from, $to);
    }

    /**
     * On which side of each, seen along its own way, the new one lies.
     *
     * @param list<Entity> $picked
     * @return list<array{Entity, bool}> true for the left
     */
    private function sides(array $picked, bool $inside): array
    {
        $loop = $this->loop($picked);
        if ($loop !== null) {
            // around a closed outline the inside is left of the way when it runs counter-clockwise
            $twice = 0.0;
            foreach ($loop as [$e, $forward]) {
                foreach (DrawnCurves::curves($this->pen->sketch, $e) as $c) {
                    $twice += $c->sweep($c->from(), $c->to()) * ($forward ? 1 : -1);
                }
            }

            return array_map(static fn(array $x): array => [$x[0], $twice > 0 === ($x[1] === $inside)], $loop);
        }
        $sum = [0.0, 0.0];
        $count = 0;
        foreach ($picked as $e) {
            foreach ($e->points as $p) {
                [$u, $v] = $this->pen->sketch->point($p);
                $sum = [$sum[0] + $u, $sum[1] + $v];
                $count++;
            }
        }
        $middle = [$sum[0] / max(1, $count), $sum[1] / max(1, $count)];

        return array_map(function (Entity $e) use ($middle, $inside): array {
            if ($e->kind !== EntityKind::Line) {
                return [$e, $inside]; // an arc's left is its own middle
            }
            [$a, $b] = array_map($this->pen->sketch->point(...), $e->points);

            return [$e, ($b[0] - $a[0]) * ($middle[1] - $a[1]) - ($b[1] - $a[1]) * ($middle[0] - $a[0]) >= 0 === $inside];
        }, $picked);
    }

    /**
     * The picked lines one after the other, when they make one closed outline.
     *
     * @param list<Entity> $picked
     * @return list<array{Entity, bool}>|null with whether each is run through as it was drawn
     */
    private function loop(array $picked): ?array
    {
        $left = $picked;
        $first = array_shift($left);
        if ($first === null || $first->kind === EntityKind::Circle || $left === []) {
            return null;
        }
        [$start, $at] = array_slice($first->points, -2);
        $out = [[$first, true]];
        while ($left !== []) {
            foreach ($left as $k => $e) {
                [$a, $b] = $e->kind === EntityKind::Circle ? ['', ''] : array_slice($e->points, -2);
                if ($a === $at || $b === $at) {
                    $out[] = [$e, $a === $at];
                    $at = $a === $at ? $b : $a;
                    unset($left[$k]);

                    continue 2;
                }
            }

            return null;
        }

        return $at === $start ? $out : null;
    }
}
