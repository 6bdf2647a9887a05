<?php

declare(strict_types=1);

namespace Cubo\Solid\Shift;

use Cubo\Budget\Budget;
use Cubo\Geometry\LeastStep;
use Cubo\Geometry\Vector;
use Cubo\Solid\Blend\Blending;
use Cubo\Solid\Blend\Topology;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Layer\Face;
use Cubo\Solid\Layer\Gathering;
use Cubo\Solid\Layer\Inset;
use Cubo\Solid\Layer\Layers;
use Cubo\Solid\Layer\Skin;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceKind;
use InvalidArgumentException;

/**
 * Takes rounds of edges back to sharp edges, so that the faces beside them can move, and makes them again with the same
 * radius and under the same names.
 *
 * @phpstan-type V array{float,float,float}
 * @phpstan-type Taken array{name: string, radius: float, faces: list<string>, turn: int}
 */
final class Sharpening
{
    private const OFF = 1e-6;

    private const SAME = 1e-9;

    private const MOST_TURNS = 8;

    private readonly Skin $skin;

    private readonly Inset $inset;

    /** @var array<int, list<int>> faces that a round lies between, by round */
    private array $supports = [];

    /** @var list<V> sharp points found so far */
    private array $corners = [];

    /**
     * @param list<string> $beside faces whose rounds are meant
     * @param list<string>|null $only names of the rounds that count, null for all
     */
    private function __construct(Solid $solid, private readonly array $beside, private readonly ?array $only)
    {
        $this->skin = new Skin($solid, static fn(): float => 0.0);
        $this->inset = new Inset($this->skin);
        $this->findRounds();
    }

    /**
     * The solid with sharp edges where rounds run along the faces, and what is needed to make them again.
     *
     * @param list<string> $faces
     * @return array{Solid, list<Taken>}
     *
     * @throws Refused no-room
     */
    public static function of(Solid $solid, array $faces, Budget $budget): array
    {
        $all = new self($solid, $faces, null);
        try {
            return $all->taken($budget, 0);
        } catch (Refused $r) {
            // those made last go first: what ran over others then ends on them as it did when it was made
            $steps = [];
            foreach (array_keys($all->supports) as $f) {
                $name = $all->skin->faces[$f]->surface->name;
                $steps[strstr($name, ':', true) ?: $name][] = $name;
            }
            if (count($steps) < 2) {
                throw $r;
            }
            uksort($steps, static fn(string $a, string $b): int => strnatcmp($b, $a));
            $taken = [];
            foreach (array_values($steps) as $turn => $names) {
                [$solid, $more] = (new self($solid, $faces, $names))->taken($budget, -$turn);
                $taken = [...$taken, ...$more];
            }

            return [$solid, $taken];
        }
    }

    /** @return array{Solid, list<Taken>} */
    private function taken(Budget $budget, int $turn): array
    {
        $taken = [];
        $solid = $this->skin->solid;
        try {
            foreach ($this->networks() as $rounds) {
                $tool = $this->filling($rounds);
                $budget->spend(20 * ($tool?->triangleCount() ?? 0));
                if ($tool !== null) {
                    $solid =
                        $this->skin->faces[$rounds[0]]->sign > 0
                            ? BooleanOperation::union($solid, $tool, $budget)
                            : BooleanOperation::difference($solid, $tool, $budget);
                }
            }
            foreach ($this->supports as $f => $supports) {
                $u = $this->skin->faces[$f]->surface;
                $taken[] = [
                    'name' => $u->name,
                    'radius' => $u->kind === SurfaceKind::Torus ? $u->tube : $u->radius,
                    'faces' => array_map(fn(int $x): string => $this->skin->faces[$x]->surface->name, $supports),
                    'turn' => $turn,
                ];
            }
        } catch (InvalidArgumentException) {
            throw new Refused('no-room', 'The rounds beside the face cannot be made again there.');
        }

        return [$solid, $taken];
    }

