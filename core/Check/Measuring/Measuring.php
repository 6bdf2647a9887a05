<?php

declare(strict_types=1);

namespace Cubo\Check\Measuring;

use Cubo\Check\Axes;
use Cubo\Check\Datum\Matching;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Check\Rows;
use Cubo\Check\Subject;
use Cubo\Measure\WallThickness;
use Cubo\Recipe\Kind\Kinds;

/** What the kinds of requirements share while one part is measured: found once, asked often. */
final class Measuring
{
    /** mm: a wall or gap that is thinner by less counts as wide enough */
    private const THIN = 1e-4;

    public readonly Rows $rows;

    private ?RoundRows $rounds = null;

    private ?PatternRows $patterns = null;

    private ?Matching $matching = null;

    private ?bool $closed = null;

    /** @param list<Requirement> $asked */
    public function __construct(public readonly Subject $subject, private readonly array $asked)
    {
        $this->rows = new Rows($subject->unit);
    }

    public function isClosed(): bool
    {
        return $this->closed ??= $this->subject->part->isClosed();
    }

    /** Holes and pins, what is sunk into them, cones and slots. */
    public function rounds(): RoundRows
    {
        return $this->rounds ??= new RoundRows($this->subject, $this->rows, $this->asked);
    }

    /** How holes repeat, rounded and chamfered edges. */
    public function patterns(): PatternRows
    {
        return $this->patterns ??= new PatternRows($this->subject, $this->rows);
    }

    /** The data of the drawing on this part. */
    public function matching(): Matching
    {
        return $this->matching ??= new Matching($this->subject->part, $this->subject->reference);
    }

    public function untoldMaking(Requirement $r): Row
    {
        return $this->rows->unknown($r, 'A file does not tell how it was made.');
    }

    /** The kind of step a requirement is about, in quotes. */
    public function stepWord(Requirement $r): string
    {
        return '“' . (Kinds::find((string) $r->where['step'])?->label() ?? (string) $r->where['step']) . '”';
    }

    /**
     * Evidence of a plane: where it cuts the part's box, and the worst spot.
     *
     * @param array{float,float,float}|null $spot
     * @return array<string, mixed>
     */
    public function plane(int $axis, float $at, ?array $spot): array
    {
        $b = $this->subject->part->bounds();
        [$i, $j] = Axes::others($axis);
        $corners = [];
        foreach (
            [[$b->min[$i], $b->min[$j]], [$b->max[$i], $b->min[$j]], [$b->max[$i], $b->max[$j]], [$b->min[$i], $b->max[$j]]]
            as [$u, $v]
        ) {
            $p = [0.0, 0.0, 0.0];
            [$p[$axis], $p[$i], $p[$j]] = [$at, $u, $v];
            $corners[] = $p;
        }

        return ['kind' => 'plane', 'corners' => $corners, 'at' => $spot ?? $b->middle()];
    }

    /** @return array<string, mixed> the spot of the centre of mass */
    public function centre(): array
    {
        return ['kind' => 'spot', 'at' => $this->subject->part->mass()->centroid];
    }

    /** @param 'wall'|'gap' $what */
    public function thin(Requirement $r, WallThickness $w, string $what): Row
    {
        $unit = $this->subject->unit;
        if ($w->thinnest === INF) {
            return $what === 'gap'
                ? $this->rows->row($r, 'none', null, '', true, '', '', null)
                : $this->rows->unknown($r, 'No wall could be measured.');
        }

        return $this->rows->row(
            $r,
            $unit->show($w->thinnest),
            $w->thinnest - $r->nominal,
            $unit->show($w->thinnest - $r->nominal),
            $w->thinnest >= $r->nominal - self::THIN,
            $unit->show($r->nominal - $w->thinnest) . ($what === 'wall' ? ' too thin' : ' too narrow'),
            $what === 'wall'
                ? 'The wall at the marked spot is ' . $unit->show($w->thinnest) . ' ' . $unit->word() . ' thick. It may not print.'
                : 'The gap at the marked spot is ' .
                    $unit->show($w->thinnest) .
                    ' ' .
                    $unit->word() .
                    ' wide. It may grow together in print.',
            ['kind' => 'spot', 'at' => $w->spot],
        );
    }
}
