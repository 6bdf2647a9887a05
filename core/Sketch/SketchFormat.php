<?php

declare(strict_types=1);

namespace Cubo\Sketch;

use Cubo\Budget\Limits;
use InvalidArgumentException;

/**
 * A sketch as data: {"points": {"p1": [u, v]}, "lines": [{"id", "kind", "points", "size", "role"}],
 * "relations": [{"id", "kind", "of", "value", "measured"}]}; coordinates in mm, see docs/recipe.md.
 */
final class SketchFormat
{
    /** mm */
    private const MOST = 20000.0;

    /**
     * @return array{points: array<string, array{float,float}>, lines: list<array<string, mixed>>, relations: list<array<string, mixed>>}
     */
    public static function write(Sketch $s): array
    {
        return [
            'points' => $s->points,
            'lines' => array_map(
                static fn(Entity $e): array => ['id' => $e->id, 'kind' => $e->kind->value, 'points' => $e->points] +
                    ($e->size > 0 ? ['size' => $e->size] : []) +
                    ($e->role !== Role::Outline ? ['role' => $e->role->value] : []) +
                    ($e->text !== '' ? ['text' => $e->text] : []) +
                    ($e->edge !== '' ? ['edge' => $e->edge] : []),
                array_values($s->entities),
            ),
            'relations' => array_map(
                static fn(Relation $r): array => ['id' => $r->id, 'kind' => $r->kind->value, 'of' => $r->of] +
                    ($r->value !== '' ? ['value' => $r->value] : []) +
                    ($r->measured ? ['measured' => true] : []),
                array_values($s->relations),
            ),
        ];
    }

    /** @throws InvalidArgumentException with a sentence for whoever wrote the file */
    public static function read(mixed $raw): Sketch
    {
        if (!is_array($raw)) {
            throw new InvalidArgumentException('a drawing is an object of points, lines and relations');
        }
        $unknown = array_diff(array_keys($raw), ['points', 'lines', 'relations']);
        if ($unknown !== []) {
            throw new InvalidArgumentException('a drawing has no "' . reset($unknown) . '"');
        }
        $points = [];
        foreach (self::listed($raw, 'points', Limits::POINTS) as $id => $p) {
            self::checkId($id);
            if (!is_array($p) || !array_is_list($p) || count($p) !== 2) {
                throw new InvalidArgumentException("point $id is not a pair of numbers");
            }
            $points[(string) $id] = [self::number($p[0], "point $id"), self::number($p[1], "point $id")];
        }
        $entities = [];
        foreach (self::listed($raw, 'lines', Limits::LINES) as $l) {
            $e = self::entity($l);
            if (isset($entities[$e->id]) || isset($points[$e->id])) {
                throw new InvalidArgumentException("two things are called {$e->id}");
            }
            $entities[$e->id] = $e;
        }
        $relations = [];
        foreach (self::listed($raw, 'relations', Limits::RELATIONS) as $l) {
            $r = self::relation($l);
            if (isset($relations[$r->id])) {
                throw new InvalidArgumentException("two relations are called {$r->id}");
            }
            $relations[$r->id] = $r;
        }
        try {
            return new Sketch($points, $entities, $relations);
        } catch (InvalidArgumentException $e) {
            throw new InvalidArgumentException(lcfirst(rtrim($e->getMessage(), '.')));
        }
    }

    /**
     * @param array<array-key, mixed> $raw
     * @return array<array-key, mixed>
     */
    private static function listed(array $raw, string $key, int $most): array
    {
        $list = $raw[$key] ?? [];
        if (!is_array($list)) {
            throw new InvalidArgumentException("\"$key\" is no list");
        }
        if (count($list) > $most) {
            throw new InvalidArgumentException("a drawing has at most $most $key");
        }

        return $list;
    }

    private static function checkId(mixed $id): string
    {
        if (!is_string($id) || !preg_match('/^[a-z][a-z0-9_]{0,23}$/', $id) || $id === Sketch::ORIGIN) {
            throw new InvalidArgumentException(
                'an id is a small letter with small letters, digits and _ after it, "' . (is_scalar($id) ? $id : '') . '" is not',
            );
        }

        return $id;
    }

