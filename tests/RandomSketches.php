<?php

declare(strict_types=1);

namespace Tests;

use Cubo\Sketch\EntityKind;
use Cubo\Sketch\Relation;
use Cubo\Sketch\RelationKind as K;
use Cubo\Sketch\Sketch;
use Cubo\Sketch\Solve\SketchSolver;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Random sketches that are known to have a solution: drawn on a grid, related by what happens to be true there, then
 * disturbed. Errors are measured with plain geometry, not with the solver's own equations.
 */
final class RandomSketches
{
    public readonly Sketches $made;

    /** The sketch as it was before it was disturbed. */
    public readonly Sketch $true;

    private readonly Randomizer $random;

    public function __construct(int $seed, float $noise = 0.4)
    {
        $this->random = new Randomizer(new Mt19937($seed));
        $this->made = new Sketches();
        $s = $this->made;
        $n = $this->random->getInt(4, 9);
        $taken = [];
        $points = [];
        while (count($points) < $n) {
            // apart from each other by more than the disturbance
            $at = [5 * $this->random->getInt(0, 8), 5 * $this->random->getInt(0, 8)];
            if (!isset($taken[implode(',', $at)])) {
                $taken[implode(',', $at)] = true;
                $points[] = $s->point(...array_map('floatval', $at));
            }
        }
        $lines = $rounds = [];
        for ($i = 1; $i < $n; $i++) {
            if ($this->random->getInt(0, 9) < 7) {
                $lines[] = $s->line($points[$i - 1], $points[$i]);
            }
        }
        for ($i = 0; $i < $this->random->getInt(0, 3); $i++) {
            $m = $points[$this->random->getInt(0, $n - 1)];
            $p = $points[$this->random->getInt(0, $n - 1)];
            $rounds[] = $s->circle($m, $m === $p ? 7.0 : $this->apart($s->sketch, $m, $p));
        }
        $this->true = $s->sketch;
        foreach ($this->random->shuffleArray($this->facts($points, $lines, $rounds)) as $k => [$kind, $of, $value]) {
            if ($k >= 2 * $n) {
                break;
            }
            $value === null ? $s->ask($kind, ...$of) : $s->size($kind, $value, ...$of);
        }
        if ($seed % 2 === 0) {
            $this->dropIdle();
        }
        $this->disturb($noise);
    }

    /** Leaves only relations that take a movement away at the solution. */
    private function dropIdle(): void
    {
        $s = $this->made;
        $true = new Sketch($this->true->points, $this->true->entities, $s->sketch->relations);
        $idle = SketchSolver::solve($true, $s->values)->idle;
        $s->sketch = new Sketch(
            $true->points,
            $true->entities,
            array_filter($true->relations, static fn(Relation $r): bool => !in_array($r->id, $idle, true)),
        );
    }

    private function disturb(float $noise): void
    {
        $s = $this->made->sketch;
        $shift = fn(): float => $noise * ((2 * $this->random->getInt(0, 1000000)) / 1e6 - 1);
        $points = array_map(static fn(array $p): array => [$p[0] + $shift(), $p[1] + $shift()], $s->points);
        $entities = array_map(static fn($e) => $e->size > 0 ? $e->sized($e->size + $shift()) : $e, $s->entities);
        $this->made->sketch = new Sketch($points, $entities, $s->relations);
    }

    /**
     * All that is true of the drawing and can be asked.
     *
     * @param list<string> $points
     * @param list<string> $lines
     * @param list<string> $rounds
     * @return list<array{K, list<string>, float|null}>
     */
    private function facts(array $points, array $lines, array $rounds): array
    {
        $s = $this->true;
        $out = [];
        foreach ($lines as $i => $l) {
            [$a, $b] = $s->entities[$l]->points;
            $out[] = [K::Length, [$l], $this->apart($s, $a, $b)];
            foreach ([[0, K::Vertical, K::VerticalDistance], [1, K::Horizontal, K::HorizontalDistance]] as [$axis, $level, $distance]) {
                if ($s->point($a)[$axis] === $s->point($b)[$axis]) {
                    $out[] = [$level, [$l], null];
                } else {
                    $out[] = [
                        $axis === 0 ? K::HorizontalDistance : K::VerticalDistance,
                        [$a, $b],
                        abs($s->point($a)[$axis] - $s->point($b)[$axis]),
                    ];
                }
            }
            foreach (array_slice($lines, $i + 1) as $m) {
                foreach ([K::Parallel, K::Perpendicular, K::Equal, K::Collinear] as $kind) {
                    if ($this->error($s, new Relation('x', $kind, [$l, $m]), 0.0) < 1e-12) {
                        $out[] = [$kind, [$l, $m], null];
                    }
                }
            }
            foreach ($points as $p) {
                if ($p !== $a && $p !== $b) {
                    foreach ([K::Midpoint, K::Coincident] as $kind) {
                        if ($this->error($s, new Relation('x', $kind, [$p, $l]), 0.0) < 1e-12) {
                            $out[] = [$kind, [$p, $l], null];
                        }
                    }
                    $d = $this->fromLine($s, $p, $l);
                    if (abs($d) > 2) {
                        $out[] = [K::Distance, [$l, $p], abs($d)];
                    }
                }
            }
            foreach ($rounds as $c) {
                if ($this->error($s, new Relation('x', K::Tangent, [$l, $c]), 0.0) < 1e-9) {
                    $out[] = [K::Tangent, [$l, $c], null];
                }
            }
        }
        foreach ($rounds as $i => $c) {
            $out[] = [K::Radius, [$c], $s->entities[$c]->size];
            foreach ($points as $p) {
                if ($p !== $s->entities[$c]->points[0] && $this->error($s, new Relation('x', K::Coincident, [$p, $c]), 0.0) < 1e-9) {
                    $out[] = [K::Coincident, [$p, $c], null];
                }
            }
            foreach (array_slice($rounds, $i + 1) as $d) {
                foreach ([K::Equal, K::Tangent] as $kind) {
                    if (
                        $this->error($s, new Relation('x', $kind, [$c, $d]), 0.0) < 1e-9 &&
                        $s->entities[$c]->points !== $s->entities[$d]->points
                    ) {
                        $out[] = [$kind, [$c, $d], null];
                    }
                }
            }
        }
        foreach ($points as $i => $p) {
            foreach (array_slice($points, $i + 1) as $q) {
                $out[] = [K::Distance, [$p, $q], $this->apart($s, $p, $q)];
            }
        }

        return $out;
    }

