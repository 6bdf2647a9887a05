<?php

declare(strict_types=1);

namespace Cubo\Sketch;

use InvalidArgumentException;

/**
 * Points, what is drawn through them, and what is asked of both. Coordinates (u, v) in the sketch's plane, mm. A value:
 * every change gives a new sketch.
 */
final readonly class Sketch
{
    /** The point where both axes cross, which every sketch has. */
    public const ORIGIN = 'origin';

    /** The axes through it, which count as lines. */
    public const AXES = ['u-axis' => [1.0, 0.0], 'v-axis' => [0.0, 1.0]];

    /**
     * @param array<string, array{float,float}> $points by id
     * @param array<string, Entity> $entities by id
     * @param array<string, Relation> $relations by id, in the order they were made
     *
     * @throws InvalidArgumentException when something refers to a point or entity that is not there
     */
    public function __construct(public array $points = [], public array $entities = [], public array $relations = [])
    {
        foreach ($entities as $e) {
            foreach ($e->points as $p) {
                if (!isset($points[$p]) && $p !== self::ORIGIN) {
                    throw new InvalidArgumentException("There is no point $p.");
                }
            }
        }
        foreach ($relations as $r) {
            foreach ($r->of as $id) {
                if (!isset($points[$id]) && !isset($entities[$id]) && $id !== self::ORIGIN && !isset(self::AXES[$id])) {
                    throw new InvalidArgumentException("There is nothing called $id.");
                }
            }
        }
    }

    /** @return array{float,float} */
    public function point(string $id): array
    {
        return $id === self::ORIGIN ? [0.0, 0.0] : $this->points[$id];
    }

    /** @return array<string, true> points that stand where edges of the part are */
    public function followed(): array
    {
        $out = [];
        foreach ($this->entities as $e) {
            if ($e->edge !== '') {
                $out += array_fill_keys($e->points, true);
            }
        }

        return $out;
    }

    public function withPoint(string $id, float $u, float $v): self
    {
        return new self([...$this->points, $id => [$u, $v]], $this->entities, $this->relations);
    }

    public function withEntity(Entity $e): self
    {
        return new self($this->points, [...$this->entities, $e->id => $e], $this->relations);
    }

    public function withRelation(Relation $r): self
    {
        return new self($this->points, $this->entities, [...$this->relations, $r->id => $r]);
    }

    /** Without something, and without all that refers to it; points go only when nothing is drawn through them. */
    public function without(string $id): self
    {
        $points = $this->points;
        $entities = $this->entities;
        $gone = [$id => true];
        unset($points[$id]);
        foreach ($entities as $e) {
            if ($e->id === $id || in_array($id, $e->points, true)) {
                $gone[$e->id] = true;
                unset($entities[$e->id]);
            }
        }
        $used = [];
        foreach ($entities as $e) {
            $used += array_fill_keys($e->points, true);
        }
        foreach ($this->entities as $e) {
            foreach (isset($gone[$e->id]) ? $e->points : [] as $p) {
                if (!isset($used[$p])) {
                    $gone[$p] = true;
                    unset($points[$p]);
                }
            }
        }
        $relations = array_filter(
            $this->relations,
            static fn(Relation $r): bool => $r->id !== $id && array_diff($r->of, array_keys($gone)) === $r->of,
        );

        return new self($points, $entities, $relations);
    }

    /** Greatest extent of what is drawn, at least 1 mm. */
    public function size(): float
    {
        $low = [0.0, 0.0];
        $high = [0.0, 0.0];
        $take = static function (float $u, float $v) use (&$low, &$high): void {
            $low = [min($low[0], $u), min($low[1], $v)];
            $high = [max($high[0], $u), max($high[1], $v)];
        };
        foreach ($this->points as [$u, $v]) {
            $take($u, $v);
        }
        foreach ($this->entities as $e) {
            if ($e->kind->round()) {
                [$u, $v] = $this->point($e->points[0]);
                $take($u - $e->size, $v - $e->size);
                $take($u + $e->size, $v + $e->size);
            }
        }

        return max(1.0, $high[0] - $low[0], $high[1] - $low[1]);
    }
}
