<?php

declare(strict_types=1);

namespace Tests;

use Cubo\Geometry\Vector;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\MemoryCache;
use Cubo\Recipe\PartState;
use Cubo\Solid\Blend\Edge;
use Cubo\Solid\Blend\Topology;
use Cubo\Solid\Solid;
use Cubo\Solid\SurfaceKind;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * Recipes as a pupil makes them, by seed: a base, then 10 to 20 steps that each look at the part so far. Edges and faces
 * are picked as they are seen: long edges, outer faces, sizes that fit between what is near. A step that is refused is taken
 * back, as a pupil does, and what was said is kept.
 *
 * @phpstan-type Outcome array{step: array<string, mixed>, code: string|null, why: string, hint: float|null, works: bool|null, seconds: float}
 */
final class PupilRecipes
{
    private readonly Randomizer $r;

    /** @var list<array<string, mixed>> */
    public array $steps = [];

    /** @var list<Outcome> */
    public array $outcomes = [];

    private readonly Evaluator $evaluator;

    private ?Solid $part = null;

    private bool $hollowed = false;

    private int $number = 0;

    public function __construct(int $seed)
    {
        $this->r = new Randomizer(new Xoshiro256StarStar($seed));
        $this->evaluator = new Evaluator(new MemoryCache());
        $this->try($this->base());
        $n = $this->r->getInt(9, 19);
        for ($i = 0; $i < $n; $i++) {
            $step = $this->next($i / $n);
            if ($step !== null) {
                $this->try($step);
            }
        }
    }

    /** The recipe evaluated from nothing. */
    public function state(): PartState
    {
        return (new Evaluator(new MemoryCache()))->evaluate(Parts::recipe($this->steps));
    }

    /** @param array<string, mixed> $step */
    private function try(array $step): void
    {
        $step += ['id' => 's' . ++$this->number];
        $began = hrtime(true);
        $state = $this->evaluator->evaluate(Parts::recipe([...$this->steps, $step]));
        $part = $state->part();
        $took = (hrtime(true) - $began) / 1e9;
        $said = array_values(array_filter($state->results[$step['id']]->messages ?? [], static fn($m): bool => !$m->warning));
        $hint = $said !== [] && preg_match('/Up to ([\d.]+)/', $said[0]->why, $m) ? (float) $m[1] : null;
        $works = null;
        if ($hint !== null) {
            $key =
                array_intersect_key(
                    ['round' => 'radius', 'chamfer' => 'distance', 'hollow' => 'wall', 'draft' => 'angle', 'pull' => 'distance'],
                    [$step['kind'] => 1],
                )[$step['kind']] ?? null;
            if ($key !== null) {
                $again = [$key => (string) (str_starts_with((string) $step[$key], '-') ? -$hint : $hint)] + $step;
                $works =
                    array_filter(
                        $this->evaluator->evaluate(Parts::recipe([...$this->steps, $again]))->results[$step['id']]->messages ?? [],
                        static fn($m): bool => !$m->warning,
                    ) === [];
            }
        }
        $this->outcomes[] = [
            'step' => $step,
            'code' => $said === [] ? null : $said[0]->code,
            'why' => $said === [] ? '' : $said[0]->what . ' ' . $said[0]->why,
            'hint' => $hint,
            'works' => $works,
            'seconds' => $took,
        ];
        if ($said === []) {
            $this->steps[] = $step;
            $this->part = $part;
            $this->hollowed = $this->hollowed || $step['kind'] === 'hollow';
        }
    }

    /** @return array<string, mixed> */
    private function base(): array
    {
        $w = 10 * $this->r->getInt(3, 8);
        $d = 10 * $this->r->getInt(2, 6);
        $h = 5 * $this->r->getInt(2, 7);

        return match ($this->r->getInt(0, 9)) {
            0 => ['kind' => 'cylinder', 'round' => "$w", 'length' => "$h"],
            1 => ['kind' => 'cone', 'round' => "$w", 'tip' => (string) ($w / 2), 'length' => "$h"],
            2 => ['kind' => 'halfball', 'round' => "$w"],
            3 => ['kind' => 'prism', 'round' => "$w", 'sides' => (string) $this->r->getInt(5, 8), 'height' => "$h"],
            4 => [
                'kind' => 'block',
                'width' => "$w",
                'depth' => "$d",
                'height' => "$h",
                'edges' => $this->one(['round', 'upright', 'cut']),
                'bevel' => (string) $this->r->getInt(2, 4),
            ],
            5 => ['kind' => 'wedge', 'width' => "$w", 'depth' => "$d", 'height' => "$h", 'low' => (string) ($h / 2)],
            default => ['kind' => 'block', 'width' => "$w", 'depth' => "$d", 'height' => "$h"],
        };
    }

