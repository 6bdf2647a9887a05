<?php

declare(strict_types=1);

namespace Cubo\Sketch\Draw;

use Cubo\Quantity\Expression;
use Cubo\Quantity\Unit;
use Cubo\Quantity\UnreadableExpression;
use Cubo\Sketch\DimensionValues;
use Cubo\Sketch\Entity;
use Cubo\Sketch\Measured;
use Cubo\Sketch\Relation;
use Cubo\Sketch\RelationKind;
use Cubo\Sketch\Role;
use Cubo\Sketch\Sketch;
use InvalidArgumentException;

/**
 * Draws what is typed: "line 40 at 30 deg", "rectangle 60 by 40", "circle diameter 8 at 10, 5", "equal l1 l2",
 * "length l1 = 40", "remove c2". What is typed as a number is meant exactly and becomes a dimension.
 */
final class TypedLine
{
    /** Examples of all that can be typed. */
    public const EXAMPLES = [
        'point 10, 5', 'line 40 at 30 deg', 'line from p1 to 20, 10', 'rectangle 60 by 40', 'rectangle 60 by 40 corner at 0, 0',
        'circle diameter 8 at 10, 5', 'circle radius 4 at p3', 'slot 85 by 20', 'polygon 6 radius 10 at 0, 0', 'ellipse 30 by 20',
        'circle radius 5 touching l1 l2', 'arc from p1 to p2 through 5, 8', 'arc about p1 from p2 to 0, 10', 'arc on l1 from p2 to 20, 10', 'guide 30 through p1', 'name d1 as width', 'curve 0, 0; 10, 8; 20, 2',
        'horizontal l1', 'equal l1 l2', 'tangent l1 c1', 'symmetric p1 p2 l5', 'length l1 = 40', 'distance p1 p2 = 30', 'angle l1 l2 = 60',
        'construction l3', 'centre l3', 'outline l3', 'move p1 to 5, 5', 'remove l2',
        'trim l1 at 5, 0', 'extend l1 at 20, 0', 'split l1 at 10, 0', 'divide c1 6', 'offset l1 l2 by 3 inside', 'round l1 l2 by 4', 'chamfer l1 l2 by 2',
        'mirror c1 c2 over v-axis', 'row c1 4 by 12, 0', 'around c1 6 about origin', 'shift l1 by 5, 0', 'turn l1 l2 by 30 about origin', 'scale c1 by 2 about origin',
    ];

    private readonly Pen $pen;

    private function __construct(Sketch $sketch, private readonly Unit $unit)
    {
        $this->pen = new Pen($sketch);
    }

    /** @throws UnreadableLine */
    public static function draw(Sketch $sketch, string $typed, Unit $unit): Sketch
    {
        $typed = trim((string) preg_replace('/\s+/', ' ', mb_substr($typed, 0, 300)));
        if ($typed === '') {
            throw new UnreadableLine('Type what to draw, for instance “' . self::EXAMPLES[1] . '”.');
        }
        $t = new self($sketch, $unit);
        try {
            $t->read($typed);
        } catch (UnreadableExpression|InvalidArgumentException $e) {
            throw new UnreadableLine($e->getMessage());
        }

        return $t->pen->sketch;
    }

    private function read(string $typed): void
    {
        [$verb, $rest] = [...explode(' ', $typed, 2), ''];
        $rest = trim($rest);
        match (strtolower($verb)) {
            'point' => $this->spot($rest),
            'line' => $this->line($rest),
            'rectangle' => $this->rectangle($rest),
            'circle' => $this->circle($rest),
            'slot' => $this->slot($rest),
            'polygon' => $this->polygon($rest),
            'ellipse' => $this->ellipse($rest),
            'arc' => $this->arc($rest),
            'curve' => $this->pen->curve(array_map($this->spot(...), explode(';', $rest))),
            'remove' => $this->remove($rest),
            'move' => $this->move($rest),
            'guide' => $this->guide($rest),
            'name' => $this->rename($rest),
            'trim', 'split', 'extend' => $this->cut(strtolower($verb), $rest),
            'divide' => $this->divide($rest),
            'offset' => $this->offset($rest),
            'round', 'chamfer' => $this->corner(strtolower($verb) === 'round', $rest),
            'mirror' => $this->mirror($rest),
            'row' => $this->row($rest),
            'around' => $this->around($rest),
            'shift', 'turn', 'scale' => $this->shift(strtolower($verb), $rest),
            'outline', 'construction', 'centre' => $this->role(Role::from(strtolower($verb)), $rest),
            default => $this->relation($typed),
        };
    }

