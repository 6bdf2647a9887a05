<?php

declare(strict_types=1);

namespace Cubo\Solid\Blend;

use Cubo\Budget\Budget;
use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Solid;

/**
 * Where another face cuts a circular edge off, the tool of a round or chamfer goes on along the circle, facet by facet, until
 * all of its section is past that face, and is cut off there. So its sides lie in the body's own facets up to the end.
 *
 * @phpstan-type V array{float,float,float}
 * @phpstan-type Loop list<V>
 */
final class CutOff
{
    /** Room around what is cut off, as a share of its size. */
    private const ROOM = 0.01;

    /** @var list<list<Loop>> loops beyond the last station, by end; the station's own first */
    private array $beyond = [[], []];

    /** Whether the tool goes all the way round: the face is never reached, only air is there. */
    private bool $round = false;

    /**
     * @param list<Loop> $loops at the stations
     * @param array<int, array{V, float}> $planes by station
     * @param V $inside a point of the edge between its ends
     */
    public function __construct(
        private readonly EdgeShape $e,
        private readonly array $loops,
        private readonly array $planes,
        private readonly array $inside,
    ) {
        $last = count($loops) - 1;
        $covered = $this->covered();
        foreach ([0, 1] as $end) {
            if (!$e->past[$end]) {
                continue;
            }
            $k = $end === 0 ? 0 : $last;
            $this->beyond[$end] = [$loops[$k]];
            for ($j = 1; !$this->isPast($k, end($this->beyond[$end])); $j++) {
                if ($covered + ($j + count($this->beyond[1 - $end])) * $e->step > 360 + 1e-6) {
                    $this->round = true;

                    return;
                }
                $angle = ($end === 0 ? -$j : $j) * $e->step;
                $this->beyond[$end][] = array_map(fn(array $p): array => $this->turned($p, $angle), $loops[$k]);
            }
        }
    }

    /** @return array{list<Loop>, bool} all loops in order, and whether they close a ring */
    public function loops(): array
    {
        $e = $this->e;
        if ($this->round) {
            // all the facets of the circle
            $n = (int) round(360 / $e->step);

            return [
                array_map(
                    fn(int $i): array => array_map(fn(array $p): array => $this->turned($p, $i * $e->step), $this->loops[0]),
                    range(0, $n - 1),
                ),
                true,
            ];
        }

        return [[...array_reverse(array_slice($this->beyond[0], 1)), ...$this->loops, ...array_slice($this->beyond[1], 1)], false];
    }

    /** The tool without what lies past the faces that end it. */
    public function cut(Solid $tool, string $name, Budget $budget): Solid
    {
        if ($this->round) {
            return $tool;
        }
        foreach ([0, 1] as $end) {
            $plane = $this->planes[$end === 0 ? 0 : count($this->loops) - 1] ?? null;
            if ($this->beyond[$end] !== [] && $plane !== null) {
                $tool = BooleanOperation::difference($tool, $this->block($name, array_merge(...$this->beyond[$end]), ...$plane), $budget);
            }
        }

        return $tool;
    }

    /**
     * A block on the far side of a plane, over points and no wider: farther round the circle the tool may come back there.
     *
     * @param list<V> $points
     * @param V $n
     */
    private function block(string $name, array $points, array $n, float $d): Solid
    {
        $w = Vector::dot($n, $this->inside) > $d ? [-$n[0], -$n[1], -$n[2]] : $n;
        $d = Vector::dot($n, $this->inside) > $d ? -$d : $d;
        $u = Vector::across($w);
        $v = Vector::cross($w, $u);
        [$lo, $hi] = [[INF, INF], [-INF, -INF]];
        $far = 0.0;
        foreach ($points as $p) {
            foreach ([$u, $v] as $k => $axis) {
                $c = Vector::dot($p, $axis);
                [$lo[$k], $hi[$k]] = [min($lo[$k], $c), max($hi[$k], $c)];
            }
            $far = max($far, Vector::dot($p, $w) - $d);
        }
        $room = self::ROOM * (1e-3 + max($hi[0] - $lo[0], $hi[1] - $lo[1], $far));

        return Primitives::block(
            $name,
            [$lo[0] - $room, $lo[1] - $room, $d],
            [$hi[0] - $lo[0] + 2 * $room, $hi[1] - $lo[1] + 2 * $room, $far + $room],
        )->moved(new Transform([$u[0], $v[0], $w[0], $u[1], $v[1], $w[1], $u[2], $v[2], $w[2]]));
    }

    /** @param Loop $loop */
    private function isPast(int $k, array $loop): bool
    {
        if (!isset($this->planes[$k])) {
            return true;
        }
        [$n, $d] = $this->planes[$k];
        $side = Vector::dot($n, $this->inside) > $d ? 1.0 : -1.0;
        foreach ($loop as $p) {
            if ($side * (Vector::dot($n, $p) - $d) > -1e-9) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param V $p
     * @return V
     */
    private function turned(array $p, float $degrees): array
    {
        return Vector::add(
            $this->e->centre,
            Vector::turned(Vector::sub($p, $this->e->centre), $this->e->axis ?? [0.0, 0.0, 1.0], $degrees),
        );
    }

    /** Degrees about the axis from the first station to the last one. */
    private function covered(): float
    {
        $sum = 0.0;
        $stations = $this->e->stations;
        for ($i = 1; $i < count($stations); $i++) {
            [$a, $b] = [Vector::sub($stations[$i - 1], $this->e->centre), Vector::sub($stations[$i], $this->e->centre)];
            $sum += rad2deg(atan2(Vector::length(Vector::cross($a, $b)), Vector::dot($a, $b)));
        }

        return $sum;
    }
}
