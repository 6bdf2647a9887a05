<?php

declare(strict_types=1);

namespace Cubo\Sketch\Draw;

use Cubo\Quantity\Expression;
use Cubo\Sketch\EntityKind;
use Cubo\Sketch\Relation;
use Cubo\Sketch\RelationKind;
use Cubo\Sketch\Role;
use Cubo\Sketch\Sketch;

/** Changes and settles what is drawn, as it is typed. */
final class TypedChange
{
    public function __construct(private readonly Words $words) {}

    public function read(string $verb, string $rest, string $typed): void
    {
        match ($verb) {
            'remove' => $this->remove($rest),
            'move' => $this->move($rest),
            'name' => $this->rename($rest),
            'trim', 'split', 'extend' => $this->cut($verb, $rest),
            'divide' => $this->divide($rest),
            'offset' => $this->offset($rest),
            'round', 'chamfer' => $this->corner($verb === 'round', $rest),
            'mirror' => $this->mirror($rest),
            'row' => $this->row($rest),
            'around' => $this->around($rest),
            'shift', 'turn', 'scale' => $this->shift($verb, $rest),
            'copy' => $this->copy($rest),
            'outline', 'construction', 'centre' => $this->role(Role::from($verb), $rest),
            default => $this->relation($typed),
        };
    }

    private function cut(string $verb, string $rest): void
    {
        [[$id], [$at]] = $this->words->ofThings($rest, 'at (.+)', "$verb l1 at 5, 0");
        $cutting = new Cutting($this->words->pen);
        [$u, $v] = $this->words->place($at);
        match ($verb) {
            'trim' => $cutting->trim($id, $u, $v),
            'split' => $cutting->split($id, $u, $v),
            default => $cutting->extend($id, $u, $v),
        };
    }

    private function divide(string $rest): void
    {
        [[$id], [$n]] = $this->words->ofThings($rest, '(?:into )?(\d+)', 'divide c1 6');
        (new Cutting($this->words->pen))->divide($id, (int) $n);
    }

    private function offset(string $rest): void
    {
        [$of, $m] = $this->words->ofThings($rest, 'by (.+?)( inside| outside)?', 'offset l1 l2 by 3 inside');
        (new Beside($this->words->pen))->offset($of, $this->words->length($m[0]), $m[0], trim($m[1] ?? '') !== 'outside');
    }

