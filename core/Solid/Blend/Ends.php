<?php

declare(strict_types=1);

namespace Cubo\Solid\Blend;

use Closure;
use Cubo\Geometry\Vector;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/**
 * How the edges that are worked on end: in the plane of a flat, in or at a round face, across where another of them runs on.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Ends
{
    /** one less the cosine of an angle of two and a half degrees: vertices on chords tell no better */
    private const NEARLY = 1e-3;

    /** cosine between the normals of a face and of one that runs on from it */
    private const BENDS_AWAY = 0.95;

    /** sine of the angle between an edge and a flat that it runs along rather than into */
    private const ALONG = 0.01;

    /** Cosine of an angle too small to see: faces agree where an edge runs on into another. */
    private const ALIKE = 1 - 1e-10;

    /** @var array<string, array<int, array{V, float}>> planes in which the tools end, by edge and station */
    public array $planes = [];

    /** @var array<string, array<int, true>> ends at which another picked edge runs on, by edge and station */
    public array $across = [];

    /** @var array<string, array<int, array{string, int}>> those of them where a curve and a straight edge share one section: the other edge and station */
    public array $joins = [];

    /** @var array<string, array<int, array{WallEnd, bool}>> round faces in the way, and whether they are met from outside */
    public array $wallEnds = [];

    /** @var array<string, array<int, RoundEnd>> round faces on which straight edges end, by edge and station */
    public array $roundEnds = [];

    /** @param array<string, EdgeShape> $shapes by edge name */
    public function __construct(private readonly Solid $solid, private readonly Topology $topology, private readonly array $shapes)
    {
        foreach ($shapes as $name => $e) {
            $this->planes[$name] = $e->edge->closed
                ? []
                : [0 => $this->endPlane($e, false), count($e->stations) - 1 => $this->endPlane($e, true)];
        }
    }

    /** Whether another edge continues this one smoothly, in direction and in the angle between its faces. */
    public static function runsOn(Solid $solid, EdgeShape $shape, bool $atEnd, Edge $other): bool
    {
        try {
            $o = new EdgeShape($solid, $other);
        } catch (Refused) {
            return false;
        }
        $k = $atEnd ? count($shape->stations) - 1 : 0;
        $v = $shape->edge->vertices[$atEnd ? count($shape->edge->vertices) - 1 : 0];
        $begins = $other->vertices[0] === $v;
        $m = $begins ? 0 : count($o->stations) - 1;
        $same = $begins === $atEnd ? 1.0 : -1.0;
        [$left, $right] = $same > 0 ? [$o->leftNormals[$m], $o->rightNormals[$m]] : [$o->rightNormals[$m], $o->leftNormals[$m]];

        // free faces meet less exactly
        $least = 1 - ($shape->curve === null && $o->curve === null ? 1e-6 : self::NEARLY);

        return $same * Vector::dot($shape->tangents[$k], $o->tangents[$m]) > $least &&
            Vector::dot($shape->leftNormals[$k], $left) > $least &&
            Vector::dot($shape->rightNormals[$k], $right) > $least;
    }

    /**
     * The plane in which a tool ends: that of the face the edge runs into or out of, or the one across the edge where a
     * neighbour takes over.
     *
     * @return array{V, float}
     */
    private function endPlane(EdgeShape $e, bool $atEnd): array
    {
        $k = $atEnd ? count($e->stations) - 1 : 0;
        $v = $e->edge->vertices[$atEnd ? count($e->edge->vertices) - 1 : 0];
        $t = $e->tangents[$k];
        $across = [$t, Vector::dot($t, $e->stations[$k])];
        foreach ($this->topology->endingAt[$v] as $other) {
            if ($other->name !== $e->edge->name && isset($this->shapes[$other->name]) && self::runsOn($this->solid, $e, $atEnd, $other)) {
                $this->across[$e->edge->name][$k] = true;
                $this->join($e, $k, $this->shapes[$other->name], $v);

                return $across;
            }
        }
        $ahead = $atEnd ? $t : [-$t[0], -$t[1], -$t[2]];
        $best = null;
        foreach ($this->topology->facesAround($v) as $face => $f) {
            if ($face === $e->edge->left || $face === $e->edge->right) {
                continue;
            }
            $n = [$this->solid->nx[$f], $this->solid->ny[$f], $this->solid->nz[$f]];
            $cos = Vector::dot($n, $ahead);
            if (!$this->solid->surfaces[$face]->isFlat()) {
                // a groove beside a face that only bends away smoothly ends square
                if (!$e->convex && max(Vector::dot($n, $e->leftNormals[$k]), Vector::dot($n, $e->rightNormals[$k])) > self::BENDS_AWAY) {
                    continue;
                }
                if ($e->convex ? $cos < -1e-6 : abs($cos) > 1e-6) {
                    if ($best === null || $best[0] < abs($cos)) {
                        $best = [abs($cos), [$n, $this->solid->offset[$f]]];
                        $this->wallEnds[$e->edge->name][$k] = [
                            new WallEnd($this->solid, $this->topology, $face, $e->stations[$k], $ahead, $f),
                            $cos < 0,
                        ];
                    }

                    continue;
                }
                if ($e->axis === null && $this->solid->surfaces[$face]->patch === null) {
                    $this->roundEnds[$e->edge->name][$k] = new RoundEnd($this->solid->surfaces[$face], $n, $e->stations[$k], $ahead);
                }
                // nothing but air ahead: a little further does no harm
                $best ??= [0.0, [$t, Vector::dot($t, $e->stations[$k])]];

                continue;
            }
            if (abs($cos) > self::ALONG && ($best === null || abs($cos) > $best[0])) {
                $best = [abs($cos), [$n, $this->solid->offset[$f]]];
                unset($this->wallEnds[$e->edge->name][$k]);
            }
        }

        if ($best !== null && $best[0] > 0.0) {
            unset($this->roundEnds[$e->edge->name][$k]);
        }

        return $best === null ? $across : $best[1];
    }

    /** Notes where a curve and a straight edge run on into each other with faces that agree: their rounds share one section. */
    private function join(EdgeShape $e, int $k, EdgeShape $o, int $v): void
    {
        $straight = static fn(EdgeShape $s): bool => $s->curve === null && $s->axis === null;
        if (!($straight($e) && $o->curve !== null) && !($straight($o) && $e->curve !== null)) {
            return;
        }
        $m = $o->edge->vertices[0] === $v ? 0 : count($o->stations) - 1;
        $same = ($k === 0) === ($m === 0) ? -1.0 : 1.0;
        [$left, $right] = $same > 0 ? [$o->leftNormals[$m], $o->rightNormals[$m]] : [$o->rightNormals[$m], $o->leftNormals[$m]];
        if (
            Vector::dot($e->leftNormals[$k], $left) > self::ALIKE &&
            Vector::dot($e->rightNormals[$k], $right) > self::ALIKE &&
            $same * Vector::dot($e->tangents[$k], $o->tangents[$m]) > self::ALIKE
        ) {
            $this->joins[$e->edge->name][$k] = [$o->edge->name, $m];
        }
    }

    /**
     * Where a curve and a straight edge that run on into each other share one section.
     *
     * @param Closure(EdgeShape, int): Section $section
     * @return array{array{V, V, V, V}, float}|null the station of the curve, and where along the straight edge the plane across it lies
     */
    public function joint(EdgeShape $e, int $k, Closure $section): ?array
    {
        [$name, $m] = $this->joins[$e->edge->name][$k] ?? ['', 0];
        $o = $this->shapes[$name] ?? null;

        return $o === null ? null : ($e->curve !== null ? Joint::of($e, $k, $o, $m, $section) : Joint::of($o, $m, $e, $k, $section));
    }
}
