<?php

declare(strict_types=1);

namespace Tests;

use Cubo\Check\Checker;
use Cubo\Check\Exercise;
use Cubo\Check\Kind\Form\Centred;
use Cubo\Check\Proposer;
use Cubo\Check\Report;
use Cubo\Check\Requirement;
use Cubo\Measure\MassProperties;
use Cubo\Measure\PartMeasures;
use Cubo\Quantity\Unit;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\PartState;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\RecipeReader;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Solid;

/** Short ways to parts, so that a test reads like a drawing. Lengths in mm unless a unit is given. */
final class Parts
{
    /** @param list<array<string, mixed>> $steps without ids: they are numbered s1, s2 ... */
    public static function recipe(array $steps, string $unit = 'mm'): Recipe
    {
        foreach ($steps as $i => $s) {
            $steps[$i] = $s + ['id' => 's' . ($i + 1)];
        }

        return RecipeReader::fromArray(['format' => Recipe::FORMAT, 'unit' => $unit, 'steps' => $steps]);
    }

    /** @param list<array<string, mixed>> $steps */
    public static function build(array $steps, string $unit = 'mm'): PartState
    {
        return (new Evaluator())->evaluate(self::recipe($steps, $unit));
    }

    /** @param list<array<string, mixed>> $steps */
    public static function measure(array $steps, string $unit = 'mm'): PartMeasures
    {
        return new PartMeasures(self::build($steps, $unit)->part());
    }

    /** The code of the message at the last step, or the step's status when it says nothing. @param list<array<string, mixed>> $steps */
    public static function outcome(array $steps, string $unit = 'mm'): string
    {
        $r = self::build($steps, $unit)->results['s' . count($steps)];

        return $r->messages === []
            ? $r->status->value
            : $r->messages[0]->code . ($r->messages[0]->field === null ? '' : '@' . $r->messages[0]->field);
    }

    /** Volume by which two solids differ, mm3. */
    public static function unlike(Solid $a, Solid $b): float
    {
        $over = static function (Solid $p, Solid $q): float {
            $d = BooleanOperation::difference($p, $q);

            return $d->isEmpty() ? 0.0 : (new MassProperties($d))->volume;
        };

        return $over($a, $b) + $over($b, $a);
    }

    public static function box(float $w, float $d, float $h, float $x = 0, float $y = 0, float $z = 0, string $name = 'a'): Solid
    {
        return Primitives::block($name, [$x, $y, $z], [$w, $d, $h]);
    }

    /**
     * Checks a part against all that can be asked of a reference part.
     *
     * @param list<array<string, mixed>> $reference
     * @param list<array<string, mixed>> $part
     * @param array<string, float> $limits own nominal values by requirement id; all that is proposed is asked but where the part lies
     */
    public static function check(array $reference, array $part, string $unit = 'mm', array $limits = []): Report
    {
        $u = Unit::from($unit);
        $asked = self::measure($reference, $unit);
        $list = array_map(
            static fn(Requirement $r): Requirement => $r->change(
                nominal: $limits[$r->id] ?? null,
                asked: !($r->kind instanceof Centred) && ($r->where['about'] ?? '') === '',
            ),
            Proposer::propose($asked, $u),
        );

        return Checker::check(self::measure($part, $unit), new Exercise($u, Exercise::lettered($list)), $asked);
    }
}
