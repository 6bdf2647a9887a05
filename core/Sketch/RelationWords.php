<?php

declare(strict_types=1);

namespace Cubo\Sketch;

/** What a relation is called to people: a dimension by the name the pad shows, any other by what it asks of what. */
final class RelationWords
{
    public static function of(Sketch $sketch, string $id): string
    {
        $r = $sketch->relations[$id] ?? null;
        if ($r === null) {
            return isset($sketch->entities[$id]) ? "the shape of $id" : $id;
        }
        if ($r->kind->isDimension()) {
            return "$id ({$r->kind->value}" . ($r->value === '' ? '' : " “{$r->value}”") . ')';
        }

        return "“{$r->kind->value}” of " . implode(' and ', $r->of);
    }

    /**
     * @param list<string> $ids
     * @param int $most that are told one by one
     */
    public static function list(Sketch $sketch, array $ids, int $most): string
    {
        return implode(', ', array_map(static fn(string $id): string => self::of($sketch, $id), array_slice($ids, 0, $most)));
    }
}
