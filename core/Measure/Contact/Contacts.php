<?php

declare(strict_types=1);

namespace Cubo\Measure\Contact;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Solid\Solid;

/** How the bodies of one solid lie to each other, pair by pair. */
final class Contacts
{
    /** Room for true faces that go beyond the boxes of their facets, mm. */
    private const STRAY = 0.2;

    /**
     * @param list<list<int>> $bodies triangles of each, as Bodies::of tells them
     * @param float $within mm; pairs that are farther apart are left out
     * @param (callable(int, int): bool)|null $asked which pairs are looked at; all of them without it
     * @return list<array{int, int, Contact}> the nearest first
     *
     * @throws OverBudget
     */
    public static function among(Solid $s, array $bodies, float $within, Budget $budget = new Budget(), ?callable $asked = null): array
    {
        $sets = [];
        $out = [];
        $boxes = array_map(static fn(array $triangles): array => self::box($s, $triangles), $bodies);
        for ($i = 0; $i < count($bodies); $i++) {
            $budget->spend(1 + intdiv(count($bodies) - $i, 4));
            for ($j = $i + 1; $j < count($bodies); $j++) {
                if (TriangleSet::apart2($boxes[$i], $boxes[$j]) > ($within + self::STRAY) ** 2 || ($asked !== null && !$asked($i, $j))) {
                    continue;
                }
                $contact = Contact::of(
                    $sets[$i] ??= new TriangleSet($s, $bodies[$i], $budget),
                    $sets[$j] ??= new TriangleSet($s, $bodies[$j], $budget),
                    $within,
                );
                if ($contact->gap < INF) {
                    $out[] = [$i, $j, $contact];
                }
            }
        }
        usort($out, static fn(array $p, array $q): int => $p[2]->gap <=> $q[2]->gap);

        return $out;
    }

    /**
     * @param list<int> $triangles
     * @return array{float,float,float,float,float,float}
     */
    private static function box(Solid $s, array $triangles): array
    {
        $box = [INF, INF, INF, -INF, -INF, -INF];
        foreach ($triangles as $t) {
            for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                $v = $s->start[$h];
                $box = [
                    min($box[0], $s->x[$v]),
                    min($box[1], $s->y[$v]),
                    min($box[2], $s->z[$v]),
                    max($box[3], $s->x[$v]),
                    max($box[4], $s->y[$v]),
                    max($box[5], $s->z[$v]),
                ];
            }
        }

        return $box;
    }
}