    /**
     * The rounds made again.
     *
     * @param list<Taken> $taken
     *
     * @throws Refused no-room
     */
    public static function again(Solid $solid, array $taken, Budget $budget): Solid
    {
        $byRadius = [];
        foreach ($taken as $t) {
            $byRadius[$t['turn'] . ' ' . round($t['radius'], 6)][] = $t;
        }
        // those that were made first are made first again
        uasort(
            $byRadius,
            static fn(array $a, array $b): int => [$a[0]['turn'], strnatcmp($a[0]['name'], $b[0]['name'])] <=> [$b[0]['turn'], 0],
        );
        foreach ($byRadius as $rounds) {
            $edges = $names = $seen = [];
            foreach (Topology::of($solid)->edges as $name => $e) {
                foreach ($rounds as $t) {
                    $pair = [$solid->surfaces[$e->left]->name, $solid->surfaces[$e->right]->name];
                    if (!isset($seen[$name]) && ($pair === $t['faces'] || array_reverse($pair) === $t['faces'])) {
                        $seen[$name] = true;
                        $edges[] = $name;
                        $names[] = $t['name'];
                    }
                }
            }
            if ($edges === []) {
                continue;
            }
            try {
                $solid = Blending::round("\0", $solid, $edges, $rounds[0]['radius'], $budget);
            } catch (Refused $r) {
                throw new Refused('no-room', 'The rounds beside the face do not fit any more: ' . $r->getMessage());
            }
            $solid = clone $solid;
            foreach ($solid->surfaces as $i => $u) {
                if (str_starts_with($u->name, "\0")) {
                    $solid->surfaces[$i] = $u->renamed(
                        preg_match('/:round (\d+)$/', $u->name, $m)
                            ? $names[(int) $m[1] - 1] ?? $names[0]
                            : self::ballBetween($solid, $u, $rounds) ?? $names[0] . substr($u->name, 1),
                    );
                }
            }
        }

        return $solid;
    }

    /**
     * The name of the ball that lay between the same three flats.
     *
     * @param list<Taken> $taken
     */
    private static function ballBetween(Solid $solid, Surface $ball, array $taken): ?string
    {
        foreach ($taken as $t) {
            $left = count($t['faces']) === 3 && $ball->kind === SurfaceKind::Sphere ? array_flip($t['faces']) : [''];
            foreach ($solid->surfaceOf as $f => $i) {
                if (
                    isset($left[$solid->surfaces[$i]->name]) &&
                    abs(
                        abs(Vector::dot([$solid->nx[$f], $solid->ny[$f], $solid->nz[$f]], $ball->point) - $solid->offset[$f]) -
                            $ball->radius,
                    ) < self::OFF
                ) {
                    unset($left[$solid->surfaces[$i]->name]);
                }
            }
            if ($left === []) {
                return $t['name'];
            }
        }

        return null;
    }

    /** Rounds between two of the faces or one of them and another face, and the balls in which these meet. */
    private function findRounds(): void
    {
        $skin = $this->skin;
        $smooth = [];
        foreach ($skin->solid->start as $h => $_) {
            $f = $skin->faceOf[intdiv($h, 3)];
            $g = $skin->beyond($h);
            if ($f !== $g && $this->inset->runOn($f, $g)) {
                $smooth[$f][$g] = true;
            }
        }
        $balls = $all = [];
        foreach ($smooth as $f => $beside) {
            $kind = $skin->faces[$f]->surface->kind;
            if ($kind === SurfaceKind::Sphere && ($this->only === null || in_array($skin->faces[$f]->surface->name, $this->only, true))) {
                $balls[] = $f;
            }
            if ($kind !== SurfaceKind::Cylinder && $kind !== SurfaceKind::Torus) {
                continue;
            }
            // a ring lies between a flat and a round face about the same axis, a cylinder between two flats
            $supports = array_values(
                array_filter(
                    array_keys($beside),
                    fn(int $g): bool => $kind === SurfaceKind::Cylinder
                        ? $skin->faces[$g]->surface->isFlat()
                        : self::isAbout($skin->faces[$f]->surface, $skin->faces[$g]),
                ),
            );
            if (
                count($supports) === 2 &&
                !in_array($skin->faces[$f]->surface->name, $this->beside, true) &&
                ($this->only === null || in_array($skin->faces[$f]->surface->name, $this->only, true))
            ) {
                $all[$f] = $supports;
            }
        }
        foreach ($all as $f => $supports) {
            if (array_filter($supports, fn(int $g): bool => in_array($skin->faces[$g]->surface->name, $this->beside, true)) !== []) {
                $this->supports[$f] = $supports;
            }
        }
        $this->withBalls($balls, $smooth);
        $this->withNeighbours($all);
        $this->withBalls($balls, $smooth);
        $this->withRoundsOver($all);
    }

