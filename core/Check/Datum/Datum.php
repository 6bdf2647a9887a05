<?php

declare(strict_types=1);

namespace Cubo\Check\Datum;

use Cubo\Check\Axes;
use Cubo\Geometry\Vector;
use Cubo\Measure\Flat;
use Cubo\Measure\Hole;
use Cubo\Measure\PartMeasures;
use Cubo\Quantity\Unit;
use Cubo\Recipe\PartCorners;

/**
 * A flat face, an axis or a corner that a distance runs from or to. It is named by what it is, by its direction (the outward
 * normal of a face, the run of an axis) and by where it is from the least corner of the part's box, mm; so it is found again
 * on a part that was made in another way.
 *
 * @phpstan-type V array{float,float,float}
 */
final readonly class Datum
{
    /** Of each kind so many are offered, largest first, so that a part of a thousand faces keeps its list short. */
    private const MOST = 60;

    private const SIDES = [['left', 'right'], ['front', 'back'], ['under', 'upper']];

    private const WAYS = ['left to right', 'front to back', 'upright'];

    /**
     * @param V $at
     * @param V|null $direction unit; null for a corner
     * @param float $size radius of a round, mm; area of a face, mm2; 0 for a corner
     */
    public function __construct(public DatumKind $kind, public array $at, public ?array $direction, public float $size = 0.0) {}

    /** @return list<self> all that a part has, with places from the least corner of its box */
    public static function all(PartMeasures $part): array
    {
        $min = $part->bounds()->min;
        $from = static fn(array $p): array => array_map(Axes::clean(...), Vector::sub($p, $min));
        $round = static fn(DatumKind $k): callable => static fn(Hole $h): self => new self($k, $from($h->point), $h->axis, $h->radius);

        return [
            ...array_map(
                static fn(Flat $f): self => new self(DatumKind::Face, $from($f->centroid), $f->normal, $f->area),
                $part->features()->flats,
            ),
            ...array_map($round(DatumKind::Hole), $part->features()->holes),
            ...array_map($round(DatumKind::Pin), $part->features()->bosses),
            ...array_map(
                static fn(array $p): self => new self(DatumKind::Corner, $from($p), null),
                array_values(PartCorners::of($part->solid)),
            ),
        ];
    }

    /**
     * What a teacher may choose from.
     *
     * @return array<string, string> words by key
     */
    public static function choices(PartMeasures $part, Unit $unit): array
    {
        $out = $count = [];
        foreach (self::all($part) as $d) {
            $count[$d->kind->value] = ($count[$d->kind->value] ?? 0) + 1;
            if ($count[$d->kind->value] <= self::MOST) {
                $out[$d->key()] = $d->words($unit);
            }
        }

        return $out;
    }

    /** Short and the same for the same datum of the same part. */
    public function key(): string
    {
        return $this->kind->value .
            '-' .
            substr(
                md5(
                    implode(
                        ' ',
                        array_map(static fn(float $v): string => (string) (round($v, 4) + 0.0), [...$this->at, ...$this->direction ?? []]),
                    ),
                ),
                0,
                8,
            );
    }

    /** Without its place: what a size between two is called after. */
    public function name(Unit $unit): string
    {
        $axis = $this->axis();

        return match (true) {
            $this->direction === null => 'corner',
            $this->kind !== DatumKind::Face => ($this->kind === DatumKind::Hole ? 'hole' : 'round') . ' ⌀ ' . $unit->brief(2 * $this->size),
            $axis === null => 'slanting face',
            default => self::SIDES[$axis][$this->direction[$axis] > 0 ? 1 : 0] . ' face',
        };
    }

    public function words(Unit $unit): string
    {
        $at = array_map($unit->brief(...), $this->at);
        $name = $this->name($unit);
        $axis = $this->axis();
        if ($this->direction === null) {
            return "$name at " . implode(', ', $at);
        }
        if ($axis === null) {
            return $name . ($this->kind === DatumKind::Face ? '' : ', slanting,') . ' around ' . implode(', ', $at);
        }
        if ($this->kind === DatumKind::Face) {
            return "$name, {$at[$axis]} from the " . Axes::FIRST[$axis];
        }
        [$i, $j] = Axes::others($axis);

        return "$name, " . self::WAYS[$axis] . ", at {$at[$i]}, {$at[$j]}";
    }

    /** 0, 1 or 2 where the direction runs along x, y or z. */
    public function axis(): ?int
    {
        foreach ($this->direction ?? [] as $k => $v) {
            if (abs($v) > 1 - 1e-6) {
                return $k;
            }
        }

        return null;
    }

    /**
     * As keys of a requirement's "where", for the first or the second end.
     *
     * @return array<string, float|string>
     */
    public function toWhere(int $end): array
    {
        $out = [$end === 1 ? 'from' : 'to' => $this->kind->value];
        foreach (['x', 'y', 'z'] as $k => $name) {
            $out["$name$end"] = round($this->at[$k], 6) + 0.0;
            if ($this->direction !== null) {
                $out["n$name$end"] = round($this->direction[$k], 9) + 0.0;
            }
        }

        return $out;
    }

    /** @param array<string, float|int|string> $where */
    public static function fromWhere(array $where, int $end): ?self
    {
        $kind = DatumKind::tryFrom((string) ($where[$end === 1 ? 'from' : 'to'] ?? ''));
        $read = static fn(string $before): array => array_map(static fn(string $k): float => (float) ($where["$before$k$end"] ?? 0.0), [
            'x',
            'y',
            'z',
        ]);
        $direction = $read('n');
        $length = Vector::length($direction);
        if ($kind === null || ($kind !== DatumKind::Corner && $length < 1e-6)) {
            return null;
        }

        return new self($kind, $read(''), $kind === DatumKind::Corner ? null : Vector::unit($direction));
    }
}
