<?php

declare(strict_types=1);

namespace Cubo\Printing;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Solid\Solid;

/**
 * What a print takes, from its layers: two threads along every outline, the inside filled by a fifth, three full layers at
 * level faces (common practice, no source). Real printers and their settings differ; it is an estimate.
 */
final readonly class Estimate
{
    private const WALLS = 2;

    private const FILL = 0.2;

    private const FULL_LAYERS = 3;

    /** s a layer for starting, turning and moving */
    private const PER_LAYER = 4.0;

    /** Layers that are really cut; those between are taken to be like them. */
    private const CUT = 80;

    /**
     * @param float $volume of laid material, mm3
     * @param float $mass g
     */
    private function __construct(public int $layers, public float $volume, public float $mass, public float $minutes) {}

    /** @throws OverBudget */
    public static function of(Solid $s, PrintProfile $profile, Budget $budget = new Budget()): self
    {
        if ($s->isEmpty()) {
            return new self(0, 0.0, 0.0, 0.0);
        }
        $layers = new Layers($s, $budget);
        $count = $layers->count($profile->layer);
        $cuts = min($count, self::CUT);
        $volume = 0.0;
        for ($i = 0; $i < $cuts; $i++) {
            $outlines = $layers->at($layers->height((int) floor((($i + 0.5) * $count) / $cuts), $profile->layer));
            $area = Layers::area($outlines);
            $walls = min($area, Layers::length($outlines) * self::WALLS * $profile->nozzle);
            $volume += (($walls + self::FILL * ($area - $walls)) * $profile->layer * $count) / $cuts;
        }
        $level = 0.0;
        foreach ($s->facet as $t => $f) {
            if (abs($s->nz[$f]) > 0.7) {
                [$a, $b, $c] = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
                $level += abs(($s->x[$b] - $s->x[$a]) * ($s->y[$c] - $s->y[$a]) - ($s->y[$b] - $s->y[$a]) * ($s->x[$c] - $s->x[$a])) / 2;
            }
        }
        $volume += (1 - self::FILL) * self::FULL_LAYERS * $profile->layer * $level;
        // thin parts are full already
        $volume = min($volume, abs($s->facettedVolume()));

        return new self(
            $count,
            $volume,
            ($volume * $profile->density) / 1000,
            ($volume / ($profile->nozzle * $profile->layer * $profile->speed) + $count * self::PER_LAYER) / 60,
        );
    }
}
