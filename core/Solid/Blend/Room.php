<?php

declare(strict_types=1);

namespace Cubo\Solid\Blend;

use Closure;
use Cubo\Budget\Budget;
use Cubo\Geometry\Vector;
use Cubo\Solid\Maker\Fineness;
use Cubo\Solid\Refused;
use Cubo\Solid\SurfaceEquation;

/**
 * Whether rounds and chamfers fit on the faces beside their edges.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Room
{
    /** for looking for the largest size that fits */
    private const MOST_WORK = 1_000_000;

    /** Triangles whose boxes are looked at for one unit. */
    private const BOXES = 8;

    /** What a section beside a free face costs. */
    public const OF_A_CURVE = 4000;

    /** Where between its ends a straight edge is looked at. */
    private const BETWEEN = [0.125, 0.25, 0.375, 0.5, 0.625, 0.75, 0.875];

    /** Share of the places looked at where a new face may run out over the border of the old one. */
    private const MOST_OVER = 0.5;

    /** What sizes at the very limit may miss by, as a share. */
    public const ROUNDING = 1e-9;

    private ?Inside $inside = null;

    /** @var array<string, list<array{EdgeShape, int, V, int, bool}>> by edge and face: touching points, at or before a station */
    private array $spots = [];

    /** @var array<int, list<array{string, V, float}>> by face: the edges that touch it, where, and how wide their strips are */
    private array $strips = [];

    /** @var array<string, bool> arcs smaller than what is taken, and whether any touching point is left */
    private array $small = [];

    /** @var array<string, array{float, float, float, float, float, float}> */
    private array $edgeBoxes = [];

    /** @var array<string, array<int, int>> vertices of the edges */
    private array $vertices = [];

    /** @var array<int, list<array{int, float, float, float, float, float, float, float}>> by face: triangles, what a point may miss them by, and the boxes around them */
    private array $faces = [];

    /**
     * @param array<string, EdgeShape> $shapes by edge name
     */
    public function __construct(
        private readonly Topology $topology,
        private readonly array $shapes,
        private readonly Ends $ends,
        private readonly Lips $lips,
        private readonly Budget $budget,
    ) {}

    /**
     * Whether both faces are wide enough; if not, the largest share that fits is looked for.
     *
     * @param Closure(EdgeShape, int, float): Section $section at a station, for a share of the size
     *
     * @throws Refused too-large
     */
    public function check(Closure $section, float $size): void
    {
        if ($this->fits($section, 1.0)) {
            return;
        }
        $low = 0.0;
        $high = 1.0;
        // on a part with very many edges the first few halvings must do: nobody waits longer for a hint
        $until = $this->budget->spent() + self::MOST_WORK;
        for ($i = 0; $i < 30 && $this->budget->spent() < $until; $i++) {
            $mid = ($low + $high) / 2;
            $this->fits($section, $mid) ? ($low = $mid) : ($high = $mid);
        }
        // rounded down to what was seen to fit
        $most = floor($size * $low * 1e6) / 1e6;
        throw new Refused('too-large', 'A face beside the edge is too narrow for this.', $most > 0 ? $most : null);
    }

    /** @param Closure(EdgeShape, int, float): Section $section at a station, for a share of the size */
    public function accepts(Closure $section): bool
    {
        return $this->fits($section, 1.0);
    }

    /** @param Closure(EdgeShape, int, float): Section $section */
    private function fits(Closure $section, float $share): bool
    {
        $this->spots = $this->strips = $this->small = [];
        try {
            foreach ($this->shapes as $name => $e) {
                if (!$this->place($name, $e, $section, $share)) {
                    return false;
                }
            }
        } catch (Refused) {
            return false;
        }

        return !$this->stripsMeet() && $this->onFaces();
    }

    /**
     * Notes where an edge's new face touches the faces beside it.
     *
     * @param Closure(EdgeShape, int, float): Section $section
     * @return bool false where it does not
     */
    private function place(string $name, EdgeShape $e, Closure $section, float $share): bool
    {
        $n = count($e->stations);
        $before = [];
        foreach ($n === 2 ? [0, 1] : range(0, $n - 1, max(1, intdiv($n, 8))) as $k) {
            // past the end of an edge there need be no face
            if (($k === 0 && $e->past[0]) || ($k === $n - 1 && $e->past[1])) {
                continue;
            }
            $this->budget->spend($e->curve === null ? 20 : self::OF_A_CURVE);
            $s = $section($e, $k, $share);
            foreach ([[$e->edge->left, $s->onLeft], [$e->edge->right, $s->onRight]] as [$face, $touch]) {
                $p = $this->ended($name, $k, $face, $touch, $s, $section, $share);
                // beyond the axis of a small arc others take what is to be taken
                if ($e->convex && ($p === null || (!$this->sameSide($e, $s->edge, $p) && !$e->edge->closed))) {
                    $this->small[$name] = $p !== null;

                    continue;
                }
                if ($p === null) {
                    return false;
                }
                if ($this->isPast($e, $k, $p)) {
                    continue;
                }
                // planes at both ends that lean towards each other may leave no length there
                if (
                    !$this->sameSide($e, $s->edge, $p) ||
                    (self::isStraight($e) &&
                        isset($before[$face]) &&
                        Vector::dot(Vector::sub($p, $before[$face]), $e->tangents[$k]) < -self::ROUNDING * (1 + Vector::length($p)))
                ) {
                    return false;
                }
                $this->spots["$name,$face"][] = [$e, $face, $p, $k, false];
                foreach (isset($before[$face]) && $n === 2 ? self::BETWEEN : [] as $part) {
                    $this->spots["$name,$face"][] = [
                        $e,
                        $face,
                        Vector::add($before[$face], Vector::sub($p, $before[$face]), $part),
                        $k,
                        true,
                    ];
                }
                $before[$face] = $p;
                $this->strips[$face][] = [$name, $p, Vector::distance($touch, $s->edge)];
            }
        }

        return true;
    }

    /**
     * A touching point carried to where the edge ends.
     *
     * @param V $touch
     * @param Closure(EdgeShape, int, float): Section $section
     * @return V|null null where the end leaves nothing of it
     */
    private function ended(string $name, int $k, int $face, array $touch, Section $s, Closure $section, float $share): ?array
    {
        $e = $this->shapes[$name];
        $plane = $this->ends->planes[$name][$k] ?? null;
        $wall = $this->ends->wallEnds[$name][$k] ?? null;
        $p =
            $this->mitred($e, $k, $face, $s, $section, $share) ??
            match (true) {
                $plane === null => $touch,
                $wall !== null => $wall[0]->carried($e, $k, [$touch], $wall[1])[0],
                default => $e->carried($touch, $k, ...$plane),
            };
        $round = $this->ends->roundEnds[$name][$k] ?? null;

        return $round === null ? $p : $round->slidBack($p, Vector::distance($e->stations[0], $e->stations[count($e->stations) - 1]) / 2);
    }

    private static function isStraight(EdgeShape $e): bool
    {
        return $e->axis === null && $e->curve === null;
    }

    /** Whether the strip of one edge reaches into that of another one across the face, other than at one end of straight ones. */
    private function stripsMeet(): bool
    {
        $small = array_keys(array_filter($this->small));
        foreach ($this->strips as $list) {
            $all = $met = $widest = [];
            foreach ($list as [$name, , $width]) {
                $widest[$name] = max($widest[$name] ?? 0.0, $width);
            }
            foreach ($list as [$name, $p]) {
                $this->budget->spend(1 + intdiv(count($widest), self::BOXES));
                $all[$name] = ($all[$name] ?? 0) + 1;
                foreach ($widest as $other => $width) {
                    if (
                        $other !== $name &&
                        $this->isNear($other, $p, $width) &&
                        !$this->neighbours($name, $other) &&
                        !$this->joined($name, $other, $small) &&
                        $this->distanceToEdge($other, $p) < $width * (1 - 1e-9)
                    ) {
                        $met[$name][$other] = ($met[$name][$other] ?? 0) + 1;
                    }
                }
            }
            foreach ($met as $name => $others) {
                foreach ($others as $other => $count) {
                    if (
                        $count > self::MOST_OVER * $all[$name] ||
                        $this->shapes[$name]->convex !== $this->shapes[$other]->convex ||
                        !self::isStraight($this->shapes[$name]) ||
                        !self::isStraight($this->shapes[$other])
                    ) {
                        return true;
                    }
                }
            }
        }

        return false;
    }

    /** Whether the touching points lie on their faces; here and there a face may end sooner, and the new one runs out over its border. */
    private function onFaces(): bool
    {
        foreach ($this->spots as $spots) {
            $over = 0;
            foreach ($spots as [$e, $face, $p, $k, $between]) {
                if (
                    !$this->onFace($face, $p, $e, $between ? null : $k) &&
                    (++$over > self::MOST_OVER * count($spots) || !$this->isClear($e, $k, $face, $p))
                ) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * Where the strip of an edge ends at a corner with another picked edge of the same flat: where the strips of both meet.
     * Past that the tool of one lies in what the other takes.
     *
     * @param Closure(EdgeShape, int, float): Section $section
     * @return V|null null where there is no such corner
     */
    private function mitred(EdgeShape $e, int $k, int $face, Section $s, Closure $section, float $share): ?array
    {
        $surface = $this->topology->solid->surfaces[$face];
        if ($e->axis !== null || $e->curve !== null || !$surface->isFlat() || ($k !== 0 && $k !== count($e->stations) - 1)) {
            return null;
        }
        $v = $e->edge->vertices[$k === 0 ? 0 : count($e->edge->vertices) - 1];
        foreach ($this->topology->endingAt[$v] ?? [] as $edge) {
            $o = $this->shapes[$edge->name] ?? null;
            if (
                $o === null ||
                $o === $e ||
                $o->axis !== null ||
                $o->curve !== null ||
                $o->convex !== $e->convex ||
                ($edge->left !== $face && $edge->right !== $face)
            ) {
                continue;
            }
            $m = $edge->vertices[0] === $v ? 0 : count($o->stations) - 1;
            [$a, $b] = [Section::into($e, $k, $e->edge->left === $face), Section::into($o, $m, $edge->left === $face)];
            $c = Vector::dot($a, $b);
            if (1 - $c * $c < 1e-9) {
                continue;
            }
            $other = $section($o, $m, $share);
            $x = Vector::dot(Vector::sub($e->edge->left === $face ? $s->onLeft : $s->onRight, $s->edge), $a);
            $y = Vector::dot(Vector::sub($edge->left === $face ? $other->onLeft : $other->onRight, $other->edge), $b);

            return Vector::add(Vector::add($this->point($v), $a, ($x - $c * $y) / (1 - $c * $c)), $b, ($y - $c * $x) / (1 - $c * $c));
        }

        return null;
    }

    /**
     * Whether a touching point lies past the face that cuts a circular edge off: there is no face to lie on. Each end speaks
     * for its half, since a plane cuts a circle twice.
     *
     * @param V $p
     */
    private function isPast(EdgeShape $e, int $k, array $p): bool
    {
        $last = count($e->stations) - 1;
        $end = 2 * $k <= $last ? 0 : 1;
        $plane = $e->past[$end] ? $this->ends->planes[$e->edge->name][$end === 0 ? 0 : $last] ?? null : null;
        if ($plane === null) {
            return false;
        }
        [$n, $d] = $plane;
        $inside = Vector::dot($n, $e->stations[intdiv($last, 2)]) - $d;

        return $inside * (Vector::dot($n, $p) - $d) < 0;
    }

    private function neighbours(string $a, string $b): bool
    {
        $this->vertices[$a] ??= array_flip($this->shapes[$a]->edge->vertices);
        $this->vertices[$b] ??= array_flip($this->shapes[$b]->edge->vertices);

        return array_intersect_key($this->vertices[$a], $this->vertices[$b]) !== [];
    }

    /**
     * Whether two edges run into each other over an arc smaller than what is taken.
     *
     * @param list<string> $small
     */
    private function joined(string $a, string $b, array $small): bool
    {
        foreach ($small as $arc) {
            if (($arc === $a || $this->neighbours($a, $arc)) && ($arc === $b || $this->neighbours($arc, $b))) {
                return true;
            }
        }

        return false;
    }

    /**
     * Whether a point lies in the box around an edge, with so much all round.
     *
     * @param V $p
     */
    private function isNear(string $edge, array $p, float $by): bool
    {
        if (!isset($this->edgeBoxes[$edge])) {
            $points = $this->shapes[$edge]->stations;
            $this->edgeBoxes[$edge] = [
                min(array_column($points, 0)),
                min(array_column($points, 1)),
                min(array_column($points, 2)),
                max(array_column($points, 0)),
                max(array_column($points, 1)),
                max(array_column($points, 2)),
            ];
        }
        [$x0, $y0, $z0, $x1, $y1, $z1] = $this->edgeBoxes[$edge];
        $by += Fineness::CHORD;

        return $p[0] >= $x0 - $by &&
            $p[0] <= $x1 + $by &&
            $p[1] >= $y0 - $by &&
            $p[1] <= $y1 + $by &&
            $p[2] >= $z0 - $by &&
            $p[2] <= $z1 + $by;
    }

    /** @param V $p */
    private function distanceToEdge(string $edge, array $p): float
    {
        $shape = $this->shapes[$edge];
        if ($shape->axis !== null) {
            $d = Vector::sub($p, $shape->centre);
            $h = Vector::dot($d, $shape->axis);

            return hypot($h, Vector::length(Vector::add($d, $shape->axis, -$h)) - $shape->radius);
        }
        $e = $shape->edge;
        $best = INF;
        $n = count($e->vertices);
        $this->budget->spend($n);
        for ($i = 0; $i < ($e->closed ? $n : $n - 1); $i++) {
            $a = $this->point($e->vertices[$i]);
            $b = $this->point($e->vertices[($i + 1) % $n]);
            $d = Vector::sub($b, $a);
            $t = max(0.0, min(1.0, Vector::dot(Vector::sub($p, $a), $d) / Vector::dot($d, $d)));
            $best = min($best, Vector::distance($p, Vector::add($a, $d, $t)));
        }

        return $best;
    }

    /**
     * On a disc the strip must not reach beyond the middle.
     *
     * @param V $edge
     * @param V $p
     */
    private function sameSide(EdgeShape $e, array $edge, array $p): bool
    {
        return $e->axis === null ||
            Vector::dot(Vector::sub($p, $e->centre), Vector::sub($edge, $e->centre)) >
                -1e-9 * Vector::dot(Vector::sub($edge, $e->centre), Vector::sub($edge, $e->centre));
    }

    /** How far a face's facets stray from it beside an edge, mm. */
    private function stray(EdgeShape $e, int $face): float
    {
        return $e->bulges($this->topology->solid->surfaces[$face]) ? 2 * Fineness::CHORD : ($e->axis === null ? 0.0 : 1e-5);
    }

    /** @return V */
    private function point(int $v): array
    {
        return [$this->topology->solid->x[$v], $this->topology->solid->y[$v], $this->topology->solid->z[$v]];
    }

    /**
     * @param list<int> $triangles
     * @return list<array{int, float, float, float, float, float, float, float}>
     */
    private function boxes(array $triangles): array
    {
        $s = $this->topology->solid;
        $this->budget->spend(count($triangles));
        $out = [];
        foreach ($triangles as $t) {
            [$a, $b, $c] = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
            $out[] = [
                $t,
                1e-6 * (1 + abs($s->offset[$s->facet[$t]])),
                min($s->x[$a], $s->x[$b], $s->x[$c]),
                min($s->y[$a], $s->y[$b], $s->y[$c]),
                min($s->z[$a], $s->z[$b], $s->z[$c]),
                max($s->x[$a], $s->x[$b], $s->x[$c]),
                max($s->y[$a], $s->y[$b], $s->y[$c]),
                max($s->z[$a], $s->z[$b], $s->z[$c]),
            ];
        }

        return $out;
    }

    /**
     * Whether a point lies on a face; at the ends of an edge it is looked for a little inward.
     *
     * @param V $p
     * @param int|null $k station, null for a place between two
     */
    private function onFace(int $face, array $p, EdgeShape $e, ?int $k): bool
    {
        $this->faces[$face] ??= $this->boxes($this->topology->trianglesOf($this->topology->solid->surfaces[$face]->name));
        $last = count($e->stations) - 1;
        if (!$e->edge->closed && ($k === 0 || $k === $last)) {
            $t = $e->tangents[$k];
            $l = Vector::distance($e->stations[0], $e->stations[$last]);
            $p =
                $e->axis === null
                    ? Vector::add($p, $t, ($k === 0 ? 1e-6 : -1e-6) * $l)
                    : Vector::add($e->centre, Vector::turned(Vector::sub($p, $e->centre), $e->axis, $k === 0 ? 1e-4 : -1e-4));
        }
        $s = $this->topology->solid;
        $this->budget->spend(1 + intdiv(count($this->faces[$face]), self::BOXES));
        $stray = $this->stray($e, $face);
        [$px, $py, $pz] = $p;
        foreach ($this->faces[$face] as [$t, $far, $x0, $y0, $z0, $x1, $y1, $z1]) {
            $reach = $far + $stray;
            if (
                $px < $x0 - $reach ||
                $px > $x1 + $reach ||
                $py < $y0 - $reach ||
                $py > $y1 + $reach ||
                $pz < $z0 - $reach ||
                $pz > $z1 + $reach
            ) {
                continue;
            }
            $f = $s->facet[$t];
            $n = [$s->nx[$f], $s->ny[$f], $s->nz[$f]];
            if (abs(Vector::dot($n, $p) - $s->offset[$f]) > $reach) {
                continue;
            }
            $in = true;
            for ($i = 0; $i < 3 && $in; $i++) {
                $a = $this->point($s->start[3 * $t + $i]);
                $b = $this->point($s->start[3 * $t + (($i + 1) % 3)]);
                $in = Vector::dot(Vector::cross(Vector::sub($b, $a), Vector::sub($p, $a)), $n) >= -$reach * Vector::distance($a, $b);
            }
            if ($in) {
                return true;
            }
        }

        return false;
    }

    /**
     * Whether a face ends before a point and that does no harm: at a ridge nothing stands there, so that the new face may run
     * out over the border; in a groove something does that swallows the fill, or what stands out can be cut off.
     *
     * @param V $p
     */
    private function isClear(EdgeShape $e, int $k, int $face, array $p): bool
    {
        $surface = $this->topology->solid->surfaces[$face];
        $normal = $e->edge->left === $face ? $e->leftNormals[$k] : $e->rightNormals[$k];
        $n = SurfaceEquation::outward($surface, $p, $normal);
        $this->inside ??= new Inside($this->topology->solid);
        $inside = $this->inside->has(Vector::add($p, $n, 2.5 * Fineness::CHORD), $this->budget);

        return $e->convex ? !$inside : $inside || $this->lips->note($e, $face);
    }
}
