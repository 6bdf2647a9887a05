<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Budget\OverBudget;
use Cubo\Measure\Bodies;
use Cubo\Measure\Contact\Contacts;
use Cubo\Recipe\Kind\Warns;
use Cubo\Recipe\Message;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Solid;

/** What a step that works might still not be meant to do. */
final class Warnings
{
    /** How far something may stand clear of the part for the gap to be told, mm. */
    private const CLEAR = 10.0;

    /** @param Solid $before the part before the step */
    public static function of(Solid $before, Solid $after, Task $t): ?Message
    {
        if ($before->isEmpty()) {
            return null;
        }

        try {
            return self::own($after, $t) ?? self::apart($before, $after, $t);
        } catch (OverBudget) {
            // only a hint: where looking for it would cost too much, there is none
            return null;
        }
    }

    private static function own(Solid $after, Task $t): ?Message
    {
        try {
            return $t->step->kind instanceof Warns ? $t->step->kind->warning($after, $t) : null;
        } catch (StepProblem) {
            return null;
        }
    }

    /** Something that is added and does not touch the part, or only along an edge or in a point. */
    private static function apart(Solid $before, Solid $after, Task $t): ?Message
    {
        $adds = $t->text('effect') === 'add' && $t->text('of') !== 'step';
        if (!$adds || count($bodies = Bodies::of($after)) <= count(Bodies::of($before))) {
            return null;
        }
        $own = array_map(static fn(array $b): bool => self::ofStep($after, $b, $t->step->id), $bodies);
        $contacts = Contacts::among($after, $bodies, self::CLEAR, $t->budget, static fn(int $i, int $j): bool => $own[$i] !== $own[$j]);
        $near = $contacts[0][2] ?? null;
        if ($near?->seemsJoined() === true) {
            $how = match (true) {
                !$near->touches() => 'overlaps by only ' . self::size(-$near->gap, $t),
                $near->isLine() => 'only touches along a line of ' . self::size($near->length, $t),
                default => 'only touches in a point',
            };

            return new Message(
                'touches-edge',
                "This $how.",
                'Both look joined, but nothing holds them together: there is one piece more now. Let it overlap the part more, or share a face with it.',
                null,
                true,
            );
        }

        return new Message(
            'stands-apart',
            $near === null ? 'This stands clear of the part.' : 'This stands ' . self::size($near->gap, $t) . ' clear of the part.',
            'It does not touch the part anywhere, so there is one piece more now. If that is meant, all is well.',
            null,
            true,
        );
    }

    private static function size(float $mm, Task $t): string
    {
        return $t->unit->brief(round($mm, 4)) . " {$t->unit->value}";
    }

    /** @param list<int> $triangles */
    private static function ofStep(Solid $s, array $triangles, string $id): bool
    {
        foreach ($triangles as $f) {
            if (str_starts_with($s->surfaceOfTriangle($f)->name, "$id:")) {
                return true;
            }
        }

        return false;
    }
}
