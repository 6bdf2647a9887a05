<?php

declare(strict_types=1);

namespace Cubo\Sketch\Draw;

use Cubo\Budget\Limits;
use Cubo\Quantity\Unit;
use Cubo\Sketch\DimensionValues;
use Cubo\Sketch\EntityKind;
use Cubo\Sketch\Relation;
use Cubo\Sketch\RelationKind;
use Cubo\Sketch\RelationWords;
use Cubo\Sketch\Role;
use Cubo\Sketch\Sketch;
use Cubo\Sketch\SketchFormat;
use Cubo\Sketch\Solve\SketchSolver;
use Cubo\Sketch\Solve\SolvedSketch;
use Cubo\Sketch\Solve\SolvingTooLong;
use Cubo\Sketch\Solve\UnfitRelation;
use InvalidArgumentException;

/** The edits a person makes on the pad. Each is made only when all relations can be kept after it. */
final class PadEdit
{
    /** mm; as far as the format goes */
    private const FARTHEST = 20000.0;

    /**
     * @param array<string, mixed> $in "do" and what belongs to it
     * @param (callable(string): (array{float,int}|null))|null $outer names known beyond the sketch
     *
     * @throws Refusal
     */
    public static function make(Sketch $s, array $in, Unit $unit, ?callable $outer = null): SolvedSketch
    {
        try {
            $after = match ($in['do'] ?? null) {
                'draw' => self::drawn($s, self::text($in, 'tool'), self::spots($in['spots'] ?? []), (array) ($in['options'] ?? [])),
                'type' => TypedLine::draw($s, self::text($in, 'text'), $unit, $outer),
                'relate' => self::related($s, $in),
                'size' => self::sized($s, self::ids($in), $unit),
                'value' => self::valued($s, $in),
                'remove' => array_reduce(self::ids($in), static fn(Sketch $x, string $id): Sketch => $x->without($id), $s),
                'role' => self::withRole($s, self::ids($in), Role::tryFrom(self::text($in, 'role')) ?? Role::Outline),
                'drag' => self::dragged($s, $in, $unit, $outer),
                'close' => self::closed($s, self::ids($in), $unit, $outer),
                default => $s,
            };
        } catch (UnreadableLine | UnfitRelation | SolvingTooLong | InvalidArgumentException $e) {
            throw new Refusal($e->getMessage());
        }
        foreach ($s->entities as $id => $e) {
            $now = $after->entities[$id] ?? null;
            if (
                $e->edge !== '' &&
                $now !== null &&
                ($now->points !== $e->points || array_map($s->point(...), $e->points) !== array_map($after->point(...), $now->points))
            ) {
                throw new Refusal("$id is an edge of the part and stays where that is. Draw a line over it and change that.");
            }
        }

        return self::held($after, $unit, $outer);
    }

    /**
     * A sketch that is to be kept, with its relations kept.
     *
     * @param (callable(string): (array{float,int}|null))|null $outer
     *
     * @throws Refusal
     */
    public static function held(Sketch $after, Unit $unit, ?callable $outer = null): SolvedSketch
    {
        if (
            count($after->points) > Limits::POINTS ||
            count($after->entities) > Limits::LINES ||
            count($after->relations) > Limits::RELATIONS
        ) {
            throw new Refusal('A sketch holds no more than ' . Limits::LINES . ' lines.');
        }
        $solved = self::solved($after, $unit, $outer);
        try {
            // what is kept must be readable: the reader has the last word on every limit
            SketchFormat::read(SketchFormat::write($solved->sketch));
        } catch (InvalidArgumentException $e) {
            throw new Refusal('This cannot be kept: ' . $e->getMessage() . '. Nothing was changed.');
        }

        return $solved;
    }

    /**
     * @param (callable(string): (array{float,int}|null))|null $outer
     *
     * @throws Refusal
     */
    public static function solved(Sketch $s, Unit $unit, ?callable $outer = null): SolvedSketch
    {
        $read = new DimensionValues($s, $unit, $outer);
        foreach ($read->problems as $id => $problem) {
            throw new Refusal("$id says “{$s->relations[$id]->value}”. $problem", [$id]);
        }
        try {
            $solved = SketchSolver::solve($s, $read->values);
        } catch (UnfitRelation | SolvingTooLong $e) {
            throw new Refusal($e->getMessage());
        }
        if (!$solved->holds()) {
            $names = RelationWords::list($s, $solved->clash, 6);
            throw new Refusal(
                count($solved->clash) === 1
                    ? ucfirst("$names cannot hold here. Nothing was changed.")
                    : "These contradict each other: $names. Nothing was changed.",
                $solved->clash,
            );
        }

        foreach ($solved->sketch->points as $id => [$u, $v]) {
            if (!(abs($u) <= self::FARTHEST && abs($v) <= self::FARTHEST)) {
                throw new Refusal("$id would lie more than 20 metres out. Nothing was changed.");
            }
        }
        foreach ($solved->sketch->entities as $id => $e) {
            // not the other way round: a number that is none is refused too
            if (!($e->size <= self::FARTHEST)) {
                throw new Refusal("$id would be larger than 20 metres. Nothing was changed.");
            }
            if ($e->kind !== EntityKind::Line && $e->kind !== EntityKind::Curve && $e->size <= 0.0) {
                throw new Refusal("$id would shrink to nothing. Nothing was changed.");
            }
        }

        return $solved;
    }

