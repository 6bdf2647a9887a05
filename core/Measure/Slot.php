<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Geometry\Vector;

/** A slot with round ends that goes into or through a part; mm. */
final readonly class Slot
{
    /**
     * @param array{float,float,float} $axis unit, the way it goes into the part
     * @param array{float,float,float} $middle
     * @param float $length over all, from end to end
     */
    public function __construct(public array $axis, public array $middle, public float $width, public float $length, public float $depth) {}

    /**
     * @param list<RoundPiece> $pieces
     * @return list<self>
     *
     * @throws OverBudget
     */
    public static function among(array $pieces, Budget $budget = new Budget()): array
    {
        $ends = array_values(
            array_filter($pieces, static fn(RoundPiece $p): bool => $p->hollow && $p->low === $p->high && abs($p->turn - M_PI) < 0.05),
        );
        $out = [];
        $taken = [];
        foreach ($ends as $i => $a) {
            $budget->spend(1 + intdiv(count($ends) - $i, 2));
            foreach ($ends as $j => $b) {
                if (
                    $j <= $i ||
                    isset($taken[$i]) ||
                    isset($taken[$j]) ||
                    abs($a->low - $b->low) > 1e-4 * $a->low ||
                    abs(Vector::dot($a->axis, $b->axis)) < 1 - 1e-6
                ) {
                    continue;
                }
                $way = Vector::sub($b->point, $a->point);
                $long = Vector::length($way);
                // the two ends look away from each other, along the line between them
                if ($long < 1e-6 || Vector::dot($way, $a->toward) > -0.999 * $long || Vector::dot($way, $b->toward) < 0.999 * $long) {
                    continue;
                }
                $taken[$i] = $taken[$j] = true;
                $out[] = new self(
                    $a->axis,
                    Vector::add($a->point, $way, 0.5),
                    2 * $a->low,
                    $long + 2 * $a->low,
                    min($a->length(), $b->length()),
                );
            }
        }

        return $out;
    }
}