    /** @return array<string, mixed>|null */
    private function next(float $far): ?array
    {
        if ($this->part === null) {
            return $this->base();
        }
        $kind = $this->one([
            'add',
            'add',
            'add',
            'cut',
            'cut',
            'hole',
            'hole',
            'round',
            'round',
            'chamfer',
            'chamfer',
            'hollow',
            'draft',
            'pull',
            'pull',
            'mirror',
            'repeat',
        ]);

        return match ($kind) {
            'add' => $this->added(),
            'cut' => $this->cut(),
            'hole' => $this->hole(),
            'round', 'chamfer' => $this->edgeWork($kind),
            'hollow' => $this->hollowed ? null : $this->hollow(),
            'draft' => $this->draft(),
            'pull' => $this->pull(),
            'mirror' => $far < 0.5 ? null : ['kind' => 'mirror', 'of' => 'body', 'plane' => $this->one(['side', 'front'])],
            default => $this->again(),
        };
    }

    /** @return array<string, mixed>|null */
    private function again(): ?array
    {
        $last = null;
        foreach ($this->steps as $s) {
            $last = in_array($s['kind'], ['cylinder', 'block', 'hole', 'cone'], true) && $s['id'] !== 's1' ? $s['id'] : $last;
        }

        return $last === null
            ? null
            : [
                'kind' => 'repeat',
                'of' => 'step',
                'source' => $last,
                'way' => 'row',
                'count' => (string) $this->r->getInt(2, 3),
                'x' => (string) $this->r->getInt(6, 14),
            ];
    }

    /** @return array<string, mixed>|null */
    private function added(): ?array
    {
        $face = $this->flatFace();
        if ($face === null) {
            return null;
        }
        [$name, $size] = $face;
        $w = max(3, (int) (($size * $this->r->getInt(2, 6)) / 10));
        $h = $this->r->getInt(3, 15);
        $at = [
            'stand' => 'face',
            'on' => $name,
            'x' => (string) $this->r->getInt((int) (-$size / 4), (int) ($size / 4)),
            'y' => (string) $this->r->getInt((int) (-$size / 4), (int) ($size / 4)),
            'alignx' => 'middle',
            'aligny' => 'middle',
        ];

        return match ($this->r->getInt(0, 5)) {
            0, 1 => ['kind' => 'cylinder', 'round' => "$w", 'length' => "$h"] + $at,
            2 => ['kind' => 'cone', 'round' => "$w", 'tip' => (string) ($w / 2), 'length' => "$h"] + $at,
            3 => ['kind' => 'prism', 'round' => "$w", 'height' => "$h"] + $at,
            default => ['kind' => 'block', 'width' => "$w", 'depth' => (string) max(3, (int) ($w * 0.6)), 'height' => "$h"] + $at,
        };
    }

    /** @return array<string, mixed> */
    private function cut(): array
    {
        [$x0, $y0, $z0, $x1, $y1, $z1] = $this->part?->vertexBox() ?? [0, 0, 0, 1, 1, 1];
        $w = max(3, (int) ((($x1 - $x0) * $this->r->getInt(1, 4)) / 10));
        $x = (string) round($x0 + (($x1 - $x0) * $this->r->getInt(0, 4)) / 4);
        $y = (string) round($y0 + (($y1 - $y0) * $this->r->getInt(0, 4)) / 4);
        $z = (string) round($z0 + (($z1 - $z0) * $this->r->getInt(1, 3)) / 4);

        return $this->r->getInt(0, 1) === 0
            ? [
                'kind' => 'block',
                'width' => "$w",
                'depth' => (string) max(3, (int) ((($y1 - $y0) * $this->r->getInt(1, 4)) / 10)),
                'height' => (string) ceil($z1 - $z0 + 1),
                'x' => $x,
                'y' => $y,
                'z' => $z,
                'effect' => 'cut',
            ]
            : [
                'kind' => 'cylinder',
                'round' => "$w",
                'length' => (string) ceil($z1 - $z0 + 1),
                'x' => $x,
                'y' => $y,
                'z' => $z,
                'effect' => 'cut',
            ];
    }