    /** A length; names of dimensions stand for their values. */
    private function expression(string $typed): float
    {
        $known = null;

        return Expression::length($typed, $this->unit, function (string $name) use (&$known): ?array {
            $r = $this->pen->sketch->relations[$name] ?? null;
            if ($r === null || ! $r->kind->isDimension()) {
                return null;
            }
            $known ??= (new DimensionValues($this->pen->sketch, $this->unit))->values;

            return isset($known[$name]) ? [$known[$name], $r->kind === RelationKind::Angle ? 0 : 1] : null;
        });
    }

    private function length(string $typed): float
    {
        $v = $this->expression($typed);

        return $v > 0 ? $v : throw new UnreadableLine("“{$typed}” is not above zero.");
    }

    /** A point by its id or its place; a place is kept by dimensions from the origin. */
    private function spot(string $typed): string
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
        foreach ([[RelationKind::HorizontalDistance, RelationKind::Vertical, $u, $parts[0]], [RelationKind::VerticalDistance, RelationKind::Horizontal, $v, $parts[1]]] as [$distance, $level, $value, $text]) {
            if ($value === 0.0) {
                $this->pen->relate($level, Sketch::ORIGIN, $p);
            } else {
                $this->pen->size($distance, $value < 0 ? self::negated($text) : $text, Sketch::ORIGIN, $p);
            }
        }

