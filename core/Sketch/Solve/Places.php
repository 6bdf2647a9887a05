<?php

declare(strict_types=1);

namespace Cubo\Sketch\Solve;

use Cubo\Sketch\Entity;
use Cubo\Sketch\EntityKind;
use Cubo\Sketch\RelationKind;
use Cubo\Sketch\Sketch;

/** Which numbers the points and sizes of a sketch are, and where they are drawn. */
final class Places
{
    /** @var array<string, array{int,int}> places of the coordinates by point */
    public array $at = [];

    /** @var array<string, int> place of the radius or half axis by entity */
    public array $size = [];

    /** @var array<string, string> points that relations make one, by the first of them */
    private array $same = [];

    public readonly float $scale;

    public function __construct(public readonly Sketch $sketch, EquationSystem $system)
    {
        $this->scale = $sketch->size();
        $this->at[Sketch::ORIGIN] = [$system->number(0.0, true), $system->number(0.0, true)];
        foreach (Sketch::AXES as $id => [$u, $v]) {
            $this->at[$id] = [$system->number($u, true), $system->number($v, true)];
        }
        // what follows the part is given
        $followed = $sketch->followed();
        foreach ($sketch->points as $id => [$u, $v]) {
            $given = isset($followed[$id]);
            $this->at[$id] = [$system->number($u, $given), $system->number($v, $given)];
        }
        foreach ($sketch->entities as $e) {
            if ($e->kind->round() || $e->kind === EntityKind::Ellipse) {
                $this->size[$e->id] = $system->number($e->size, $e->edge !== '');
            }
        }
        foreach ($sketch->relations as $r) {
            if (
                $r->kind === RelationKind::Coincident &&
                isset($this->at[$r->of[0]], $this->at[$r->of[1] ?? '']) &&
                !isset(Sketch::AXES[$r->of[0]]) &&
                !isset(Sketch::AXES[$r->of[1]])
            ) {
                $a = $this->first($r->of[0]);
                $b = $this->first($r->of[1]);
                if ($a !== $b) {
                    $this->same[$b] = $a;
                }
            }
        }
    }

    /** The point that stands for all that are one with it. */
    public function first(string $point): string
    {
        while (isset($this->same[$point])) {
            $point = $this->same[$point];
        }

        return $point;
    }

    /** @return list<int> */
    public function points(string ...$ids): array
    {
        $out = [];
        foreach ($ids as $id) {
            array_push($out, ...$this->at[$id]);
        }

        return $out;
    }

    /** @return array{string,string}|null both ends, when it is a line or an axis */
    public function line(string $id): ?array
    {
        if (isset(Sketch::AXES[$id])) {
            return [Sketch::ORIGIN, $id];
        }
        $e = $this->sketch->entities[$id] ?? null;

        return $e?->kind === EntityKind::Line ? [$e->points[0], $e->points[1]] : null;
    }

    public function isPoint(string $id): bool
    {
        return $id === Sketch::ORIGIN || isset($this->sketch->points[$id]);
    }

    public function round(string $id): ?Entity
    {
        $e = $this->sketch->entities[$id] ?? null;

        return $e !== null && $e->kind->round() ? $e : null;
    }

    /** The point itself, or the middle of what is round. */
    public function middle(string $id): ?string
    {
        if ($this->isPoint($id)) {
            return $id;
        }
        $e = $this->sketch->entities[$id] ?? null;

        return $e !== null && ($e->kind->round() || $e->kind === EntityKind::Ellipse) ? $e->points[0] : null;
    }

    /** @return array{float,float} where something is drawn */
    public function place(string $id): array
    {
        return Sketch::AXES[$id] ?? $this->sketch->point($id);
    }

    public function apart(string $p, string $q): float
    {
        [$a, $b] = [$this->place($p), $this->place($q)];

        return hypot($b[0] - $a[0], $b[1] - $a[1]);
    }

    /**
     * Twice the area of point and line: positive to the left.
     *
     * @param array{string,string} $line
     */
    public function side(string $p, array $line): float
    {
        [$a, $b, $c] = [$this->place($line[0]), $this->place($line[1]), $this->place($p)];

        return ($b[0] - $a[0]) * ($c[1] - $a[1]) - ($b[1] - $a[1]) * ($c[0] - $a[0]);
    }

    /**
     * @param array{string,string} $a
     * @param array{string,string} $b
     */
    public function turned(array $a, array $b, float $angle): Equation
    {
        $length = fn(array $l): float => $this->apart($l[0], $l[1]);

        return Equation::direction(
            $this->points(...$a, ...$b),
            $angle,
            max(min($length($a), $this->scale), min($length($b), $this->scale)),
        );
    }
}
