<?php

declare(strict_types=1);

namespace Cubo\Solid\Blend;

use Closure;
use Cubo\Budget\Budget;
use Cubo\Geometry\Vector;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Maker\Fineness;
use Cubo\Solid\Maker\Skin;
use Cubo\Solid\Refused;
use Cubo\Solid\SelfCrossing;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;

/**
 * Rounds and chamfers chosen edges: straight and circular ones between planes, cylinders and cones. At a ridge material
 * is cut away, in a groove it is filled in; what is cut or filled is a solid of its own whose sides lie exactly in the
 * neighbouring faces. Edges that run smoothly on are taken along. Where three rounded ridges (or grooves) between flats
 * meet, the corner becomes part of a ball; where two do, they are mitred; chamfers meet in a point.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Blending
{
    /** Work limits. */
    public const MOST_TRIANGLES = 150000;

    public const MOST_EDGES = 400;

    /** mm by which tools along curves reach into each other where one runs on into the next */
    private const OVERLAP = 0.03;

    /** How far outside of a face a tool ends, mm: facets stray from it by less. */
    private const OUT = 0.06;

    /** How far a tool goes past an edge that ends on a round face at the most, in widths of what it takes. */
    private const PAST = 4.0;

    private readonly Topology $topology;

    private readonly Lips $lips;

    private readonly Ends $ends;

    /** @var array<string, EdgeShape> by edge name */
    private array $shapes = [];

    /**
     * @param list<string> $edges names
     * @param float $radius mm
     *
     * @throws Refused too-complex, no-edge, edge-shape, tangent-edge, too-sharp; too-large, with the largest radius found to work
     */
    public static function round(string $step, Solid $solid, array $edges, float $radius, ?Budget $budget = null): Solid
    {
        self::positive($radius);

        return self::made(
            $step,
            new self($solid, $edges, $budget ?? Budget::unlimited()),
            $edges,
            static fn(EdgeShape $e, int $k, float $share): Section => Section::round($e, $k, $radius * $share),
            $radius,
            $radius,
        );
    }

    /**
     * @param list<string> $edges names
     * @param float $first how much of one face is taken, mm
     * @param float|null $second of the other face; the same when left out
     * @param bool $swapped which face is the first: the one whose name comes first in the edge's name, or the other
     *
     * @throws Refused as for rounds
     */
    public static function chamfer(
        string $step,
        Solid $solid,
        array $edges,
        float $first,
        ?float $second = null,
        bool $swapped = false,
        ?Budget $budget = null,
    ): Solid {
        $second ??= $first;
        self::positive($first, $second);
        $at = static function (EdgeShape $e, int $k, float $share) use ($first, $second, $swapped): Section {
            $leftFirst = strcmp($e->left->name, $e->right->name) <= 0;
            [$l, $r] = $leftFirst !== $swapped ? [$first, $second] : [$second, $first];

            return Section::chamfer($e, $k, $l * $share, $r * $share);
        };

        return self::made($step, new self($solid, $edges, $budget ?? Budget::unlimited()), $edges, $at, $first, null);
    }

    /**
     * @param list<string> $edges names
     * @param float $first how much of one face is taken, mm
     * @param float $angle degrees between that face and the chamfer
     * @param bool $swapped as for chamfers
     *
     * @throws Refused as for rounds; no-angle with the largest angle
     */
    public static function chamferAtAngle(
        string $step,
        Solid $solid,
        array $edges,
        float $first,
        float $angle,
        bool $swapped = false,
        ?Budget $budget = null,
    ): Solid {
        self::positive($first, $angle);
        $b = new self($solid, $edges, $budget ?? Budget::unlimited());
        $at = static function (EdgeShape $e, int $k, float $share) use ($first, $angle, $swapped): Section {
            $leftFirst = strcmp($e->left->name, $e->right->name) <= 0;
            $second = $share * self::secondDistance($first, $angle, $e->between($k));

            return $leftFirst !== $swapped
                ? Section::chamfer($e, $k, $first * $share, $second)
                : Section::chamfer($e, $k, $second, $first * $share);
        };
        foreach ($b->shapes as $e) {
            self::secondDistance($first, $angle, $e->between(0));
        }

        return self::made($step, $b, $edges, $at, $first, null);
    }

    /**
     * The solid with the edges worked on, and all that they run on into; where that does not fit without the curves that bend
     * too tightly: the rounds and chamfers of their neighbours then run out over them.
     *
     * @param list<string> $picked
     * @param Closure(EdgeShape, int, float): Section $section
     *
     * @throws Refused
     */
    private static function made(string $step, self $all, array $picked, Closure $section, float $size, ?float $radius): Solid
    {
        $at = static fn(EdgeShape $e, int $k): Section => $section($e, $k, 1.0);
        $seen = [];
        $refused = null;
        foreach (
            [static fn(): array => [], static fn(): array => $all->tooTight($picked, $at), static fn(): array => $all->bent($picked)]
            as $without
        ) {
            $without = $without();
            if (in_array($without, $seen, true)) {
                continue;
            }
            $seen[] = $without;
            try {
                $b = $without === [] ? $all : new self($all->solid, $picked, $all->budget, $without);
                if ($b->room()->accepts($section)) {
                    return $b->apply($step, $at, $radius);
                }
            } catch (Refused $r) {
                $refused ??= $r;
            }
        }
        $all->room()->check($section, $size);

        throw $refused ?? new Refused('too-large', 'What would have to be cut or filled runs into itself.');
    }

    /** By the law of sines in the triangle that the chamfer cuts off. */
    private static function secondDistance(float $first, float $angle, float $between): float
    {
        if ($angle + $between >= 180 - 1e-9) {
            throw new Refused('no-angle', 'At this angle the chamfer never meets the other face.', 180 - $between);
        }

        return ($first * sin(deg2rad($angle))) / sin(deg2rad($angle + $between));
    }

    private static function positive(float ...$sizes): void
    {
        foreach ($sizes as $s) {
            if (!is_finite($s) || $s <= 0) {
                throw new Refused('no-size', 'A size is not a number above zero.');
            }
        }
    }

    /**
     * Edges that are not picked but run on into, and in which what is taken does not fit.
     *
     * @param list<string> $picked
     * @param Closure(EdgeShape, int): Section $section
     * @return array<string, true> names
     */
    private function tooTight(array $picked, Closure $section): array
    {
        $out = [];
        foreach ($this->bent($picked) as $name => $_) {
            $e = $this->shapes[$name];
            $k = intdiv(count($e->stations), 2);
            try {
                $s = $section($e, $k);
                $most = max(Vector::distance($s->edge, $s->onLeft), Vector::distance($s->edge, $s->onRight));
            } catch (Refused) {
                $most = INF;
            }
            if (!($most < $this->radiusOf($e))) {
                $out[$name] = true;
            }
        }

        return $out;
    }

    /**
     * Arcs and curves that are not picked but run on into.
     *
     * @param list<string> $picked
     * @return array<string, true> names
     */
    private function bent(array $picked): array
    {
        $out = [];
        foreach ($this->shapes as $name => $e) {
            if (!in_array($name, $picked, true) && ($e->axis !== null || $e->curve !== null)) {
                $this->budget->spend($e->curve === null ? 1 : Room::OF_A_CURVE);
                $out[$name] = true;
            }
        }

        return $out;
    }

    /** The radius of an arc, about that of a curve, mm. */
    private function radiusOf(EdgeShape $e): float
    {
        if ($e->axis !== null) {
            return $e->radius;
        }
        $long = $turn = 0.0;
        for ($k = 1; $k < count($e->stations); $k++) {
            $long += Vector::distance($e->stations[$k - 1], $e->stations[$k]);
            $turn += acos(max(-1.0, min(1.0, Vector::dot($e->tangents[$k - 1], $e->tangents[$k]))));
        }

        return $turn > 0 ? $long / $turn : INF;
    }

    /**
     * @param list<string> $edges
     * @param array<string, true> $without edges that others do not run on into
     */
    private function __construct(private readonly Solid $solid, array $edges, private readonly Budget $budget, array $without = [])
    {
        if ($solid->triangleCount() > self::MOST_TRIANGLES || count($edges) > self::MOST_EDGES) {
            throw new Refused(
                'too-complex',
                'At most ' . self::MOST_EDGES . ' edges of solids with up to ' . self::MOST_TRIANGLES . ' triangles are worked on at once.',
                self::MOST_EDGES,
            );
        }
        $this->topology = Topology::of($solid);
        $this->lips = new Lips($this->topology);
        $queue = $edges;
        for ($i = 0; $i < count($queue); $i++) {
            $picked = $this->topology->edges[$queue[$i]] ?? throw new Refused('no-edge', "There is no edge “{$queue[$i]}”.");
            if (isset($this->shapes[$picked->name])) {
                continue;
            }
            $shape = $this->shapes[$picked->name] = new EdgeShape($solid, $picked);
            foreach ($picked->closed ? [] : [0, count($picked->vertices) - 1] as $end) {
                foreach ($this->topology->endingAt[$picked->vertices[$end]] as $other) {
                    if (
                        !isset($this->shapes[$other->name]) &&
                        !isset($without[$other->name]) &&
                        Ends::runsOn($solid, $shape, $end !== 0, $other)
                    ) {
                        $queue[] = $other->name;
                    }
                }
            }
        }
        if ($this->shapes === []) {
            throw new Refused('no-edge', 'No edge is picked.');
        }
        $this->ends = new Ends($solid, $this->topology, $this->shapes);
    }

    private function room(): Room
    {
        return new Room($this->topology, $this->shapes, $this->ends, $this->lips, $this->budget);
    }

    /** @param Closure(EdgeShape, int): Section $section */
    private function apply(string $step, Closure $section, ?float $radius): Solid
    {
        $arcs = 1;
        if ($radius !== null) {
            foreach ($this->shapes as $e) {
                foreach (array_keys($e->stations) as $k) {
                    $angle = acos(max(-1.0, min(1.0, Vector::dot($e->leftNormals[$k], $e->rightNormals[$k]))));
                    $arcs = max($arcs, (int) ceil((Fineness::facets($radius) * $angle) / (2 * M_PI) - 1e-6));
                }
            }
        }
        $cut = $fill = [];
        $number = 0;
        foreach ($this->shapes as $e) {
            $tool = $this->tool($step, ++$number, $e, $section, $arcs, $radius);
            $e->convex ? ($cut[] = $tool) : ($fill[] = $tool);
        }
        if ($radius !== null) {
            foreach ($this->balls($step, $radius, $arcs) as [$tool, $convex]) {
                $convex ? ($cut[] = $tool) : ($fill[] = $tool);
            }
        }
        $out = $this->solid;
        $curves = [];
        foreach ([...$fill, ...$cut] as $tool) {
            foreach ($tool->surfaces as $surface) {
                if ($surface->patch !== null && str_starts_with($surface->name, "$step:")) {
                    $curves[] = $surface;
                }
            }
        }
        foreach ($fill as $tool) {
            $out = BooleanOperation::union($out, $tool, $this->budget);
        }
        foreach ($cut as $tool) {
            $out = BooleanOperation::difference($out, $tool, $this->budget);
        }

        return $curves === [] ? $out : Splinters::taken($out, "$step:seam", $curves, $this->budget);
    }

    /** @param Closure(EdgeShape, int): Section $section */
    private function tool(string $step, int $number, EdgeShape $e, Closure $section, int $arcs, ?float $radius): Solid
    {
        $stations = $lines = $trims = $middles = [];
        $name = "$step:" . ($section($e, 0)->middle === null ? 'chamfer' : 'round') . " $number";
        $ends = $this->ends->planes[$e->edge->name];
        if ($e->curve !== null) {
            [$e, $ends] = $this->ledOn($e, $ends, $section);
        }
        foreach ($e->curve === null ? array_keys($this->ends->joins[$e->edge->name] ?? []) : [] as $k) {
            $joint = $this->ends->joint($e, $k, $section);
            $ends[$k] = $joint === null ? $ends[$k] : [$e->tangents[$k], $joint[1]];
        }
        $turned = null;
        $overRight = false;
        foreach (array_keys($e->stations) as $k) {
            $s = $section($e, $k);
            [$line, $overRight] = Outline::line($e, $k, $s, $arcs);
            $loop = [...Outline::seam($e, $k, $s), ...$line];
            $lines[] = $line;
            if ($s->middle !== null) {
                $middles[] = $s->middle;
            }
            if ($turned === null) {
                $area = [0.0, 0.0, 0.0];
                foreach ($loop as $i => $p) {
                    $area = Vector::add(
                        $area,
                        Vector::cross(Vector::sub($p, $loop[0]), Vector::sub($loop[($i + 1) % count($loop)], $loop[0])),
                    );
                }
                $turned = Vector::dot($area, $e->tangents[$k]) < 0;
            }
            if ($turned) {
                $loop = array_reverse($loop);
            }
            if (isset($ends[$k]) && !$this->isPast($e, $k)) {
                [$n, $d] = $ends[$k];
                $round = $e->curve === null ? $this->ends->roundEnds[$e->edge->name][$k] ?? null : null;
                if ($round !== null) {
                    $d +=
                        ($k === 0 ? -1 : 1) *
                        $round->needed(
                            $loop,
                            self::PAST * max(Vector::distance($s->edge, $s->onLeft), Vector::distance($s->edge, $s->onRight)),
                        );
                }
                $wall = $e->curve === null ? $this->ends->wallEnds[$e->edge->name][$k] ?? null : null;
                $past = $wall === null ? null : $wall[0]->past($e, $k, $loop, $wall[1]);
                if ($wall !== null && $past !== null) {
                    $trims[] = $wall[0];
                    $loop = $e->farther($loop, $k, $past);
                } else {
                    $loop =
                        $wall === null
                            ? array_map(static fn(array $p): array => $e->carried($p, $k, $n, $d), $loop)
                            : $wall[0]->carried($e, $k, $loop, $wall[1]);
                }
            }
            $stations[] = [$loop];
        }
        $closed = $e->edge->closed;
        $cutOff = $e->past === [false, false] ? null : new CutOff($e, array_column($stations, 0), $ends, $this->between($e));
        if ($cutOff !== null) {
            [$loops, $closed] = $cutOff->loops();
            $stations = array_map(static fn(array $loop): array => [$loop], $loops);
        }
        $surface = match (true) {
            $e->curve === null => NewFace::of($name, $e, $section($e, 0)),
            $middles === [] => NewFace::through($name, $lines, $closed),
            default => NewFace::pipe($name, $e, $middles, $radius ?? 0.0) ?? NewFace::through($name, $lines, $closed),
        };
        $seam = Surface::plane("$step:seam $number");
        // the sides of the new face are those between its points; turned round they come first
        $first = $turned ? 0 : count($stations[0][0]) - ($section($e, 0)->middle === null ? 2 : $arcs + 1);
        $first += $overRight ? ($turned ? 1 : -1) : 0;
        $count = $section($e, 0)->middle === null ? 1 : $arcs;

        $tool = Skin::over(
            $stations,
            static fn(int $i, int $l, int $k): Surface => $k >= $first && $k < $first + $count ? $surface : $seam,
            $closed ? null : "$step:seam $number",
            $closed ? null : "$step:seam $number",
        );
        if ($tool->facettedVolume() <= 0 || SelfCrossing::found($tool)) {
            throw new Refused('too-large', 'What would have to be cut or filled runs into itself.');
        }

        $tool = $cutOff === null ? $tool : $cutOff->cut($tool, "$step:seam $number", $this->budget);
        foreach ($trims as $wall) {
            $tool = $wall->trimmed($tool, $this->budget);
        }

        return $e->convex ? $tool : $this->lips->cutOff($e, $tool, $this->budget);
    }

    /**
     * A curve led on where only air lies ahead, until all of the section is past the face in which the edge ends.
     *
     * @param array<int, array{V, float}> $ends
     * @param Closure(EdgeShape, int): Section $section
     * @return array{EdgeShape, array<int, array{V, float}>} and the planes in which it ends, by station
     */
    private function ledOn(EdgeShape $e, array $ends, Closure $section): array
    {
        $more = [[], []];
        $shared = [];
        $n = count($e->stations);
        $curve = $e->curve;
        if ($curve === null) {
            return [$e, $ends];
        }
        foreach ($e->edge->closed ? [] : [0, 1] as $end) {
            $k = $end === 0 ? 0 : $n - 1;
            [$normal, $d] = $ends[$k];
            $round = $this->ends->roundEnds[$e->edge->name][$k] ?? null;
            $ahead = ($end === 0 ? -1 : 1) * Vector::dot($normal, $e->tangents[$k]);
            if (isset($this->ends->across[$e->edge->name][$k])) {
                $joint = $this->ends->joint($e, $k, $section);
                if ($joint !== null) {
                    $shared[$end] = $joint;

                    continue;
                }
                // a little into the one that runs on: free faces do not meet to the last bit
                $more[$end] = $curve->beyond($end === 1, self::OVERLAP, 1);
                unset($ends[$k]);

                continue;
            }
            if (!$e->convex || ($round === null && $ahead < 0)) {
                continue;
            }
            unset($ends[$k]);
            $s = $section($e, $k);
            $width = max(Vector::distance($s->edge, $s->onLeft), Vector::distance($s->edge, $s->onRight));
            $stations = $curve->beyond($end === 1, $width / 2, (int) (4 * self::PAST));
            $out = static fn(array $p): bool => $round === null
                ? Vector::dot($normal, $p) > $d + self::OUT
                : $round->outside($p) > self::OUT;
            $longer = $e->ledOn($end === 0 ? $stations : [], $end === 1 ? $stations : []);
            foreach (array_keys($stations) as $i) {
                $s = $section($longer, $end === 0 ? count($stations) - 1 - $i : $n + $i);
                $more[$end] = array_slice($stations, 0, $i + 1);
                if ($out($s->onLeft) && $out($s->onRight) && $out($s->edge)) {
                    break;
                }
            }
        }
        $longer = $e->ledOn($more[0], $more[1]);
        foreach ($shared as $end => [$station, $d]) {
            $longer->endBy($station, $end === 1);
            $line = $this->ends->joins[$e->edge->name][$end === 0 ? 0 : $n - 1] ?? ['', 0];
            $ends[$end === 0 ? 0 : $n - 1] = [$this->shapes[$line[0]]->tangents[$line[1]], $d];
        }
        $planes = [];
        foreach ($ends as $k => $plane) {
            $planes[$k === 0 ? 0 : count($longer->stations) - 1] = $plane;
        }

        return [$longer, $planes];
    }

    /** Whether a station lies past the end of its edge. */
    private function isPast(EdgeShape $e, int $k): bool
    {
        return ($k === 0 && $e->past[0]) || ($k === count($e->stations) - 1 && $e->past[1]);
    }

    /** @return V a point of an edge between its ends */
    private function between(EdgeShape $e): array
    {
        $v = $e->edge->vertices;
        $n = count($v);

        return Vector::halfway([$this->point($v[intdiv($n - 1, 2)]), $this->point($v[intdiv($n, 2)])]);
    }

    /** @return list<array{Solid, bool}> what the balls in the corners leave, and whether they are at ridges */
    private function balls(string $step, float $radius, int $arcs): array
    {
        $meeting = [];
        foreach ($this->shapes as $name => $e) {
            if (!$e->edge->closed && $e->axis === null && $e->left->isFlat() && $e->right->isFlat()) {
                $meeting[$e->edge->vertices[0]][] = $name;
                $meeting[$e->edge->vertices[count($e->edge->vertices) - 1]][] = $name;
            }
        }
        $out = [];
        foreach ($meeting as $v => $names) {
            $faces = $this->topology->facesAround($v);
            if (count($names) !== 3 || count($faces) !== 3) {
                continue;
            }
            $convex = array_unique(array_map(fn(string $n): bool => $this->shapes[$n]->convex, $names));
            if (count($convex) !== 1) {
                continue;
            }
            $planes = array_map(
                fn(int $f): array => [$this->solid->nx[$f], $this->solid->ny[$f], $this->solid->nz[$f]],
                array_values($faces),
            );
            $out[] = [
                BallCorner::rest(
                    "$step:ball " . (count($out) + 1),
                    "$step:seam",
                    $this->point($v),
                    $planes,
                    $convex[0] ? -$radius : $radius,
                    $arcs,
                ),
                $convex[0],
            ];
        }

        return $out;
    }

    /** @return V */
    private function point(int $v): array
    {
        return [$this->solid->x[$v], $this->solid->y[$v], $this->solid->z[$v]];
    }
}
