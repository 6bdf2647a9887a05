<?php

declare(strict_types=1);

namespace Cubo\Sketch\Solve;

use Cubo\Sketch\Entity;
use Cubo\Sketch\EntityKind;
use Cubo\Sketch\Sketch;

/** One of the independent ways in which a sketch can still move, to first order. */
final readonly class Way
{
    /**
     * @param array<string, array{float,float}> $points how much each moves; the farthest by 1
     * @param array<string, float> $sizes by entity: how much its radius or half axis changes
     */
    public function __construct(public array $points, public array $sizes) {}

    /** For instance "c1 can slide up and down". */
    public function words(Sketch $s): string
    {
        if ($this->points === []) {
            return self::named(array_keys($this->sizes)) . ' can change ' . (count($this->sizes) === 1 ? 'its size' : 'their size');
        }
        $whole = array_filter(
            $s->entities,
            fn(Entity $e): bool => $e->kind !== EntityKind::Text && array_diff($e->points, array_keys($this->points)) === [],
        );
        // a middle goes by the name of what is round about it
        $covered = array_merge(...array_values(array_map(static fn(Entity $e): array => $e->points, $whole)), ...[[]]);
        $what = [...array_keys($whole), ...array_diff(array_keys($this->points), $covered)];
        $vectors = array_values($this->points);
        foreach ($vectors as [$u, $v]) {
            if (hypot($u - $vectors[0][0], $v - $vectors[0][1]) > 1e-6) {
                return self::named($what) . (count($what) === 1 ? ' can move or turn' : ' can move together');
            }
        }
        $how = (new Movement(1, $vectors[0]))->words('');

        return self::named($what) . " $how" . (count($what) === 1 ? '' : ' together') . ($this->sizes === [] ? '' : ', changing in size');
    }

    /** @param array<array-key, string> $ids */
    private static function named(array $ids): string
    {
        $ids = array_values($ids);
        $more = count($ids) - 3;

        return $more > 0
            ? implode(', ', array_slice($ids, 0, 3)) . " and $more more"
            : implode(' and ', array_filter([implode(', ', array_slice($ids, 0, -1)), end($ids)]));
    }
}