        return $p;
    }

    /** The side is that on which it is drawn, so a distance is written without a sign. */
    private static function negated(string $text): string
    {
        return preg_match('/^[-\x{2212}]\s*([^-+]+)$/u', trim($text), $m) ? $m[1] : "0 - ($text)";
    }

    /** In brackets where a sum would be torn apart. */
    private static function simple(string $text): string
    {
        return preg_match('/[-+\x{2212}\/]/u', $text) === 1 ? "($text)" : $text;
    }

    /** Where nothing is said: the point drawn last. */
    private function last(): string
    {
        return (string) (array_key_last($this->pen->sketch->points) ?? Sketch::ORIGIN);
    }

    private function line(string $rest): void
    {
        if (preg_match('/^(?:from (.+?) )?to (.+)$/i', $rest, $m)) {
            $from = $m[1] === '' ? $this->last() : $this->spot($m[1]);
            $this->pen->line($from, $this->spot($m[2]));

            return;
        }
        if (! preg_match('/^(?:from (.+?) long )?(.+?)(?: at (.+?)(?: ?deg| ?degrees| ?°)?)?$/iu', $rest, $m)) {
            throw new UnreadableLine('A line needs a length, for instance “line 40 at 30 deg”.');
        }
        $from = $m[1] === '' ? $this->last() : $this->spot($m[1]);
        $length = $this->length($m[2]);
        $turn = $m[3] ?? '0';
        $angle = fmod(Expression::number($turn) + 720, 360);
        [$u, $v] = $this->pen->sketch->point($from);
        $to = $this->pen->point(new Spot($u + $length * cos(deg2rad($angle)), $v + $length * sin(deg2rad($angle))));
        $l = $this->pen->line($from, $to);
        $this->pen->size(RelationKind::Length, $m[2], $l);
        if (fmod($angle, 180) === 0.0) {
            $this->pen->relate(RelationKind::Horizontal, $l);
        } elseif (fmod($angle, 180) === 90.0) {
            $this->pen->relate(RelationKind::Vertical, $l);
        } else {
            $this->pen->size(RelationKind::Angle, $angle < 180 ? $turn : self::number(360 - $angle), 'u-axis', $l);
        }
    }

    private static function number(float $v): string
    {
        return rtrim(rtrim(sprintf('%.9F', $v), '0'), '.');
    }

    /** @return array{string, string, string} both sizes and the rest */
    private static function by(string $rest, string $what): array
    {
        return preg_match('/^(.+?) by (.+?)((?: corner)?(?: at .+)?)$/i', $rest, $m) ? [$m[1], $m[2], trim($m[3])] : throw new UnreadableLine("A $what needs two sizes, for instance “{$what} 60 by 40”.");
    }

    private function where(string $rest): string
    {
        return preg_match('/at (.+)$/i', $rest, $m) ? $this->spot($m[1]) : Sketch::ORIGIN;
    }

    private function rectangle(string $rest): void
    {
        [$width, $height, $rest] = self::by($rest, 'rectangle');
        [$w, $h] = [$this->length($width), $this->length($height)];
        $at = $this->where($rest);
        [$u, $v] = $this->pen->sketch->point($at);
        if (stripos($rest, 'corner') !== false) {
            $sides = $this->pen->rectangle($at, $this->pen->point(new Spot($u + $w, $v + $h)));
        } else {
            $sides = $this->pen->rectangleAround($at, $this->pen->point(new Spot($u - $w / 2, $v - $h / 2)));
        }
        $this->pen->size(RelationKind::Length, $width, $sides[0]);
        $this->pen->size(RelationKind::Length, $height, $sides[1]);
    }

    private function circle(string $rest): void
    {
        if (preg_match('/^(diameter|radius) (.+) touching (\S+) (?:and )?(\S+)$/i', $rest, $m)) {
            $size = $this->length($m[2]);
            $round = strtolower($m[1]) === 'radius';
            $c = $this->pen->circleTouching($this->known($m[3]), $this->known($m[4]), $round ? $size : $size / 2);
            $this->pen->size($round ? RelationKind::Radius : RelationKind::Diameter, $m[2], $c);

            return;
        }
        if (! preg_match('/^(diameter|radius) (.+?)((?: at .+)?)$/i', $rest, $m)) {
            throw new UnreadableLine('A circle needs a diameter or radius, for instance “circle diameter 8 at 10, 5”.');
        }
        $size = $this->length($m[2]);
        $kind = strtolower($m[1]) === 'radius' ? RelationKind::Radius : RelationKind::Diameter;
        $this->pen->size($kind, $m[2], $this->pen->circle($this->where(trim($m[3])), $kind === RelationKind::Radius ? $size : $size / 2));
    }

    private function slot(string $rest): void
    {
        [$length, $width, $rest] = self::by($rest, 'slot');
        [$l, $w] = [$this->length($length), $this->length($width)];
        if ($l <= $w) {
            throw new UnreadableLine('A slot is longer over all than it is wide.');
        }
        $at = $this->where($rest);
        [$u, $v] = $this->pen->sketch->point($at);
        $a = $this->pen->point(new Spot($u - ($l - $w) / 2, $v));
        $b = $this->pen->point(new Spot($u + ($l - $w) / 2, $v));
        [$round] = $this->pen->slot($a, $b, $w);
        $middle = (string) array_key_last($this->pen->sketch->entities);
        $this->pen->relate(RelationKind::Midpoint, $at, $middle);
        $this->pen->relate(RelationKind::Horizontal, $middle);
        $this->pen->size(RelationKind::Diameter, $width, $round);
        $this->pen->size(RelationKind::Length, self::simple($length) . ' - ' . self::simple($width), $middle);
    }

    private function polygon(string $rest): void
    {
        if (! preg_match('/^(\d+) radius (.+?)((?: at .+)?)$/i', $rest, $m)) {
            throw new UnreadableLine('A polygon needs the count of its sides and the radius of its corners, for instance “polygon 6 radius 10”.');
        }
        $r = $this->length($m[2]);
        $middle = $this->where(trim($m[3]));
        [$u, $v] = $this->pen->sketch->point($middle);
        $corner = $this->pen->point(new Spot($u + $r, $v));
        $this->pen->polygon($middle, $corner, (int) $m[1]);
        if ($middle !== $corner) {
            $this->pen->relate(RelationKind::Horizontal, $middle, $corner);
        }
        $this->pen->size(RelationKind::Distance, $m[2], $middle, $corner);
    }

    private function ellipse(string $rest): void
    {
        [$width, $height, $rest] = self::by($rest, 'ellipse');
        [$w, $h] = [$this->length($width), $this->length($height)];
        $middle = $this->where($rest);
        [$u, $v] = $this->pen->sketch->point($middle);
        $end = $this->pen->point(new Spot($u + $w / 2, $v));
        $e = $this->pen->ellipse($middle, $end, $h / 2);
        $this->pen->relate(RelationKind::Horizontal, $middle, $end);
        $this->pen->size(RelationKind::Distance, self::simple($width) . ' / 2', $middle, $end);
        $top = $this->pen->point(new Spot($u, $v + $h / 2));
        $this->pen->relate(RelationKind::Coincident, $top, $e);
        $this->pen->relate(RelationKind::Vertical, $middle, $top);
        $this->pen->size(RelationKind::Distance, self::simple($height) . ' / 2', $middle, $top);
    }

    private function arc(string $rest): void
    {
        if (preg_match('/^about (.+) from (.+) to (.+)$/i', $rest, $m)) {
            $this->pen->arcAround($this->spot($m[1]), $this->spot($m[2]), $this->spot($m[3]));

            return;
        }
        if (preg_match('/^on (\S+) from (.+) to (.+)$/i', $rest, $m)) {
            $this->pen->arcOn($this->known($m[1]), $this->spot($m[2]), $this->spot($m[3]));

            return;
        }
        if (! preg_match('/^from (.+) to (.+) through (.+)$/i', $rest, $m)) {
            throw new UnreadableLine('An arc needs its ends and a point it runs through, for instance “arc from p1 to p2 through 5, 8”.');
        }
        $this->pen->arcThrough($this->spot($m[1]), $this->spot($m[2]), $this->spot($m[3]));
    }

    /** A construction line through a point at an angle. */
    private function guide(string $rest): void
    {
        if (! preg_match('/^(.+?)(?: ?deg| ?degrees| ?°)? through (.+)$/iu', $rest, $m)) {
            throw new UnreadableLine('A guide needs an angle and a point, for instance “guide 30 through p1”.');
        }
        $angle = fmod(Expression::number($m[1]) + 360, 180);
        $from = $this->spot($m[2]);
        [$u, $v] = $this->pen->sketch->point($from);
        $l = 0.6 * $this->pen->sketch->size();
        $line = $this->pen->line($from, $this->pen->at($u + $l * cos(deg2rad($angle)), $v + $l * sin(deg2rad($angle))), Role::Construction);
        match ($angle) {
            0.0 => $this->pen->relate(RelationKind::Horizontal, $line),
            90.0 => $this->pen->relate(RelationKind::Vertical, $line),
            default => $this->pen->size(RelationKind::Angle, self::number($angle), 'u-axis', $line),
        };
    }

    /** Gives a dimension a name; values that use it follow. */
    private function rename(string $rest): void
    {
        if (! preg_match('/^(\S+) (?:as )?([a-z][a-z0-9_]{0,23})$/', $rest, $m)) {
            throw new UnreadableLine('A name is a small letter, then small letters, digits and _: “name d1 as width”.');
        }
        $s = $this->pen->sketch;
        $r = $s->relations[$m[1]] ?? null;
        if ($r === null || ! $r->kind->isDimension()) {
            throw new UnreadableLine("There is no dimension called “{$m[1]}”.");
        }
        if (isset($s->relations[$m[2]]) || isset($s->points[$m[2]]) || isset($s->entities[$m[2]]) || isset(Expression::UNITS[$m[2]]) || $m[2] === Sketch::ORIGIN) {
            throw new UnreadableLine("“{$m[2]}” means something else already.");
        }
        $relations = [];
        foreach ($s->relations as $x) {
            $x = $x->valued((string) preg_replace('/(?<![a-z0-9_])' . $m[1] . '(?![a-z0-9_])/', $m[2], $x->value));
            $x = $x->id === $m[1] ? new Relation($m[2], $x->kind, $x->of, $x->value, $x->measured) : $x;
            $relations[$x->id] = $x;
        }
        $this->pen->sketch = new Sketch($s->points, $s->entities, $relations);
    }

    private function known(string $id): string
    {
        $s = $this->pen->sketch;

        return isset($s->points[$id]) || isset($s->entities[$id]) || isset($s->relations[$id]) ? $id : throw new UnreadableLine("There is nothing called “{$id}”.");
    }

    private function remove(string $rest): void
    {
        foreach (explode(' ', $rest) as $id) {
            $this->pen->sketch = $this->pen->sketch->without($this->known($id));
        }
    }

    private function move(string $rest): void
    {
        if (! preg_match('/^(\S+) to (.+)$/i', $rest, $m) || ! isset($this->pen->sketch->points[$m[1]])) {
            throw new UnreadableLine('Type which point goes where, for instance “move p1 to 5, 5”.');
        }
        $parts = preg_split('/\s*;\s*|,\s+/', $m[2]) ?: [];
        if (count($parts) !== 2) {
            throw new UnreadableLine("“{$m[2]}” is no place. Type two numbers, for instance 10, 5.");
        }
        $this->pen->sketch = $this->pen->sketch->withPoint($m[1], $this->expression($parts[0]), $this->expression($parts[1]));
    }

    /** @return array{float,float} */
    private function place(string $typed): array
    {
        $typed = trim($typed);
        if ($typed === Sketch::ORIGIN || isset($this->pen->sketch->points[$typed])) {
            return $this->pen->sketch->point($typed);
        }
        $parts = preg_split('/\s*;\s*|,\s+/', $typed) ?: [];

        return count($parts) === 2 ? [$this->expression($parts[0]), $this->expression($parts[1])] : throw new UnreadableLine("“{$typed}” is no place. Type a point’s name or two numbers, for instance 10, 5.");
    }

    /**
     * @param string $pattern without the ids in front
     * @return array{list<string>, array<int, string>} ids and what the pattern found
     */
    private function ofThings(string $rest, string $pattern, string $example): array
    {
        if (! preg_match('/^((?:[a-z][a-z0-9_-]* )*[a-z][a-z0-9_-]*?) ' . $pattern . '$/iu', $rest, $m)) {
            throw new UnreadableLine("Cubo cannot read that. Type it as “{$example}”.");
        }

        return [array_map($this->known(...), explode(' ', trim($m[1]))), array_values(array_slice($m, 2))];
    }

    private function cut(string $verb, string $rest): void
    {
        [[$id], [$at]] = $this->ofThings($rest, 'at (.+)', "$verb l1 at 5, 0");
        $cutting = new Cutting($this->pen);
        [$u, $v] = $this->place($at);
        match ($verb) {
            'trim' => $cutting->trim($id, $u, $v),
            'split' => $cutting->split($id, $u, $v),
            default => $cutting->extend($id, $u, $v),
        };
    }

    private function divide(string $rest): void
    {
        [[$id], [$n]] = $this->ofThings($rest, '(?:into )?(\d+)', 'divide c1 6');
        (new Cutting($this->pen))->divide($id, (int) $n);
    }

    private function offset(string $rest): void
    {
        [$of, $m] = $this->ofThings($rest, 'by (.+?)( inside| outside)?', 'offset l1 l2 by 3 inside');
        (new Beside($this->pen))->offset($of, $this->length($m[0]), $m[0], trim($m[1] ?? '') !== 'outside');
    }

    private function corner(bool $round, string $rest): void
    {
        [$of, [$size]] = $this->ofThings($rest, '(?:by|radius) (.+)', $round ? 'round l1 l2 by 4' : 'chamfer l1 l2 by 2');
        $of = array_values(array_unique($of));
        if (count($of) < 2) {
            throw new UnreadableLine('A corner needs two lines.');
        }
        // all corners of what is picked, or the one of two lines
        $done = 0;
        $lead = $size;
        foreach ($of as $i => $a) {
            foreach (array_slice($of, $i + 1) as $b) {
                [$e, $f] = [$this->pen->sketch->entities[$a] ?? null, $this->pen->sketch->entities[$b] ?? null];
                if ($e !== null && $f !== null && count(array_intersect($e->points, $f->points)) === 1) {
                    (new Copying($this->pen))->corner($a, $b, $this->length($size), $lead, $round);
                    // the others take their size from the first
                    $lead = $done === 0 ? $this->sizeDrawnLast($round) : $lead;
                    $done++;
                }
            }
        }
        if ($done === 0) {
            throw new UnreadableLine('These lines have no corner in common.');
        }
    }

    private function sizeDrawnLast(bool $round): string
    {
        $ids = array_keys(array_filter($this->pen->sketch->relations, static fn (Relation $r): bool => $r->kind->isDimension()));

        return (string) $ids[count($ids) - ($round ? 1 : 2)];
    }

    private function mirror(string $rest): void
    {
        if (! preg_match('/^(.+) over (\S+)$/i', $rest, $m)) {
            throw new UnreadableLine('Type it as “mirror c1 over v-axis”.');
        }
        (new Copying($this->pen))->mirror(array_map($this->known(...), explode(' ', $m[1])), $m[2]);
    }

    private function row(string $rest): void
    {
        [$of, [$n, $by]] = $this->ofThings($rest, '(\d+) by (.+)', 'row c1 4 by 12, 0');
        [$u, $v] = $this->place($by);
        (new Copying($this->pen))->row($of, (int) $n, $u, $v);
    }

    private function around(string $rest): void
    {
        [$of, [$n, $about]] = $this->ofThings($rest, '(\d+) about (.+)', 'around c1 6 about origin');
        (new Copying($this->pen))->around($of, (int) $n, $this->spot($about));
    }

    private function shift(string $verb, string $rest): void
    {
        [$of, $m] = $this->ofThings($rest, 'by (.+?)(?: about (.+))?', $verb === 'shift' ? 'shift l1 by 5, 0' : "$verb l1 by 30 about origin");
        [$mu, $mv] = isset($m[1]) ? $this->place($m[1]) : [0.0, 0.0];
        $copying = new Copying($this->pen);
        if ($verb === 'shift') {
            [$du, $dv] = $this->place($m[0]);
            $copying->moved($of, static fn (float $u, float $v): array => [$u + $du, $v + $dv]);
        } elseif ($verb === 'turn') {
            $a = deg2rad(Expression::number($m[0]));
            [$c, $s] = [cos($a), sin($a)];
            $copying->moved($of, static fn (float $u, float $v): array => [$mu + $c * ($u - $mu) - $s * ($v - $mv), $mv + $s * ($u - $mu) + $c * ($v - $mv)]);
        } else {
            $k = Expression::number($m[0]);
            if ($k < 0.001 || $k > 1000) {
                throw new UnreadableLine('Things are scaled by 0.001 to 1000.');
            }
            $copying->moved($of, static fn (float $u, float $v): array => [$mu + $k * ($u - $mu), $mv + $k * ($v - $mv)], $k);
        }
    }

    private function role(Role $role, string $rest): void
    {
        foreach (explode(' ', $rest) as $id) {
            $e = $this->pen->sketch->entities[$id] ?? throw new UnreadableLine("There is no line called “{$id}”.");
            $this->pen->sketch = $this->pen->sketch->withEntity(new Entity($e->id, $e->kind, $e->points, $e->size, $role));
        }
    }

    private function relation(string $typed): void
    {
        $lower = strtolower($typed);
        // the longer words first: "diameter across" before "diameter"
        $kinds = RelationKind::cases();
        usort($kinds, static fn (RelationKind $a, RelationKind $b): int => strlen($b->value) <=> strlen($a->value));
        foreach ($kinds as $kind) {
            if (! str_starts_with($lower . ' ', $kind->value . ' ')) {
                continue;
            }
            $rest = trim(substr($typed, strlen($kind->value)));
            [$ids, $value] = array_map('trim', [...explode('=', $rest, 2), '']);
            $of = $ids === '' ? [] : explode(' ', $ids);
            foreach ($of as $id) {
                if ($id !== Sketch::ORIGIN && ! isset(Sketch::AXES[$id]) && ! isset($this->pen->sketch->points[$id]) && ! isset($this->pen->sketch->entities[$id])) {
                    throw new UnreadableLine("There is nothing called “{$id}”.");
                }
            }
            if ($of === []) {
                throw new UnreadableLine("Type of what, for instance “{$kind->value} " . ($kind->isDimension() ? 'l1 = 40' : 'l1 l2') . '”.');
            }
            if (! $kind->isDimension()) {
                $this->pen->relate($kind, ...$of);
            } else {
                $this->pen->size($kind, $value !== '' ? $value : self::measured($this->pen->sketch, $kind, $of, $this->unit), ...$of);
            }

            return;
        }
        throw new UnreadableLine('Cubo does not know “' . explode(' ', $typed)[0] . '” here. Begin with what to draw or to settle: ' . implode(', ', ['line', 'rectangle', 'circle', 'slot', 'horizontal', 'equal', 'length']) . ' ...');
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
        $v = Measured::value($s, new Relation('new', $kind, $of)) ?? throw new UnreadableLine('Between these things there is no ' . $kind->value . '.');

        return self::number(round($kind === RelationKind::Angle ? $v : $v / $unit->inMillimetres(), 3));
    }
}
