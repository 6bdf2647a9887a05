<?php

declare(strict_types=1);

namespace Cubo\Solid\Layer;

use Closure;
use Cubo\Budget\Budget;
use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;
use InvalidArgumentException;

/**
 * What is left of a solid when layers are taken off its faces, or what it becomes when layers are laid on.
 *
 * A point nearer to the skin than the wall is thick has its nearest point within a face, where the layer of that face
 * holds it, on an edge that points inwards, where a wedge holds it, or in a corner of such edges. Taken off one by one they
 * cross, swallow each other and vanish as the boolean finds: nothing that has turned over needs to be found out.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Walls
{
    /** mm: bodies thinner than this everywhere are what rounding left between two layers */
    private const CRUMB = 0.02;

    /** of the wall, that a corner pointing inwards must at least be away */
    private const KEPT = 0.97;

    private readonly Skin $skin;

    private readonly Inset $inset;

    /** @var Closure(string): string */
    private readonly Closure $named;

    /** @param Closure(string): float $by mm along the outward normal that a face of that name is moved; the same sign for all */
    private function __construct(
        private readonly string $step,
        Solid $solid,
        Closure $by,
        private readonly int $side,
        private readonly Budget $budget,
    ) {
        $this->skin = new Skin(ConeLevels::cut($solid, $by), $by);
        $this->inset = new Inset($this->skin);
        $word = $side < 0 ? 'inside' : 'outside';
        $this->named = static fn(string $n): string => "$step:$word of $n";
    }

    /**
     * The solid without its walls; empty where they fill it.
     *
     * @param Closure(string): float $wall mm by the name of a face, zero for one without a wall
     *
     * @throws Refused no-room
     */
    public static function inside(string $step, Solid $solid, Closure $wall, ?Budget $budget = null): Solid
    {
        return (new self($step, $solid, static fn(string $n): float => -$wall($n), -1, $budget ?? Budget::unlimited()))->run();
    }

    /**
     * The solid with walls laid on.
     *
     * @param Closure(string): float $wall mm by the name of a face, zero for one without a wall
     *
     * @throws Refused no-room
     */
    public static function outside(string $step, Solid $solid, Closure $wall, ?Budget $budget = null): Solid
    {
        return (new self($step, $solid, $wall, 1, $budget ?? Budget::unlimited()))->run();
    }

    private function run(): Solid
    {
        $solid = $this->skin->solid;
        try {
            foreach ($this->tools() as $tool) {
                $solid =
                    $this->side < 0
                        ? BooleanOperation::difference($solid, $tool, $this->budget)
                        : BooleanOperation::union($solid, $tool, $this->budget);
                if ($solid->isEmpty()) {
                    return $solid;
                }
            }
        } catch (InvalidArgumentException) {
            throw new Refused('no-room', 'The walls run into each other in a way that cannot be worked out.');
        }

        return $this->side < 0 ? $this->withBalls(Crumbs::without($solid, self::CRUMB)) : $solid;
    }

    /** @return iterable<Solid> */
    private function tools(): iterable
    {
        $layers = new Layers($this->skin, $this->inset, $this->named, $this->step);
        foreach ($this->skin->faces as $f => $_) {
            $this->budget->spend(40 * count($this->skin->faces[$f]->triangles));
            $layer = $layers->of($f);
            if ($layer !== null) {
                yield $layer;
            }
        }
        yield from (new Wedges($this->skin, $this->inset, $this->side, $this->named))->all();
        yield from (new Corners($this->skin, $this->inset, $this->side, $this->named))->all();
        if ($this->side < 0) {
            yield from (new BehindRounds($this->skin, $this->inset, $this->named))->all();
        }
    }

    /** Where a point of an edge that points inwards still lies nearer than the wall is thick, a ball about it is taken off. */
    private function withBalls(Solid $inner): Solid
    {
        foreach ($this->tooNear($inner) as [$p, $wall]) {
            $ball = Primitives::sphere('', $wall)->moved(Transform::translation($p))->renamed(fn(): string => "{$this->step}:corner");
            $inner = Crumbs::without(BooleanOperation::difference($inner, $ball, $this->budget), self::CRUMB);
        }

        return $inner;
    }

    /** @return list<array{V, float}> points and the wall there */
    private function tooNear(Solid $inner): array
    {
        $out = [];
        foreach ($this->pointed() as $v => $wall) {
            $p = $this->skin->point($v);
            $this->budget->spend(count($inner->x));
            $near = INF;
            foreach ($inner->x as $u => $x) {
                $d = ($x - $p[0]) ** 2 + ($inner->y[$u] - $p[1]) ** 2 + ($inner->z[$u] - $p[2]) ** 2;
                $near = $d < $near ? $d : $near;
            }
            if ($near >= (self::KEPT * $wall) ** 2) {
                continue;
            }
            foreach ($out as [$q]) {
                if (Vector::distance($p, $q) < 0.05 * $wall) {
                    continue 2;
                }
            }
            $out[] = [$p, $wall];
        }

        return $out;
    }

    /** @return array<int, float> vertices of edges that point inwards, with the wall there */
    private function pointed(): array
    {
        $out = [];
        foreach ($this->skin->solid->start as $h => $v) {
            $f = $this->skin->faceOf[intdiv($h, 3)];
            $g = $this->skin->beyond($h);
            $wall = min(-$this->skin->faces[$f]->by, -$this->skin->faces[$g]->by);
            if ($f < $g && $wall > 0 && !$this->inset->runOn($f, $g)) {
                $p = $this->skin->point($v);
                if (
                    Vector::dot(
                        Vector::cross($this->inset->normal($f, $p), $this->inset->normal($g, $p)),
                        Vector::sub($this->skin->point($this->skin->end($h)), $p),
                    ) < 0
                ) {
                    $out[$v] = max($out[$v] ?? 0.0, $wall);
                    $out[$this->skin->end($h)] = max($out[$this->skin->end($h)] ?? 0.0, $wall);
                }
            }
        }

        return $out;
    }
}
