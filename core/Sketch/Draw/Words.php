<?php

declare(strict_types=1);

namespace Cubo\Sketch\Draw;

use Cubo\Quantity\Expression;
use Cubo\Quantity\Unit;
use Cubo\Sketch\DimensionValues;
use Cubo\Sketch\Measured;
use Cubo\Sketch\Relation;
use Cubo\Sketch\RelationKind;
use Cubo\Sketch\Sketch;

/** What typed lines are made of: sizes, points, places, names of things. */
final class Words
{
    /** @param (callable(string): (array{float,int}|null))|null $outer names known beyond the sketch */
    public function __construct(public readonly Pen $pen, public readonly Unit $unit, private $outer = null) {}

    /** A length; names of dimensions stand for their values. */
    public function expression(string $typed): float
    {
        $known = null;

        return Expression::length($typed, $this->unit, function (string $name) use (&$known): ?array {
            $r = $this->pen->sketch->relations[$name] ?? null;
            if ($r === null || !$r->kind->isDimension()) {
                return $this->outer === null ? null : ($this->outer)($name);
            }
            $known ??= (new DimensionValues($this->pen->sketch, $this->unit, $this->outer))->values;

            return isset($known[$name]) ? [$known[$name], $r->kind === RelationKind::Angle ? 0 : 1] : null;
        });
    }

    public function length(string $typed): float
    {
        $v = $this->expression($typed);

        return $v > 0 ? $v : throw new UnreadableLine("“{$typed}” is not above zero.");
    }

    /** A point by its id or its place; a place is kept by dimensions from the origin. */
    public function spot(string $typed): string
    {
        $typed = trim($typed);
        if ($typed === Sketch::ORIGIN || isset($this->pen->sketch->points[$typed])) {
            return $typed;
        }
        $parts = preg_split('/\s*;\s*|,\s+/', $typed) ?: [];
        if (count($parts) !== 2) {
            throw new UnreadableLine("“{$typed}” is no point. Type the name of one, or a place such as 10, 5.");
        }
        [$u, $v] = [$this->expression($parts[0]), $this->expression($parts[1])];
        if ($u === 0.0 && $v === 0.0) {
            return Sketch::ORIGIN;
        }
        $p = $this->pen->point(new Spot($u, $v));
        foreach (
            [
                [RelationKind::HorizontalDistance, RelationKind::Vertical, $u, $parts[0]],
                [RelationKind::VerticalDistance, RelationKind::Horizontal, $v, $parts[1]],
            ]
            as [$distance, $level, $value, $text]
        ) {
            if ($value === 0.0) {
                $this->pen->relate($level, Sketch::ORIGIN, $p);
            } else {
                $this->pen->size($distance, $value < 0 ? self::negated($text) : $text, Sketch::ORIGIN, $p);
            }
        }

        return $p;
    }

    /** The side is that on which it is drawn, so a distance is written without a sign. */
    public static function negated(string $text): string
    {
        return preg_match('/^[-\x{2212}]\s*([^-+]+)$/u', trim($text), $m) ? $m[1] : "0 - ($text)";
    }

    /** In brackets where a sum would be torn apart. */
    public static function simple(string $text): string
    {
        return preg_match('/[-+\x{2212}\/]/u', $text) === 1 ? "($text)" : $text;
    }

    /** Where nothing is said: the point drawn last. */
    public function last(): string
    {
        return (string) (array_key_last($this->pen->sketch->points) ?? Sketch::ORIGIN);
    }

    public static function number(float $v): string
    {
        return rtrim(rtrim(sprintf('%.9F', $v), '0'), '.');
    }

    /** @return array{string, string, string} both sizes and the rest */
    public static function by(string $rest, string $what): array
    {
        return preg_match('/^(.+?) by (.+?)((?: corner)?(?: at .+)?)$/i', $rest, $m)
            ? [$m[1], $m[2], trim($m[3])]
            : throw new UnreadableLine("A $what needs two sizes, for instance “{$what} 60 by 40”.");
    }

    public function where(string $rest): string
    {
        return preg_match('/at (.+)$/i', $rest, $m) ? $this->spot($m[1]) : Sketch::ORIGIN;
    }

    /** @return array{float,float} */
    public function place(string $typed): array
    {
        $typed = trim($typed);
        if ($typed === Sketch::ORIGIN || isset($this->pen->sketch->points[$typed])) {
            return $this->pen->sketch->point($typed);
        }
        $parts = preg_split('/\s*;\s*|,\s+/', $typed) ?: [];

        return count($parts) === 2
            ? [$this->expression($parts[0]), $this->expression($parts[1])]
            : throw new UnreadableLine("“{$typed}” is no place. Type a point’s name or two numbers, for instance 10, 5.");
    }

    /**
     * @param string $pattern without the ids in front
     * @return array{list<string>, array<int, string>} ids and what the pattern found
     */
    public function ofThings(string $rest, string $pattern, string $example): array
    {
        if (!preg_match('/^((?:[a-z][a-z0-9_-]* )*[a-z][a-z0-9_-]*?) ' . $pattern . '$/iu', $rest, $m)) {
            throw new UnreadableLine("Cubo cannot read that. Type it as “{$example}”.");
        }

        return [array_map($this->known(...), explode(' ', trim($m[1]))), array_values(array_slice($m, 2))];
    }

    public function known(string $id): string
    {
        $s = $this->pen->sketch;

        return isset($s->points[$id]) || isset($s->entities[$id]) || isset($s->relations[$id])
            ? $id
            : throw new UnreadableLine("There is nothing called “{$id}”.");
    }

    /**
     * What a dimension measures now, as text in the drawing's unit.
     *
     * @param list<string> $of
     *
     * @throws UnreadableLine when such things have no such dimension
     */
    public static function measured(Sketch $s, RelationKind $kind, array $of, Unit $unit): string
    {
        $v =
            Measured::value($s, new Relation('new', $kind, $of)) ??
            throw new UnreadableLine('Between these things there is no ' . $kind->value . '.');

        return self::number(round($kind === RelationKind::Angle ? $v : $v / $unit->inMillimetres(), 3));
    }
}
