<?php

declare(strict_types=1);

namespace Cubo\Check\Slip;

use Cubo\Check\Comparing\Alignment;
use Cubo\Check\Comparing\Differences;
use Cubo\Check\Row;
use Cubo\Check\Subject;
use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Measure\Bodies;
use Cubo\Measure\PartMeasures;
use Cubo\Recipe\Step;
use Cubo\Solid\Boolean\BooleanFailed;
use Cubo\Solid\Solid;
use InvalidArgumentException;

/** What those who look for slips share: the rows that are off, and how the part differs from the reference part. */
final class Facts
{
    /** Facets of both parts that are laid over each other; larger ones would keep people waiting. */
    private const MOST = 30_000;

    /** Pieces of the difference below this share of the part are rims of facets, not features. */
    private const CRUMB = 1e-3;

    /** @var array{list<Solid>, list<Solid>}|null */
    private ?array $differences = null;

    /** @var array{Step, bool}|null|false */
    private array|null|false $areas = false;

    private Step|null|false $turnedStep = false;

    /** @param list<Row> $rows */
    public function __construct(public readonly Subject $subject, public readonly array $rows) {}

    /** @return list<Row> */
    public function off(string ...$kinds): array
    {
        return array_values(
            array_filter(
                $this->rows,
                static fn(Row $r): bool => in_array($r->status, ['off', 'missing'], true) &&
                    ($kinds === [] || in_array($r->kind, $kinds, true)),
            ),
        );
    }

    /** Surfaces closer than this, mm, are the same: facets of both parts stand between them. */
    public function same(): float
    {
        $size = max($this->subject->reference?->bounds()->size() ?? $this->subject->part->bounds()->size());

        return max(0.06, 2.5e-3 * $size);
    }

    public function fit(bool $mirrored = false): ?Alignment
    {
        return $this->subject->fit($mirrored);
    }

    /** @return array{Step, bool}|null as OtherAreas tells */
    public function areas(): ?array
    {
        if ($this->areas === false) {
            $this->areas = OtherAreas::of($this->subject, $this->same());
        }

        return $this->areas;
    }

    /** The step that goes the wrong way, as OtherDirections tells. */
    public function turnedStep(): ?Step
    {
        if ($this->turnedStep === false) {
            $this->turnedStep =
                $this->isReference() && ($this->fit()?->isStraight() ?? false) ? null : OtherDirections::of($this->subject, $this->same());
        }

        return $this->turnedStep;
    }

    /** Whether the reference part and this one are alike, wherever they lie. */
    public function isReference(): bool
    {
        $fit = $this->fit();

        return $fit !== null && $fit->within($this->same());
    }

    /**
     * What the reference part has more and what this one has more, in pieces, largest first; this part is shifted as fits
     * best, not turned.
     *
     * @return array{list<Solid>, list<Solid>} missing and surplus
     */
    public function differences(): array
    {
        return $this->differences ??= $this->compare();
    }

    /** @return array{list<Solid>, list<Solid>} */
    private function compare(): array
    {
        $ref = $this->subject->reference;
        $part = $this->subject->part;
        if ($ref === null || !$part->isClosed() || $part->solid->triangleCount() + $ref->solid->triangleCount() > self::MOST) {
            return [[], []];
        }
        [$p, $r] = [$part->bounds(), $ref->bounds()];
        // as it lies, corner on corner, middle on middle: where most of the surfaces lie on each other
        $shifts = [
            [0.0, 0.0, 0.0],
            Vector::sub($r->min, $p->min),
            Vector::sub($r->max, $p->max),
            Vector::sub($r->middle(), $p->middle()),
            [$r->middle()[0] - $p->middle()[0], $r->middle()[1] - $p->middle()[1], $r->min[2] - $p->min[2]],
        ];
        $most = -1;
        $best = $shifts[0];
        foreach ($shifts as $shift) {
            $on = Alignment::onEachOther($part, $ref, Transform::translation($shift), 0.05);
            if ($on > $most) {
                [$most, $best] = [$on, $shift];
            }
        }
        try {
            $moved = $part->solid->moved(Transform::translation($best));

            [$missing, $surplus] = Differences::of($moved, $ref->solid, $part->budget);

            return [$this->pieces($missing), $this->pieces($surplus)];
        } catch (BooleanFailed | InvalidArgumentException) {
            return [[], []];
        }
    }

    /** @return list<Solid> */
    private function pieces(Solid $s): array
    {
        $crumb = self::CRUMB * ($this->subject->reference?->mass()->volume ?? 0.0);
        $out = $s->isEmpty()
            ? []
            : array_map(static fn(array $t): Solid => Bodies::extract($s, $t), Bodies::of($s, $this->subject->part->budget));
        $out = array_values(array_filter($out, fn(Solid $p): bool => abs($p->facettedVolume()) > $crumb && $this->thick($p) > 0.05));
        usort($out, static fn(Solid $a, Solid $b): int => abs($b->facettedVolume()) <=> abs($a->facettedVolume()));

        return $out;
    }

    /** Volume over half the surface: how thick a piece is on the whole, mm. */
    private function thick(Solid $s): float
    {
        $area = (new PartMeasures($s, $this->subject->part->budget))->mass()->area;

        return $area > 0 ? (2 * abs($s->facettedVolume())) / $area : 0.0;
    }
}