    private static function number(mixed $v, string $of): float
    {
        if ((!is_int($v) && !is_float($v)) || !is_finite((float) $v) || abs($v) > self::MOST) {
            throw new InvalidArgumentException("$of needs numbers within 20 metres");
        }

        return (float) $v;
    }

    /** @return list<string> */
    private static function ids(mixed $list, string $of, int $most): array
    {
        if (!is_array($list) || !array_is_list($list) || $list === [] || count($list) > $most) {
            throw new InvalidArgumentException("$of refers to nothing, or to too much");
        }

        return array_map(
            static fn(mixed $id): string => is_string($id)
                ? $id
                : throw new InvalidArgumentException("$of refers to something without a name"),
            $list,
        );
    }

    private static function entity(mixed $l): Entity
    {
        $l = is_array($l) ? $l : [];
        $id = self::checkId($l['id'] ?? null);
        $kind =
            EntityKind::tryFrom(is_string($l['kind'] ?? null) ? $l['kind'] : '') ??
            throw new InvalidArgumentException("$id is none of " . implode(', ', array_column(EntityKind::cases(), 'value')));
        $points = self::ids($l['points'] ?? null, $id, Limits::CURVE);
        $needed = match ($kind) {
            EntityKind::Line, EntityKind::Ellipse => [2, 2],
            EntityKind::Circle => [1, 1],
            EntityKind::Text => [1, 2],
            EntityKind::Arc => [3, 3],
            EntityKind::Curve => [2, Limits::CURVE],
        };
        if (count($points) < $needed[0] || count($points) > $needed[1]) {
            throw new InvalidArgumentException("$id has the wrong count of points");
        }
        $size = $kind === EntityKind::Line || $kind === EntityKind::Curve ? 0.0 : self::number($l['size'] ?? null, $id);
        if ($size < 0 || ($size === 0.0 && $kind !== EntityKind::Line && $kind !== EntityKind::Curve)) {
            throw new InvalidArgumentException("$id needs a size above zero");
        }
        $role =
            Role::tryFrom(is_string($l['role'] ?? null) ? $l['role'] : 'outline') ??
            throw new InvalidArgumentException("the role of $id is none of " . implode(', ', array_column(Role::cases(), 'value')));

        $text = $kind === EntityKind::Text && is_string($l['text'] ?? null) ? $l['text'] : '';
        if ($kind === EntityKind::Text && (trim($text) === '' || mb_strlen($text) > Limits::LETTERS)) {
            throw new InvalidArgumentException("$id needs 1 to " . Limits::LETTERS . ' letters');
        }

        $edge = is_string($l['edge'] ?? null) ? $l['edge'] : '';
        if ($edge !== '' && (($kind !== EntityKind::Line && !$kind->round()) || strlen($edge) > Limits::NAME)) {
            throw new InvalidArgumentException("$id is no line, circle or arc, and only those can follow an edge");
        }

        return new Entity($id, $kind, $points, $size, $role, $text, $edge);
    }

    private static function relation(mixed $l): Relation
    {
        $l = is_array($l) ? $l : [];
        $id = self::checkId($l['id'] ?? null);
        $kind =
            RelationKind::tryFrom(is_string($l['kind'] ?? null) ? $l['kind'] : '') ??
            throw new InvalidArgumentException("relation $id is none of " . implode(', ', array_column(RelationKind::cases(), 'value')));
        $value = $l['value'] ?? '';
        if (!is_string($value) && !is_int($value) && !is_float($value)) {
            throw new InvalidArgumentException("the value of $id is neither text nor a number");
        }

        return new Relation(
            $id,
            $kind,
            self::ids($l['of'] ?? null, $id, Limits::RELATED),
            $kind->isDimension() ? mb_substr((string) $value, 0, Limits::TYPED + 1) : '',
            ($l['measured'] ?? false) === true,
        );
    }
}