    /** Whether at the solution every relation takes a movement away, so that none holds by luck. */
    public function independent(): bool
    {
        $true = new Sketch($this->true->points, $this->true->entities, $this->made->sketch->relations);

        return SketchSolver::solve($true, $this->made->values)->idle === [] && $this->made->sketch->relations !== [];
    }

    private function apart(Sketch $s, string $p, string $q): float
    {
        [$a, $b] = [$s->point($p), $s->point($q)];

        return hypot($b[0] - $a[0], $b[1] - $a[1]);
    }

    private function fromLine(Sketch $s, string $p, string $l): float
    {
        [$a, $b] = array_map($s->point(...), $s->entities[$l]->points);
        $c = $s->point($p);

        return (($b[0] - $a[0]) * ($c[1] - $a[1]) - ($b[1] - $a[1]) * ($c[0] - $a[0])) / hypot($b[0] - $a[0], $b[1] - $a[1]);
    }

    /** How far a relation is from holding, mm. */
    public function error(Sketch $s, Relation $r, float $value): float
    {
        $of = $r->of;
        $e = $s->entities;
        $way = static function (string $l) use ($s, $e): array {
            [$a, $b] = array_map($s->point(...), $e[$l]->points);

            return [$b[0] - $a[0], $b[1] - $a[1]];
        };
        $middle = static fn(string $id): string => isset($e[$id]) && $e[$id]->kind->round() ? $e[$id]->points[0] : $id;
        switch ($r->kind) {
            case K::Coincident:
            case K::Distance:
                $isLine = static fn(string $id): bool => isset($e[$id]) && $e[$id]->kind === EntityKind::Line;
                if ($isLine($of[0]) || $isLine($of[1])) {
                    [$l, $p] = $isLine($of[0]) ? $of : [$of[1], $of[0]];

                    return abs(abs($this->fromLine($s, $p, $l)) - $value);
                }
                if (isset($e[$of[1]])) {
                    return abs($this->apart($s, $of[0], $middle($of[1])) - $e[$of[1]]->size);
                }

                return abs($this->apart($s, $of[0], $of[1]) - $value);
            case K::Midpoint:
                [$a, $b] = array_map($s->point(...), $e[$of[1]]->points);
                $p = $s->point($of[0]);

                return hypot($p[0] - ($a[0] + $b[0]) / 2, $p[1] - ($a[1] + $b[1]) / 2);
            case K::Horizontal:
                return abs($way($of[0])[1]);
            case K::Vertical:
                return abs($way($of[0])[0]);
            case K::HorizontalDistance:
                return abs(abs($s->point($of[0])[0] - $s->point($of[1])[0]) - $value);
            case K::VerticalDistance:
                return abs(abs($s->point($of[0])[1] - $s->point($of[1])[1]) - $value);
            case K::Parallel:
            case K::Perpendicular:
                [$u, $v] = [$way($of[0]), $way($of[1])];
                $k = $r->kind === K::Parallel ? $u[0] * $v[1] - $u[1] * $v[0] : $u[0] * $v[0] + $u[1] * $v[1];

                return abs($k) / max(hypot(...$u), hypot(...$v));
            case K::Collinear:
                return max(array_map(fn(string $p): float => abs($this->fromLine($s, $p, $of[0])), $e[$of[1]]->points));
            case K::Equal:
                return $e[$of[0]]->kind->round()
                    ? abs($e[$of[0]]->size - $e[$of[1]]->size)
                    : abs(hypot(...$way($of[0])) - hypot(...$way($of[1])));
            case K::Tangent:
                if ($e[$of[0]]->kind === EntityKind::Line) {
                    return abs(abs($this->fromLine($s, $middle($of[1]), $of[0])) - $e[$of[1]]->size);
                }
                $d = $this->apart($s, $middle($of[0]), $middle($of[1]));

                return min(abs($d - $e[$of[0]]->size - $e[$of[1]]->size), abs($d - abs($e[$of[0]]->size - $e[$of[1]]->size)));
            case K::Length:
                return abs(hypot(...$way($of[0])) - $value);
            case K::Radius:
                return abs($e[$of[0]]->size - $value);
            default:
                return 0.0;
        }
    }

    /** @return array{float, string} the greatest error of all relations, mm, and of which */
    public function worst(Sketch $s): array
    {
        $worst = [0.0, ''];
        foreach ($s->relations as $r) {
            $worst = max($worst, [
                $this->error($s, $r, $this->made->values[$r->id] ?? 0.0),
                $r->id . ' ' . $r->kind->value . ' ' . implode(' ', $r->of),
            ]);
        }

        return $worst;
    }
}
