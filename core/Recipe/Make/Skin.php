<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Geometry\Transform;
use Cubo\Recipe\Message;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Solid;

/** A cut that stops just short of going through. */
final class Skin
{
    /** A skin thinner than this, mm, or than this share of the depth, is taken for one that was not meant. */
    private const THIN = 1.0;

    private const SHARE = 0.1;

    /** mm: less is no skin */
    private const NOTHING = 1e-6;

    /**
     * @param string $end what the face at its end is called; where the part has none, it went through
     * @param float $sign of the way it goes along the plane's normal
     * @param float $depth mm from the plane
     *
     * @throws StepProblem
     */
    public static function left(Solid $after, Task $t, string $end, Transform $place, float $sign, float $depth): ?Message
    {
        if (!self::hasFace($after, $t->step->id, $end)) {
            return null;
        }
        [$low, $high] = $t->heights($place);
        $left = ($sign > 0 ? $high : -$low) - $depth;
        if ($left < self::NOTHING || $left > max(self::THIN, self::SHARE * $depth)) {
            return null;
        }
        $through = $t->step->kind->field('extent')?->options()['through'] ?? 'through';

        return new Message(
            'skin-left',
            'This does not go through.',
            $t->unit->brief($left) . " {$t->unit->value} is left. “{$through}” keeps it through whatever the part’s thickness is.",
            'extent',
            true,
            ['words' => 'Make it go through', 'values' => ['extent' => 'through']],
        );
    }

    private static function hasFace(Solid $s, string $id, string $role): bool
    {
        foreach ($s->surfaces as $surface) {
            if ($surface->name === "$id:$role" || str_starts_with($surface->name, "$id:$role ")) {
                return true;
            }
        }

        return false;
    }
}