    private function corner(bool $round, string $rest): void
    {
        [$of, [$size]] = $this->words->ofThings($rest, '(?:by|radius) (.+)', $round ? 'round l1 l2 by 4' : 'chamfer l1 l2 by 2');
        $of = array_values(array_unique($of));
        if (count($of) < 2) {
            throw new UnreadableLine('A corner needs two lines.');
        }
        // all corners of what is picked, or the one of two lines
        $done = 0;
        $lead = $size;
        foreach ($of as $i => $a) {
            foreach (array_slice($of, $i + 1) as $b) {
                [$e, $f] = [$this->words->pen->sketch->entities[$a] ?? null, $this->words->pen->sketch->entities[$b] ?? null];
                if ($e !== null && $f !== null && count(array_intersect($e->points, $f->points)) === 1) {
                    (new Copying($this->words->pen))->corner($a, $b, $this->words->length($size), $lead, $round);
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
        $ids = array_keys(array_filter($this->words->pen->sketch->relations, static fn(Relation $r): bool => $r->kind->isDimension()));

        return (string) $ids[count($ids) - ($round ? 1 : 2)];
    }

    private function mirror(string $rest): void
    {
        if (!preg_match('/^(.+) over (\S+)$/i', $rest, $m)) {
            throw new UnreadableLine('Type it as “mirror c1 over v-axis”.');
        }
        (new Copying($this->words->pen))->mirror(array_map($this->words->known(...), explode(' ', $m[1])), $m[2]);
    }

    private function row(string $rest): void
    {
        [$of, [$n, $by]] = $this->words->ofThings($rest, '(\d+) by (.+)', 'row c1 4 by 12, 0');
        [$u, $v] = $this->words->place($by);
        (new Copying($this->words->pen))->row($of, (int) $n, $u, $v);
    }

    private function around(string $rest): void
    {
        [$of, [$n, $about]] = $this->words->ofThings($rest, '(\d+) about (.+)', 'around c1 6 about origin');
        (new Copying($this->words->pen))->around($of, (int) $n, $this->words->spot($about));
    }

    private function shift(string $verb, string $rest): void
    {
        [$of, $m] = $this->words->ofThings(
            $rest,
            'by (.+?)(?: about (.+))?',
            $verb === 'shift' ? 'shift l1 by 5, 0' : "$verb l1 by 30 about origin",
        );
        [$mu, $mv] = isset($m[1]) ? $this->words->place($m[1]) : [0.0, 0.0];
        $copying = new Copying($this->words->pen);
        if ($verb === 'shift') {
            [$du, $dv] = $this->words->place($m[0]);
            $copying->moved($of, static fn(float $u, float $v): array => [$u + $du, $v + $dv]);
        } elseif ($verb === 'turn') {
            foreach ($of as $id) {
                $text = $this->words->pen->sketch->entities[$id] ?? null;
                if ($text?->kind === EntityKind::Text && count($text->points) === 1) {
                    throw new UnreadableLine("$id lies level. Text turns with a line it runs along: “text \"{$text->text}\" 8 along l1”.");
                }
            }
            $a = deg2rad(Expression::number($m[0]));
            [$c, $s] = [cos($a), sin($a)];
            $copying->moved(
                $of,
                static fn(float $u, float $v): array => [$mu + $c * ($u - $mu) - $s * ($v - $mv), $mv + $s * ($u - $mu) + $c * ($v - $mv)],
            );
        } else {
            $k = Expression::number($m[0]);
            if ($k < 0.001 || $k > 1000) {
                throw new UnreadableLine('Things are scaled by 0.001 to 1000.');
            }
            $copying->moved($of, static fn(float $u, float $v): array => [$mu + $k * ($u - $mu), $mv + $k * ($v - $mv)], $k);
        }
    }

    /** A copy that stands on its own. */
    private function copy(string $rest): void
    {
        [$of, [$by]] = $this->words->ofThings($rest, 'by (.+)', 'copy l1 l2 by 20, 0');
        [$du, $dv] = $this->words->place($by);
        if (hypot($du, $dv) < 1e-6) {
            throw new UnreadableLine('The copy would lie on what it is copied from.');
        }
        (new Copying($this->words->pen))->copied($of, static fn(float $u, float $v): array => [$u + $du, $v + $dv], false, false);
    }

    private function role(Role $role, string $rest): void
    {
        foreach (explode(' ', $rest) as $id) {
            $e = $this->words->pen->sketch->entities[$id] ?? throw new UnreadableLine("There is no line called “{$id}”.");
            $this->words->pen->sketch = $this->words->pen->sketch->withEntity($e->as($role));
        }
    }

    private function remove(string $rest): void
    {
        foreach (explode(' ', $rest) as $id) {
            $this->words->pen->sketch = $this->words->pen->sketch->without($this->words->known($id));
        }
    }

    private function move(string $rest): void
    {
        if (!preg_match('/^(\S+) to (.+)$/i', $rest, $m) || !isset($this->words->pen->sketch->points[$m[1]])) {
            throw new UnreadableLine('Type which point goes where, for instance “move p1 to 5, 5”.');
        }
        $parts = preg_split('/\s*;\s*|,\s+/', $m[2]) ?: [];
        if (count($parts) !== 2) {
            throw new UnreadableLine("“{$m[2]}” is no place. Type two numbers, for instance 10, 5.");
        }
        $this->words->pen->sketch = $this->words->pen->sketch->withPoint(
            $m[1],
            $this->words->expression($parts[0]),
            $this->words->expression($parts[1]),
        );
    }

    /** Gives a dimension a name; values that use it follow. */
    private function rename(string $rest): void
    {
        if (!preg_match('/^(\S+) (?:as )?([a-z][a-z0-9_]{0,23})$/', $rest, $m)) {
            throw new UnreadableLine('A name is a small letter, then small letters, digits and _: “name d1 as width”.');
        }
        $s = $this->words->pen->sketch;
        $r = $s->relations[$m[1]] ?? null;
        if ($r === null || !$r->kind->isDimension()) {
            throw new UnreadableLine("There is no dimension called “{$m[1]}”.");
        }
        if (
            isset($s->relations[$m[2]]) ||
            isset($s->points[$m[2]]) ||
            isset($s->entities[$m[2]]) ||
            isset(Expression::UNITS[$m[2]]) ||
            $m[2] === Sketch::ORIGIN
        ) {
            throw new UnreadableLine("“{$m[2]}” means something else already.");
        }
        $relations = [];
        foreach ($s->relations as $x) {
            $x = $x->valued((string) preg_replace('/(?<![a-z0-9_])' . $m[1] . '(?![a-z0-9_])/', $m[2], $x->value));
            $x = $x->id === $m[1] ? new Relation($m[2], $x->kind, $x->of, $x->value, $x->measured) : $x;
            $relations[$x->id] = $x;
        }
        $this->words->pen->sketch = new Sketch($s->points, $s->entities, $relations);
    }

    private function relation(string $typed): void
    {
        $lower = strtolower($typed);
        // the longer words first: "diameter across" before "diameter"
        $kinds = RelationKind::cases();
        usort($kinds, static fn(RelationKind $a, RelationKind $b): int => strlen($b->value) <=> strlen($a->value));
        foreach ($kinds as $kind) {
            if (!str_starts_with($lower . ' ', $kind->value . ' ')) {
                continue;
            }
            $rest = trim(substr($typed, strlen($kind->value)));
            [$ids, $value] = array_map('trim', [...explode('=', $rest, 2), '']);
            $of = $ids === '' ? [] : explode(' ', $ids);
            foreach ($of as $id) {
                if (
                    $id !== Sketch::ORIGIN &&
                    !isset(Sketch::AXES[$id]) &&
                    !isset($this->words->pen->sketch->points[$id]) &&
                    !isset($this->words->pen->sketch->entities[$id])
                ) {
                    throw new UnreadableLine("There is nothing called “{$id}”.");
                }
            }
            if ($of === []) {
                throw new UnreadableLine(
                    "Type of what, for instance “{$kind->value} " . ($kind->isDimension() ? 'l1 = 40' : 'l1 l2') . '”.',
                );
            }
            if (!$kind->isDimension()) {
                $this->words->pen->relate($kind, ...$of);
            } else {
                $this->words->pen->size(
                    $kind,
                    $value !== '' ? $value : Words::measured($this->words->pen->sketch, $kind, $of, $this->words->unit),
                    ...$of,
                );
            }

            return;
        }
        throw new UnreadableLine(
            'Cubo does not know “' .
                explode(' ', $typed)[0] .
                '” here. Begin with what to draw or to settle: ' .
                implode(', ', ['line', 'rectangle', 'circle', 'slot', 'horizontal', 'equal', 'length']) .
                ' ...',
        );
    }
}
