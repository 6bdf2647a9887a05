<?php

declare(strict_types=1);

namespace Cubo\Check\Comparing;

use Cubo\Budget\OverBudget;
use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Measure\PartMeasures;
use Cubo\Measure\SurfaceSamples;
use Cubo\Measure\TriangleTree;
use Cubo\Solid\Boolean\BooleanFailed;
use InvalidArgumentException;

/**
 * A part laid over another one: of the 24 ways a box can lie, each with the middles or the centres of mass on each other,
 * the one whose surfaces lie closest; where none lies close, of ways turned by any angle too. Mirrored ways only when they
 * are asked for.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Alignment
{
    /** Points of the surface that tell which way is best, and those that tell how good it is. */
    private const FEW = 60;

    private const SOME = 200;

    /** Points of the same surface lie off the other's facets by no more than this, mm. */
    private const EQUAL = 0.1;

    private const MANY = 600;

    /** @var array{float, V|null}|null */
    private ?array $measured = null;

    /**
     * @param Transform $move takes the part onto the other one
     * @param float $mean distance of a few points of the surface, mm
     */
    private function __construct(
        private readonly PartMeasures $part,
        private readonly PartMeasures $onto,
        public readonly Transform $move,
        public readonly float $mean,
    ) {}

    /** The greatest distance between the surfaces, mm, looked for from both. */
    public function deviation(): float
    {
        return ($this->measured ??= $this->measure())[0];
    }

    /** @return V|null where they are farthest apart, on the part */
    public function worst(): ?array
    {
        return ($this->measured ??= $this->measure())[1];
    }

    /** Whether they are no farther apart than this anywhere; where a few points are already, the rest is not asked. */
    public function within(float $mm): bool
    {
        return $this->mean <= $mm && $this->deviation() <= $mm;
    }

    public static function best(PartMeasures $part, PartMeasures $onto, bool $mirrored = false): ?self
    {
        if ($part->solid->isEmpty() || $onto->solid->isEmpty()) {
            return null;
        }
        $few = self::points($part, self::FEW);
        [$best, $least] = self::closest(self::ways($mirrored), INF, $few, $part, $onto);
        if ($least >= self::EQUAL) {
            // most parts lie as a box does; another way counts only where the part then really is the other one
            [$free, $mean] = self::closest(FreeWays::of($part, $onto, $mirrored), self::EQUAL, $few, $part, $onto);
            [$best, $least] = $free !== null ? [$free, $mean] : [$best, $least];
        }

        return $best === null ? null : new self($part, $onto, $best, $least);
    }

    /**
     * The way with the least mean distance, if that is less than a given one.
     *
     * @param list<array{float,float,float,float,float,float,float,float,float}> $ways
     * @param list<V> $few
     * @return array{Transform|null, float}
     */
    private static function closest(array $ways, float $least, array $few, PartMeasures $part, PartMeasures $onto): array
    {
        $best = null;
        foreach ($ways as $r) {
            $turn = new Transform($r);
            foreach (self::shifts($turn, $part, $onto) as $move) {
                // the way it lies already wins when others are as good, as with a cube
                $mean = self::mean($few, $move, $onto->tree(), $least) - ($r[0] + $r[4] + $r[8] > 3 - 1e-9 ? 1e-6 : 0.0);
                if ($mean < $least - 1e-9) {
                    $least = $mean;
                    $best = $move;
                }
            }
        }

        return [$best, $least];
    }

    /** Without any turning or shifting but the given one. */
    public static function asItLies(PartMeasures $part, PartMeasures $onto, ?Transform $move = null): self
    {
        $move ??= Transform::identity();

        return new self($part, $onto, $move, self::mean(self::points($part, self::FEW), $move, $onto->tree(), INF));
    }

    /** How many of the points of both surfaces lie on the other one, no farther off than this. */
    public static function onEachOther(PartMeasures $part, PartMeasures $onto, Transform $move, float $within): int
    {
        $n = 0;
        foreach (self::points($part, self::SOME) as $p) {
            $n += $onto->tree()->nearest($move->point($p), $within)[1] !== null ? 1 : 0;
        }
        foreach (self::points($onto, self::SOME) as $p) {
            $n += $part->tree()->nearest($move->local($p), $within)[1] !== null ? 1 : 0;
        }

        return $n;
    }

    /** @return array{float, V|null} */
    private function measure(): array
    {
        [$most, $worst] = [0.0, null];
        foreach (self::points($this->part, self::MANY) as $p) {
            $d = self::away($this->onto->tree(), $this->move->point($p), $most);
            if ($d > $most) {
                [$most, $worst] = [$d, $p];
            }
        }
        foreach (self::points($this->onto, self::MANY) as $p) {
            $q = $this->move->local($p);
            $d = self::away($this->part->tree(), $q, $most);
            if ($d > $most) {
                [$most, $worst] = [$d, $q];
            }
        }

        return [$most, $worst];
    }

    /**
     * Most points lie no farther off than the worst so far: looked for nearby first.
     *
     * @param V $p
     */
    private static function away(TriangleTree $tree, array $p, float $most): float
    {
        [$d, $t] = $tree->nearest($p, $most + self::EQUAL);

        return $t !== null ? $d : $tree->nearest($p)[0];
    }

    /** Whether it need not be turned; shifted it may be. */
    public function isStraight(): bool
    {
        $r = $this->move->r;

        return $r[0] + $r[4] + $r[8] > 3 - 1e-9;
    }

    /** How it lies against the other one, in words. */
    public function words(): string
    {
        $r = $this->move->r;
        if ($this->move->mirrors()) {
            return 'as its mirror image';
        }
        if ($this->isStraight()) {
            return 'as drawn';
        }
        foreach (['about the line from left to right', 'about the line from front to back', 'about the upright'] as $k => $about) {
            if ($r[4 * $k] > 1 - 1e-7) {
                $angle = (int) round(rad2deg(acos(max(-1.0, min(1.0, ($r[0] + $r[4] + $r[8] - 1) / 2)))));

                return "turned by {$angle}° $about";
            }
        }

        return 'tipped over';
    }

    /**
     * Volumes, mm3, and what both have in common of all there is, percent.
     *
     * @return array{share: float, common: float, missing: float, surplus: float}|null null when they cannot be combined
     *
     * @throws OverBudget
     */
    public function inCommon(): ?array
    {
        [$part, $onto] = [$this->part, $this->onto];
        // the same solid: laying every facet on itself would take longest of all
        if (
            abs($part->solid->facettedVolume() / $onto->solid->facettedVolume() - 1) < 1e-5 &&
            $part->solid->triangleCount() === $onto->solid->triangleCount() &&
            $this->within(self::EQUAL)
        ) {
            $common = min($part->mass()->volume, $onto->mass()->volume);

            return ['share' => 100.0, 'common' => $common, 'missing' => 0.0, 'surplus' => 0.0];
        }
        try {
            $common = Differences::common($part->solid->moved($this->move), $onto->solid, $part->budget);
        } catch (BooleanFailed | InvalidArgumentException) {
            return null;
        }
        [$a, $b] = [abs($part->solid->facettedVolume()), abs($onto->solid->facettedVolume())];
        $all = $a + $b - $common;

        return [
            'share' => $all > 0 ? (100 * $common) / $all : 0.0,
            'common' => $common,
            'missing' => max(0.0, $b - $common),
            'surplus' => max(0.0, $a - $common),
        ];
    }

    /**
     * The rotations that take the axes to axes, the identity first; mirrored ones begin with x turned round.
     *
     * @return list<array{float,float,float,float,float,float,float,float,float}>
     */
    public static function ways(bool $mirrored = false): array
    {
        $out = [];
        foreach ([[0, 1, 2], [1, 2, 0], [2, 0, 1], [1, 0, 2], [0, 2, 1], [2, 1, 0]] as $n => $to) {
            foreach ([[1, 1, 1], [-1, -1, 1], [-1, 1, -1], [1, -1, -1], [-1, 1, 1], [1, -1, 1], [1, 1, -1], [-1, -1, -1]] as $sign) {
                if (($n < 3 ? 1 : -1) * $sign[0] * $sign[1] * $sign[2] > 0 === $mirrored) {
                    continue;
                }
                $r = array_fill(0, 9, 0.0);
                foreach ($to as $row => $column) {
                    $r[3 * $row + $column] = (float) $sign[$row];
                }
                $out[] = $r;
            }
        }

        return $out;
    }

    /** @return list<Transform> */
    private static function shifts(Transform $turn, PartMeasures $part, PartMeasures $onto): array
    {
        $out = [];
        foreach (
            [[$part->bounds()->middle(), $onto->bounds()->middle()], [$part->mass()->centroid, $onto->mass()->centroid]]
            as [$from, $to]
        ) {
            $out[] = $turn->then(Transform::translation(Vector::sub($to, $turn->point($from))));
        }

        return Vector::distance($out[0]->t, $out[1]->t) < 1e-6 ? [$out[0]] : $out;
    }

    /**
     * @param list<V> $points
     * @param float $least no way farther than this is of interest
     */
    private static function mean(array $points, Transform $move, TriangleTree $tree, float $least): float
    {
        $sum = 0.0;
        $n = count($points);
        foreach ($points as $p) {
            // what is left of the sum until another way wins: farther off nothing is looked for
            $left = ($least + 1e-6) * $n - $sum;
            [$d, $t] = $tree->nearest($move->point($p), $left);
            $sum += $d;
            if ($t === null || $sum > ($least + 1e-6) * $n) {
                return INF;
            }
        }

        return $n > 0 ? $sum / $n : INF;
    }

    /** @return list<V> about so many points, evenly over the surface's samples */
    private static function points(PartMeasures $m, int $about): array
    {
        static $all = new \WeakMap();
        $points = $all[$m] ??= array_map(static fn(array $s): array => $s[0], SurfaceSamples::all($m->solid));
        $stride = max(1, intdiv(count($points), $about));
        $out = [];
        for ($i = 0; $i < count($points); $i += $stride) {
            $out[] = $points[$i];
        }

        return $out;
    }
}