    /** @param array<string, mixed> $in */
    private static function text(array $in, string $key): string
    {
        return is_scalar($in[$key] ?? null) ? (string) $in[$key] : '';
    }

    /** @return list<Spot> */
    private static function spots(mixed $raw): array
    {
        $out = [];
        foreach (is_array($raw) ? array_slice(array_values($raw), 0, 60) : [] as $s) {
            $s = is_array($s) ? $s : [];
            $text = static fn(string $key): ?string => is_string($s[$key] ?? null) && $s[$key] !== '' ? $s[$key] : null;
            [$u, $v] = [$s['u'] ?? null, $s['v'] ?? null];
            if (!is_numeric($u) || !is_numeric($v) || abs((float) $u) > 10000 || abs((float) $v) > 10000) {
                throw new InvalidArgumentException('That is too far out.');
            }
            $on = is_array($s['on'] ?? null) ? array_values(array_filter($s['on'], is_string(...))) : [];
            $out[] = new Spot((float) $u, (float) $v, $text('point'), $on, $text('middleOf'), $text('level'), $text('plumb'));
        }

        return $out;
    }

    /**
     * @param list<Spot> $at
     * @param array<array-key, mixed> $options
     */
    private static function drawn(Sketch $s, string $tool, array $at, array $options): Sketch
    {
        $pen = new Pen($s);
        $needed =
            [
                'point' => 1,
                'line' => 2,
                'rectangle' => 2,
                'rectangle around' => 2,
                'circle' => 2,
                'circle over' => 2,
                'circle through three' => 3,
                'arc' => 3,
                'arc around' => 3,
                'arc on' => 2,
                'slot' => 3,
                'slot over all' => 3,
                'polygon' => 2,
                'ellipse' => 3,
                'curve' => 2,
            ][$tool] ?? null;
        if ($needed === null || count($at) < $needed) {
            throw new InvalidArgumentException('There is not enough to draw that.');
        }
        $first = $at[0];
        $apart = static fn(Spot $x, Spot $y): float => hypot($y->u - $x->u, $y->v - $x->v);
        if ($needed > 1 && $apart($first, $at[1]) < 1e-6) {
            throw new InvalidArgumentException('Both points are one. Draw it a little larger.');
        }
        $p = array_map(
            $pen->point(...),
            in_array($tool, ['circle', 'slot', 'slot over all', 'ellipse'], true) ? array_slice($at, 0, $needed - 1) : $at,
        );
        match ($tool) {
            'point' => null,
            'line' => self::levelled($pen, $pen->line($p[0], $p[1]), $options),
            'rectangle' => $pen->rectangle($p[0], $p[1]),
            'rectangle around' => $pen->rectangleAround($p[0], $p[1]),
            'circle' => $at[1]->point !== null || $at[1]->on !== []
                ? $pen->circleThrough($p[0], $pen->point($at[1]))
                : $pen->circle($p[0], $apart($first, $at[1])),
            'circle over' => $pen->circleOver($p[0], $p[1]),
            'circle through three' => $pen->circleThroughThree($p[0], $p[1], $p[2]),
            'arc' => $pen->arcThrough($p[0], $p[1], $p[2]),
            'arc around' => $pen->arcAround($p[0], $p[1], $p[2]),
            'arc on' => $pen->arcOn(is_string($options['before'] ?? null) ? $options['before'] : '', $p[0], $p[1]),
            'slot' => $pen->slot($p[0], $p[1], 2 * self::off($at[0], $at[1], $at[2])),
            'slot over all' => $pen->slotOverAll($p[0], $p[1], 2 * self::off($at[0], $at[1], $at[2])),
            'polygon' => $pen->polygon($p[0], $p[1], is_numeric($options['sides'] ?? null) ? (int) $options['sides'] : 6),
            'ellipse' => $pen->ellipse($p[0], $p[1], self::off($at[0], $at[1], $at[2])),
            default => $pen->curve($p),
        };

        return $pen->sketch;
    }