    /** @return array<string, mixed>|null */
    private function hole(): ?array
    {
        $face = $this->flatFace();
        if ($face === null) {
            return null;
        }
        [$name, $size] = $face;

        return [
            'kind' => 'hole',
            'where' => 'face',
            'face' => $name,
            'u' => (string) $this->r->getInt((int) (-$size / 4), (int) ($size / 4)),
            'v' => (string) $this->r->getInt((int) (-$size / 4), (int) ($size / 4)),
            'round' => (string) $this->r->getInt(2, max(2, (int) ($size / 4))),
            'extent' => $this->one(['through', 'depth']),
            'depth' => '6',
            'head' => $this->one(['plain', 'plain', 'sink']),
            'wide' => (string) (2 * max(2, (int) ($size / 4))),
        ];
    }

    /** @return array<string, mixed>|null */
    private function edgeWork(string $kind): ?array
    {
        $edges = $this->edges();
        if ($edges === []) {
            return null;
        }
        $picked = [];
        $room = INF;
        for ($k = $this->r->getInt(1, 3); $k > 0; $k--) {
            [$edge, $fits] = $this->one($edges);
            $picked[$edge->name] = true;
            $room = min($room, $fits);
        }
        $most = max(1, (int) (4 * $room));
        $size = (string) (min($most, $this->r->getInt(1, 12)) / 4);

        return $kind === 'round'
            ? ['kind' => 'round', 'edges' => array_keys($picked), 'radius' => $size]
            : ['kind' => 'chamfer', 'edges' => array_keys($picked), 'distance' => $size];
    }

    /** @return array<string, mixed>|null */
    private function hollow(): ?array
    {
        $face = $this->r->getInt(0, 4) === 0 ? null : $this->flatFace();

        return ['kind' => 'hollow', 'wall' => $this->one(['1', '1.5', '2', '2', '3']), 'faces' => $face === null ? [] : [$face[0]]];
    }

    /** @return array<string, mixed>|null */
    private function draft(): ?array
    {
        $upright = array_keys(
            array_filter($this->faces(), static fn(array $f): bool => $f['flat'] && abs($f['normal'][2]) < 1e-6 && $f['long'] > 5),
        );
        if ($upright === []) {
            return null;
        }
        $faces = [$this->one($upright)];
        if ($this->r->getInt(0, 1) === 1) {
            $faces[] = $this->one($upright);
        }

        return [
            'kind' => 'draft',
            'faces' => array_values(array_unique($faces)),
            'angle' => $this->one(['1', '2', '3', '5', '-2']),
            'plane' => 'ground',
        ];
    }

    /** @return array<string, mixed>|null */
    private function pull(): ?array
    {
        $faces = array_keys(array_filter($this->faces(), static fn(array $f): bool => $f['flat'] && $f['long'] > 4));

        return $faces === []
            ? null
            : ['kind' => 'pull', 'faces' => [$this->one($faces)], 'distance' => $this->one(['1', '2', '3', '-1', '-2'])];
    }

    /** @return array{string, float}|null name of a large flat face, and its shorter side in mm */
    private function flatFace(): ?array
    {
        $large = array_filter($this->faces(), static fn(array $f): bool => $f['flat'] && $f['short'] > 8);
        if ($large === []) {
            return null;
        }
        $name = $this->one(array_keys($large));

        return [$name, $large[$name]['short']];
    }

