<?php

declare(strict_types=1);

namespace Cubo\Measure;

/** How a part stands: on how much of it, and how much lies flat at its top. */
final readonly class Standing
{
    /** A top this many times larger than the base is taken for a part that stands on its head. */
    private const HEAD = 2.0;

    /**
     * @param float $base flat area in the lowest plane, facing down, mm2
     * @param float $top flat area in the highest plane, facing up, mm2
     * @param float $low height of the lowest point above the ground, mm
     */
    private function __construct(public float $base, public float $top, public float $low) {}

    public static function of(PartMeasures $m): self
    {
        $b = $m->bounds();

        return new self(self::level($m, $b->min[2], -1.0), self::level($m, $b->max[2], 1.0), $b->min[2]);
    }

    /** The flat area in the lowest plane with its round rims as they truly are, mm2. */
    public static function trueBase(PartMeasures $m): float
    {
        $s = $m->solid;
        $lies = [];
        foreach ($s->facet as $f) {
            $name = $s->surfaces[$s->surfaceOf[$f]]->name;
            $lies[$name] =
                ($lies[$name] ?? true) &&
                $s->surfaces[$s->surfaceOf[$f]]->isFlat() &&
                $s->nz[$f] < -1 + 1e-9 &&
                abs(-$s->offset[$f] - $m->bounds()->min[2]) < 1e-4;
        }

        return FaceArea::ofAll($s, array_map(strval(...), array_keys(array_filter($lies))));
    }

    private static function level(PartMeasures $m, float $z, float $up): float
    {
        $s = $m->solid;
        $area = 0.0;
        foreach ($s->facet as $t => $f) {
            if ($s->nz[$f] * $up < 1 - 1e-9 || !$s->surfaces[$s->surfaceOf[$f]]->isFlat() || abs($s->nz[$f] * $s->offset[$f] - $z) > 1e-4) {
                continue;
            }
            [$a, $b, $c] = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
            $area += abs(($s->x[$b] - $s->x[$a]) * ($s->y[$c] - $s->y[$a]) - ($s->y[$b] - $s->y[$a]) * ($s->x[$c] - $s->x[$a])) / 2;
        }

        return $area;
    }

    /** It touches what it stands on only along an edge or in a point. */
    public function balances(): bool
    {
        return $this->base < 1e-6;
    }

    public function onItsHead(): bool
    {
        return !$this->balances() && $this->top > self::HEAD * $this->base;
    }
}
