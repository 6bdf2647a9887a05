<?php

declare(strict_types=1);

namespace Cubo\Sketch\Solve;

use Cubo\Sketch\Sketch;

/** Shows how a sketch can still move. */
final class Moving
{
    /** How far a sketch is moved to show a way, as a share of its size. */
    private const SHOWN = 0.05;

    /** A size shrinks to this share of itself at most. */
    private const LEAST = 0.5;

    /**
     * The sketch moved a little this way, and back from there to where its relations hold.
     *
     * @param array<string, float> $values of the dimensions
     */
    public static function along(Way $way, Sketch $s, array $values, bool $back): Sketch
    {
        $by = ($back ? -1 : 1) * self::SHOWN * $s->size();
        foreach ($way->points as $id => [$du, $dv]) {
            [$u, $v] = $s->point($id);
            $s = $s->withPoint($id, $u + $by * $du, $v + $by * $dv);
        }
        foreach ($way->sizes as $id => $d) {
            // what is small shrinks by half at most
            $s = $s->withEntity($s->entities[$id]->sized(max(self::LEAST * $s->entities[$id]->size, $s->entities[$id]->size + $by * $d)));
        }
        SketchSolver::settle($s, $values);

        return $s;
    }
}