    /** @return array<string, array{flat: bool, normal: array{float,float,float}, short: float, long: float}> */
    private function faces(): array
    {
        $s = $this->part ?? new Solid();
        $of = [];
        foreach ($s->facet as $t => $f) {
            $of[$s->surfaces[$s->surfaceOf[$f]]->name][] = $t;
        }
        $out = [];
        foreach ($of as $name => $triangles) {
            $f = $s->facet[$triangles[0]];
            $low = [INF, INF, INF];
            $high = [-INF, -INF, -INF];
            foreach ($triangles as $t) {
                for ($k = 0; $k < 3; $k++) {
                    $v = $s->start[3 * $t + $k];
                    foreach ([$s->x[$v], $s->y[$v], $s->z[$v]] as $c => $x) {
                        $low[$c] = min($low[$c], $x);
                        $high[$c] = max($high[$c], $x);
                    }
                }
            }
            $sides = [$high[0] - $low[0], $high[1] - $low[1], $high[2] - $low[2]];
            sort($sides);
            $u = $s->surfaces[$s->surfaceOf[$f]];
            $flat = $u->isFlat();
            $short = $flat ? $sides[1] : ($u->kind === SurfaceKind::Cylinder ? min($u->radius, $sides[2]) : $sides[0]);
            $out[(string) $name] = [
                'flat' => $flat,
                'normal' => [$s->nx[$f], $s->ny[$f], $s->nz[$f]],
                'short' => $short,
                'long' => $sides[2],
            ];
        }

        return $out;
    }

    /** @return list<array{Edge, float}> edges that are long enough to be picked, each with the size that fits beside it, mm */
    private function edges(): array
    {
        $s = $this->part ?? new Solid();
        $faces = $this->faces();
        $out = [];
        foreach (Topology::of($s)->edges as $e) {
            $long = 0.0;
            $n = count($e->vertices);
            for ($k = 1; $k < $n; $k++) {
                [$a, $b] = [$e->vertices[$k - 1], $e->vertices[$k]];
                $long += sqrt(($s->x[$a] - $s->x[$b]) ** 2 + ($s->y[$a] - $s->y[$b]) ** 2 + ($s->z[$a] - $s->z[$b]) ** 2);
            }
            $room = min(
                $faces[$s->surfaces[$e->left]->name]['short'],
                $faces[$s->surfaces[$e->right]->name]['short'],
                $this->seenBeside($s, $e),
            );
            if ($long > 3 && $room > 0.6) {
                $out[] = [$e, min(0.35 * $room, 0.3 * $long)];
            }
        }

        return $out;
    }

    /** How wide the flats beside an edge are where one looks: at a quarter, a half and three quarters of it, mm. */
    private function seenBeside(Solid $s, Edge $e): float
    {
        $topology = Topology::of($s);
        $point = static fn(int $v): array => [$s->x[$v], $s->y[$v], $s->z[$v]];
        $least = INF;
        foreach ([[$e->left, true], [$e->right, false]] as [$face, $left]) {
            if (!$s->surfaces[$face]->isFlat()) {
                continue;
            }
            $borders = [];
            foreach ($s->twin as $h => $o) {
                if ($topology->face(intdiv($h, 3)) === $face && $topology->face(intdiv($o, 3)) !== $face) {
                    $borders[] = [$point($s->start[$h]), $point($s->start[$o])];
                }
            }
            foreach ([0.25, 0.5, 0.75] as $share) {
                $h = $e->halfEdges[min(count($e->halfEdges) - 1, (int) ($share * count($e->halfEdges)))];
                $h = $left ? $h : $s->twin[$h];
                [$a, $b] = [$point($s->start[$h]), $point($s->start[$s->twin[$h]])];
                $f = $s->facet[intdiv($h, 3)];
                $t = Vector::unit(Vector::sub($b, $a));
                $in = Vector::cross([$s->nx[$f], $s->ny[$f], $s->nz[$f]], $t);
                $from = Vector::add($a, Vector::sub($b, $a), count($e->halfEdges) === 1 ? $share : 0.5);
                foreach ($borders as [$p, $q]) {
                    [$x, $y] = [Vector::dot(Vector::sub($p, $from), $t), Vector::dot(Vector::sub($q, $from), $t)];
                    if ($x * $y > 0 || $x === $y) {
                        continue;
                    }
                    $far = Vector::dot(Vector::sub(Vector::add($p, Vector::sub($q, $p), $x / ($x - $y)), $from), $in);
                    $least = $far > 1e-6 ? min($least, $far) : $least;
                }
            }
        }

        return $least;
    }

    /**
     * @template T
     *
     * @param array<T> $list
     * @return T
     */
    private function one(array $list): mixed
    {
        return $list[array_keys($list)[$this->r->getInt(0, count($list) - 1)]];
    }
}