    private static function isAbout(Surface $ring, Face $other): bool
    {
        $u = $other->surface;
        if ($u->isFlat()) {
            return Vector::length(Vector::cross($other->normal, $ring->axis)) < self::OFF;
        }

        return in_array($u->kind, [SurfaceKind::Cylinder, SurfaceKind::Cone, SurfaceKind::Sphere], true) &&
            Vector::length(Vector::cross(Vector::sub($u->point, $ring->point), $ring->axis)) < self::OFF * (1 + abs($ring->radius)) &&
            ($u->kind === SurfaceKind::Sphere || Vector::length(Vector::cross($u->axis, $ring->axis)) < self::OFF);
    }

    /**
     * Rounds that end on one that goes, in a mitre or over it.
     *
     * @param array<int, list<int>> $all faces that rounds lie between
     */
    private function withNeighbours(array $all): void
    {
        $queue = array_keys($this->supports);
        while ($queue !== []) {
            $f = array_pop($queue);
            foreach ($this->skin->faces[$f]->triangles as $t) {
                for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                    $g = $this->skin->beyond($h);
                    if (isset($all[$g]) && !isset($this->supports[$g])) {
                        $this->supports[$g] = $all[$g];
                        $queue[] = $g;
                    }
                }
            }
        }
    }

    /**
     * A round that runs over another one that goes lies in the corner of all the faces of both.
     *
     * @param array<int, list<int>> $all faces that rounds lie between
     */
    private function withRoundsOver(array $all): void
    {
        for ($grown = true, $turn = 0; $grown && $turn < self::MOST_TURNS; $turn++) {
            $grown = false;
            foreach ($all as $f => $supports) {
                foreach ($this->supports[$f] ?? $supports as $g) {
                    if (isset($this->supports[$g]) && isset($all[$g])) {
                        $this->supports[$f] = array_values(
                            array_unique([...array_diff($this->supports[$f] ?? $supports, [$g]), ...$this->supports[$g]]),
                        );
                        $grown = true;
                    }
                }
            }
        }
    }

    /**
     * @param list<int> $balls
     * @param array<int, array<int, true>> $smooth faces that run on smoothly, by face
     */
    private function withBalls(array $balls, array $smooth): void
    {
        $skin = $this->skin;
        // a ball goes with all rounds that end in it, and these with the balls at their other ends
        do {
            $grown = false;
            foreach ($balls as $f) {
                $rounds = array_filter(
                    array_keys($smooth[$f]),
                    static fn(int $g): bool => $skin->faces[$g]->surface->kind === SurfaceKind::Cylinder,
                );
                if (isset($this->supports[$f]) || array_filter($rounds, fn(int $g): bool => isset($this->supports[$g])) === []) {
                    continue;
                }
                $all = [];
                foreach ($rounds as $g) {
                    $own = array_values(
                        array_filter(array_keys($smooth[$g]), static fn(int $x): bool => $skin->faces[$x]->surface->isFlat()),
                    );
                    $this->supports[$g] ??= $own;
                    $all = [...$all, ...$own];
                }
                $this->supports[$f] = array_values(array_unique($all));
                $grown = true;
            }
        } while ($grown);
    }

    /**
     * Rounds that run into each other, ridges and grooves apart.
     *
     * @return list<list<int>>
     */
    private function networks(): array
    {
        $out = $seen = [];
        foreach ($this->supports as $first => $_) {
            if (isset($seen[$first])) {
                continue;
            }
            $seen[$first] = true;
            $list = [$first];
            for ($k = 0; $k < count($list); $k++) {
                foreach ($this->skin->faces[$list[$k]]->triangles as $t) {
                    for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                        $g = $this->skin->beyond($h);
                        if (
                            isset($this->supports[$g]) &&
                            !isset($seen[$g]) &&
                            $this->skin->faces[$g]->sign === $this->skin->faces[$first]->sign
                        ) {
                            $seen[$g] = true;
                            $list[] = $g;
                        }
                    }
                }
            }
            $out[] = $list;
        }

        return $out;
    }

    /**
     * What lies between rounds and their sharp edges and corners.
     *
     * @param list<int> $rounds
     */
    private function filling(array $rounds): ?Solid
    {
        $skin = $this->skin;
        $s = $skin->solid;
        $g = new Gathering();
        $walls = [];
        foreach ($rounds as $face) {
            $own = $skin->faces[$face];
            $surface = $g->surface($own->surface);
            // outside of a ridge what is filled lies before the round, in a groove behind it
            $add = static fn(array $a, array $b, array $c, int $surface, string $facet = '') => $own->sign > 0
                ? $g->triangle($a, $c, $b, $surface, $facet)
                : $g->triangle($a, $b, $c, $surface, $facet);
            foreach ($own->triangles as $t) {
                $points = $images = [];
                for ($k = 0; $k < 3; $k++) {
                    $v = $s->start[3 * $t + $k];
                    $points[] = [$skin->point($v), false];
                    $images[] = [$this->sharp($v), true];
                }
                $add($points[0], $points[1], $points[2], $surface, (string) $s->facet[$t]);
                for ($k = 0; $k < 3; $k++) {
                    $h = 3 * $t + $k;
                    $beside = $skin->beyond($h);
                    if (in_array($beside, $rounds, true)) {
                        continue;
                    }
                    $wall = $walls[$beside] ??= $g->surface($skin->faces[$beside]->surface);
                    $l = ($k + 1) % 3;
                    foreach (
                        Layers::quad($points[$l], $points[$k], $images[$k], $images[$l], $s->start[$h] < $skin->end($h))
                        as [$p, $q, $r]
                    ) {
                        $add($p, $q, $r, $wall, 'beside ' . $s->facet[intdiv($s->twin[$h], 3)]);
                    }
                }
            }
        }

        return $g->solid();
    }

    /**
     * The point of the sharp edge or corner that belongs to a vertex of a round.
     *
     * @return V
     */
    private function sharp(int $v): array
    {
        $faces = [];
        foreach ($this->skin->at[$v] as $f) {
            foreach ($this->supports[$f] ?? [] as $g) {
                $faces[$g] = true;
            }
        }
        foreach ($this->skin->at[$v] as $f) {
            if (!isset($this->supports[$f])) {
                $faces[$f] = true;
            }
        }
        $p = $this->skin->point($v);
        $q = $p;
        for ($i = 0; $i < 25; $i++) {
            $step = LeastStep::of(
                array_map(fn(int $f): array => [$this->inset->distance($f, $q), $this->inset->normal($f, $q)], array_keys($faces)),
            );
            $q = Vector::add($q, $step);
            if (Vector::length($step) < 1e-13 * (1 + Vector::length($q))) {
                break;
            }
        }
        foreach (array_keys($faces) as $f) {
            if (!(abs($this->inset->distance($f, $q)) < self::OFF)) {
                throw new Refused('no-room', 'The rounds beside the face end where they cannot be made again.');
            }
        }
        // the same corner to the last bit, from wherever it is found
        foreach ($this->corners as $known) {
            if (Vector::distance($known, $q) < self::SAME) {
                return $known;
            }
        }

        return $this->corners[] = $q;
    }
}
