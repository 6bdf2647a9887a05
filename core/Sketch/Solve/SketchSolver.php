<?php

declare(strict_types=1);

namespace Cubo\Sketch\Solve;

use Cubo\Budget\Budget;
use Cubo\Sketch\Sketch;

/** Makes a sketch keep its relations, and says what they leave free. */
final class SketchSolver
{
    /** A drag goes to its target in steps of at most this share of the sketch's size, so that nothing flips over. */
    private const STRIDE = 0.1;

    /**
     * @param array<string, float> $values of the dimensions by id, mm or degrees
     *
     * @throws UnfitRelation
     * @throws SolvingTooLong
     */
    public static function solve(Sketch $sketch, array $values): SolvedSketch
    {
        $f = new Formulation($sketch, $values);
        $f->system->solve($sketch->size());
        if ($f->system->clash !== []) {
            return new SolvedSketch($f->read(), self::ownLeftOut($f->system->clash));
        }
        $f->system->analyse();

        return new SolvedSketch(
            $f->read(),
            [],
            $f->system->free,
            array_values(array_filter($f->system->idle, static fn(string $id): bool => !str_starts_with($id, Formulation::OWN))),
            $f->system->follows,
            self::movements($f, $sketch),
            self::ways($f, $sketch),
        );
    }

    /**
     * Only makes a sketch keep its relations.
     *
     * @param array<string, float> $values of the dimensions by id, mm or degrees
     *
     * @param-out Sketch $sketch
     *
     * @return list<string> relations that cannot hold together; none when all do
     *
     * @throws UnfitRelation
     * @throws SolvingTooLong
     */
    public static function settle(Sketch &$sketch, array $values, ?Budget $budget = null): array
    {
        $f = new Formulation($sketch, $values);
        $f->system->solve($sketch->size(), $budget);
        $sketch = $f->read();

        return self::ownLeftOut($f->system->clash);
    }

    /**
     * Without what an arc asks of itself, unless that is all there is.
     *
     * @param list<string> $owners
     * @return list<string>
     */
    private static function ownLeftOut(array $owners): array
    {
        $asked = array_values(array_filter($owners, static fn(string $id): bool => !str_starts_with($id, Formulation::OWN)));

        return $asked !== [] ? $asked : array_map(static fn(string $id): string => substr($id, strlen(Formulation::OWN)), $owners);
    }

    /**
     * The sketch with a point pulled towards a place as far as the relations let it, everything else as near as can be to
     * where it was.
     *
     * @param array<string, float> $values
     * @param array{float,float} $to
     *
     * @throws UnfitRelation
     * @throws SolvingTooLong
     */
    public static function drag(Sketch $sketch, array $values, string $point, array $to): Sketch
    {
        $size = $sketch->size();
        $held = $sketch;
        [$u, $v] = $sketch->point($point);
        $steps = max(1, min(20, (int) ceil(hypot($to[0] - $u, $to[1] - $v) / (self::STRIDE * $size))));
        for ($k = 1; $k <= $steps; $k++) {
            $share = $k / $steps;
            // relations outweigh the pull, and then have the last word alone
            $pulled = new Formulation($sketch, $values, $held);
            [$a, $b] = $pulled->at[$point];
            foreach ([[$a, $u + $share * ($to[0] - $u)], [$b, $v + $share * ($to[1] - $v)]] as [$place, $value]) {
                $pulled->system->add(Equation::linear([$place], [0.01], 0.01 * $value), 'pull');
            }
            $pulled->system->approach($size);
            $exact = new Formulation($pulled->read(), $values, $held);
            if (!$exact->system->solve($size)) {
                break;
            }
            $sketch = $exact->read();
        }

        return $sketch;
    }

    /** @return list<Way> */
    private static function ways(Formulation $f, Sketch $sketch): array
    {
        $whose = [];
        foreach (array_keys($sketch->points) as $id) {
            $whose[$f->at[$id][0]] = [$id, 0];
            $whose[$f->at[$id][1]] = [$id, 1];
        }
        foreach ($f->size as $id => $place) {
            $whose[$place] = [$id, 2];
        }
        $out = [];
        foreach ($f->system->movements as $m) {
            $points = $sizes = [];
            $most = 0.0;
            foreach ($m as $place => $by) {
                [$id, $axis] = $whose[$place] ?? ['', 3];
                if ($axis === 3 || abs($by) < 1e-7) {
                    continue;
                }
                if ($axis === 2) {
                    $sizes[$id] = $by;
                } else {
                    $points[$id] ??= [0.0, 0.0];
                    $points[$id][$axis] = $by;
                }
                $most = max($most, $axis === 2 ? abs($by) : hypot(...$points[$id]));
            }
            if ($most > 0.0) {
                $out[] = new Way(
                    array_map(static fn(array $by): array => [$by[0] / $most, $by[1] / $most], $points),
                    array_map(static fn(float $by): float => $by / $most, $sizes),
                );
            }
        }

        return $out;
    }

    /** @return array<string, Movement> */
    private static function movements(Formulation $f, Sketch $sketch): array
    {
        $moves = $f->system->movements;
        $out = [];
        $at = static function (int $a, int $b) use ($moves): Movement {
            // directions of all movements of the point, as a 2 x 2 sum of squares
            $uu = $uv = $vv = 0.0;
            foreach ($moves as $m) {
                $u = $m[$a] ?? 0.0;
                $v = $m[$b] ?? 0.0;
                $uu += $u * $u;
                $uv += $u * $v;
                $vv += $v * $v;
            }
            if ($uu + $vv < 1e-12) {
                return new Movement(0);
            }
            $middle = ($uu + $vv) / 2;
            $spread = hypot(($uu - $vv) / 2, $uv);
            if ($middle - $spread > 1e-9 * $middle) {
                return new Movement(2);
            }
            $angle = atan2($uv, ($uu - $vv) / 2) / 2;

            return new Movement(1, [cos($angle), sin($angle)]);
        };
        foreach ($sketch->points as $id => $_) {
            $m = $at(...$f->at[$id]);
            if ($m->ways > 0) {
                $out[$id] = $m;
            }
        }
        foreach ($sketch->entities as $e) {
            if (isset($f->size[$e->id])) {
                $size = array_filter($moves, static fn(array $m): bool => abs($m[$f->size[$e->id]] ?? 0.0) > 1e-6) !== [];
                $middle = $at(...$f->at[$e->points[0]]);
                if ($size || $middle->ways > 0) {
                    $out[$e->id] = new Movement($middle->ways, $middle->along, $size);
                }
            } else {
                $ways = max(0, ...array_map(static fn(string $p): int => $at(...$f->at[$p])->ways, $e->points));
                if ($ways > 0) {
                    $out[$e->id] = new Movement($ways, $at(...$f->at[$e->points[0]])->along);
                }
            }
        }

        return $out;
    }
}