    /** @param array<array-key, mixed> $options */
    private static function levelled(Pen $pen, string $line, array $options): string
    {
        if (($options['level'] ?? false) === true) {
            $pen->relate(RelationKind::Horizontal, $line);
        } elseif (($options['plumb'] ?? false) === true) {
            $pen->relate(RelationKind::Vertical, $line);
        }
        // what was caught while the end was looked for
        foreach (['touches' => RelationKind::Tangent, 'square' => RelationKind::Perpendicular] as $key => $kind) {
            if (is_string($options[$key] ?? null)) {
                $pen->relate($kind, $line, $options[$key]);
            }
        }

        return $line;
    }

    private static function off(Spot $a, Spot $b, Spot $p): float
    {
        return max(
            0.01,
            abs(($b->u - $a->u) * ($p->v - $a->v) - ($b->v - $a->v) * ($p->u - $a->u)) / max(1e-9, hypot($b->u - $a->u, $b->v - $a->v)),
        );
    }

    /**
     * @param array<string, mixed> $in
     * @return list<string>
     */
    private static function ids(array $in): array
    {
        return array_values(array_filter(is_array($in['of'] ?? null) ? array_slice($in['of'], 0, 60) : [], is_string(...)));
    }

    /** @param array<string, mixed> $in */
    private static function related(Sketch $s, array $in): Sketch
    {
        $kind = RelationKind::tryFrom(self::text($in, 'kind'));
        $of = self::ids($in);
        if ($kind === null || $kind->isDimension() || $of === []) {
            throw new InvalidArgumentException('Pick first what it is asked of.');
        }
        $pen = new Pen($s);
        // one line alone lies level; several each do
        if (in_array($kind, [RelationKind::Horizontal, RelationKind::Vertical], true) && !(count($of) === 2 && isset($s->points[$of[0]]))) {
            foreach ($of as $id) {
                $pen->relate($kind, $id);
            }
        } else {
            $pen->relate($kind, ...$of);
        }

        return $pen->sketch;
    }

    /** @param list<string> $of */
    private static function sized(Sketch $s, array $of, Unit $unit): Sketch
    {
        $kind = Sizing::kindFor($s, $of);
        $pen = new Pen($s);
        $pen->size($kind, Words::measured($s, $kind, $of, $unit), ...$of);

        return $pen->sketch;
    }

    /** @param array<string, mixed> $in */
    private static function valued(Sketch $s, array $in): Sketch
    {
        $r = $s->relations[self::text($in, 'id')] ?? throw new InvalidArgumentException('This dimension is gone.');
        if (!$r->kind->isDimension()) {
            throw new InvalidArgumentException('Only a dimension has a value.');
        }
        $typed = trim(self::text($in, 'value'));
        // brackets make it a value that is only read
        $measured = preg_match('/^\(.*\)$/', $typed) === 1 && self::text($in, 'value') !== $r->value;

        return $s->withRelation(new Relation($r->id, $r->kind, $r->of, $measured ? '' : mb_substr($typed, 0, 120), $measured));
    }

    /** @param list<string> $of */
    private static function withRole(Sketch $s, array $of, Role $role): Sketch
    {
        foreach ($of as $id) {
            $e = $s->entities[$id] ?? null;
            if ($e !== null) {
                $s = $s->withEntity($e->as($role));
            }
        }

        return $s;
    }

    /**
     * @param array<string, mixed> $in
     * @param (callable(string): (array{float,int}|null))|null $outer
     */
    private static function dragged(Sketch $s, array $in, Unit $unit, ?callable $outer): Sketch
    {
        $point = self::text($in, 'point');
        [$to] = self::spots([$in]);
        if (!isset($s->points[$point])) {
            throw new InvalidArgumentException('This point is gone.');
        }

        return SketchSolver::drag($s, (new DimensionValues($s, $unit, $outer))->values, $point, [$to->u, $to->v]);
    }

    /** @param list<string> $of two points that become one */
    /**
     * @param list<string> $of
     * @param (callable(string): (array{float,int}|null))|null $outer
     */
    private static function closed(Sketch $s, array $of, Unit $unit, ?callable $outer): Sketch
    {
        if (count($of) !== 2) {
            throw new InvalidArgumentException('A gap lies between two ends.');
        }
        $pen = new Pen($s);
        $pen->relate(RelationKind::Coincident, $of[0], $of[1]);
        try {
            self::solved($pen->sketch, $unit, $outer);
        } catch (Refusal) {
            // ends that something else holds apart, as those of an outline beside another, are joined by a line across
            $pen = new Pen($s);
            $pen->line($of[0], $of[1]);
        }

        return $pen->sketch;
    }
}
