<?php

declare(strict_types=1);

namespace Cubo\Check\Measuring;

use Cubo\Check\Axes;
use Cubo\Check\Diagnosis;
use Cubo\Check\Kind\Feature;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Check\Rows;
use Cubo\Check\Subject;
use Cubo\Geometry\Vector;
use Cubo\Measure\BlindEnd;
use Cubo\Measure\Hole;
use Cubo\Measure\RoundPiece;
use Cubo\Measure\Slot;

/** Holes and pins, what is sunk into them, cones and slots. */
final class RoundRows
{
    /** Two candidates that differ by less, mm, measure the same. */
    private const ALIKE = 1e-3;

    /** Cosine: what leans less against an axis runs along it. */
    private const ALONG = 1 - 1e-5;

    private readonly RoundFinder $finder;

    /** @param list<Requirement> $asked */
    public function __construct(private readonly Subject $subject, private readonly Rows $rows, array $asked)
    {
        $this->finder = new RoundFinder($subject->part, $asked);
    }

    public function diameter(Requirement $r): Row
    {
        $found = $this->finder->of($r);
        if ($found === null) {
            return $this->absent($r);
        }
        [$h, $doubt] = $found;
        if ($doubt !== null && abs($doubt->radius - $h->radius) > self::ALIKE) {
            return $this->untold($r);
        }

        return $this->rows->length(
            $r,
            2 * $h->radius,
            Diagnosis::diameter(2 * $h->radius, $r, $this->subject->unit) . $this->doubt($doubt, $r),
            $this->ring($h, $r->axis(), $r->nominal / 2),
            '⌀ ',
        );
    }

    public function place(Requirement $r): Row
    {
        $found = $this->finder->of($r);
        if ($found === null) {
            return $this->absent($r);
        }
        [$h, $doubt] = $found;
        $unit = $this->subject->unit;
        [$a, $b] = Axes::others($r->axis());
        $min = $this->subject->part->bounds()->min;
        $u = $h->point[$a] - $min[$a];
        $v = $h->point[$b] - $min[$b];
        $off = hypot($u - $r->number('u'), $v - $r->number('v'));

        return $this->rows->row(
            $r,
            $unit->show($u) . ', ' . $unit->show($v),
            $off,
            $unit->show($off),
            $off <= $r->tolerance + Rows::SLACK,
            $unit->show($off) . ' off its place',
            Diagnosis::place([$u, $v], $r, $this->subject->part, $unit) . $this->doubt($doubt, $r),
            $this->ring($h, $r->axis(), null),
        );
    }

    public function depth(Requirement $r): Row
    {
        $found = $this->finder->of($r);
        if ($found === null) {
            return $this->absent($r);
        }
        [$hole, $doubt] = $found;
        if ($doubt !== null && ($doubt->through !== $hole->through || abs($doubt->depth() - $hole->depth()) > self::ALIKE)) {
            return $this->untold($r);
        }
        $unit = $this->subject->unit;
        $place = $this->ring($hole, $r->axis(), null);
        if (!$r->goesThrough()) {
            return $hole->through
                ? $this->rows->row(
                    $r,
                    'through',
                    null,
                    '',
                    false,
                    'Goes through',
                    'The hole should end at a depth of ' . $unit->brief($r->nominal) . '; it goes right through the part.',
                    $place,
                )
                : $this->rows->length(
                    $r,
                    $hole->depth(),
                    'The hole is ' .
                        $unit->show($hole->depth()) .
                        ' deep to where its full width ends; ' .
                        $unit->brief($r->nominal) .
                        ' is asked.',
                    $place,
                );
        }
        $skin = $hole->through ? 0.0 : BlindEnd::left($this->subject->part, $hole);

        return $this->rows->row(
            $r,
            $hole->through ? 'through' : $unit->show($hole->depth()),
            $hole->through ? 0.0 : -$skin,
            $hole->through ? '' : $unit->show($skin),
            $hole->through,
            'Not through',
            'The hole does not go through: ' .
                $unit->show($skin) .
                ' ' .
                $unit->word() .
                ' are left at its end. Make it deeper, or choose “through”.',
            $place,
        );
    }

    public function height(Requirement $r): Row
    {
        $found = $this->finder->of($r);
        if ($found === null) {
            return $this->absent($r);
        }
        if ($found[1] !== null && abs($found[1]->depth() - $found[0]->depth()) > self::ALIKE) {
            return $this->untold($r);
        }
        $unit = $this->subject->unit;
        $got = $found[0]->depth();

        return $this->rows->length(
            $r,
            $got,
            Diagnosis::factor($got, $r->nominal, $unit, 'end of the round stands'),
            $this->ring($found[0], $r->axis(), null),
        );
    }

    public function axisDistance(Requirement $r): Row
    {
        $axis = $r->axis();
        [$p, $q] = $this->finder->both($r);
        if ($p === null || $q === null) {
            return $this->rows->missing($r, 'One of the two holes is not there.');
        }
        [$a, $b] = Axes::others($axis);
        $got = hypot($p->point[$a] - $q->point[$a], $p->point[$b] - $q->point[$b]);
        $unit = $this->subject->unit;
        $text = "The axes are {$unit->show($got)} apart; {$unit->brief($r->nominal)} is asked.";
        $edges = $got - $p->radius - $q->radius;
        foreach (
            [
                [$edges, 'from rim to rim instead of from middle to middle'],
                [$got + $p->radius + $q->radius, 'over both holes instead of from middle to middle'],
            ]
            as [$other, $how]
        ) {
            if (abs($other - $r->nominal) < 0.01 * $r->nominal) {
                $text .= " Was it measured $how?";
            }
        }

        return $this->rows->length($r, $got, $text, [
            'kind' => 'spot',
            'at' => Vector::add($p->point, Vector::sub($q->point, $p->point), 0.5),
        ]);
    }

    public function sinkDiameter(Requirement $r): Row
    {
        $cone = $this->cone($r, true);
        if ($cone === null) {
            return $this->noSink($r);
        }
        $wide = 2 * max($cone->low, $cone->high);

        return $this->rows->length(
            $r,
            $wide,
            Diagnosis::diameter($wide, $r, $this->subject->unit),
            ['kind' => 'spot', 'at' => $cone->point],
            '⌀ ',
        );
    }

    public function sinkAngle(Requirement $r): Row
    {
        $cone = $this->cone($r, true);
        if ($cone === null) {
            return $this->noSink($r);
        }
        $got = $cone->opening();
        $halved = abs($got - 2 * $r->nominal) < 1 || abs(2 * $got - $r->nominal) < 1;

        return $this->rows->angle(
            $r,
            $got,
            'The sinking opens by ' .
                round($got, 1) .
                '° from side to side; ' .
                round($r->nominal, 1) .
                '° is asked.' .
                ($halved ? ' Was half the angle taken for the whole, or the whole for half?' : ''),
            ['kind' => 'spot', 'at' => $cone->point],
        );
    }

    private function noSink(Requirement $r): Row
    {
        return $this->rows->missing($r, 'The hole has no conical sinking here.');
    }

    public function taper(Requirement $r): Row
    {
        $cone = $this->cone($r, false);
        if ($cone === null) {
            return $this->rows->missing($r, 'No cone stands here.');
        }

        if ($cone->high > $cone->low !== $r->number('up') > 0) {
            return $this->rows->row(
                $r,
                'the other way',
                null,
                '',
                false,
                'Other way round',
                'The cone is wide where it should be narrow.',
                ['kind' => 'spot', 'at' => $cone->point],
            );
        }

        return $this->rows->angle(
            $r,
            $cone->opening(),
            'The cone opens by ' . round($cone->opening(), 1) . '° from side to side; ' . round($r->nominal, 1) . '° is asked.',
            ['kind' => 'spot', 'at' => $cone->point],
        );
    }

    private function cone(Requirement $r, bool $hollow): ?RoundPiece
    {
        $like = array_values(
            array_filter(
                $this->subject->part->features()->cones,
                static fn(RoundPiece $c): bool => $c->hollow === $hollow && abs($c->axis[$r->axis()]) > self::ALONG,
            ),
        );

        return $this->nearest($like, $r, static fn(RoundPiece $p): array => $p->point);
    }

    public function slotLength(Requirement $r): Row
    {
        $slot = $this->slot($r);
        if ($slot === null) {
            return $this->noSlot($r);
        }
        $unit = $this->subject->unit;
        $text = "The slot is {$unit->show($slot->length)} long over all; {$unit->brief($r->nominal)} is asked.";
        if (abs($slot->length - $slot->width - $r->nominal) < 0.01 * $r->nominal) {
            $text .= ' That length is there from middle to middle of its ends; the drawing gives it over all.';
        }

        return $this->rows->length($r, $slot->length, $text, ['kind' => 'spot', 'at' => $slot->middle]);
    }

    public function slotWidth(Requirement $r): Row
    {
        $slot = $this->slot($r);
        $unit = $this->subject->unit;

        return $slot === null
            ? $this->noSlot($r)
            : $this->rows->length($r, $slot->width, "The slot is {$unit->show($slot->width)} wide; {$unit->brief($r->nominal)} is asked.", [
                'kind' => 'spot',
                'at' => $slot->middle,
            ]);
    }

    private function noSlot(Requirement $r): Row
    {
        return $this->rows->missing($r, 'No slot with round ends is near its place.');
    }

    private function slot(Requirement $r): ?Slot
    {
        $like = array_values(
            array_filter($this->subject->part->features()->slots, static fn(Slot $s): bool => abs($s->axis[$r->axis()]) > self::ALONG),
        );

        return $this->nearest($like, $r, static fn(Slot $s): array => $s->middle);
    }

    /**
     * @template T
     *
     * @param list<T> $found
     * @param callable(T): array{float,float,float} $at
     * @return T|null
     */
    private function nearest(array $found, Requirement $r, callable $at): mixed
    {
        [$a, $b] = Axes::others($r->axis());
        $min = $this->subject->part->bounds()->min;
        $size = $this->subject->part->bounds()->size();
        $best = null;
        $least = count($found) === 1 ? INF : 0.35 * max($size[$a], $size[$b]);
        foreach ($found as $f) {
            $p = $at($f);
            $away = hypot($p[$a] - $min[$a] - $r->number('u'), $p[$b] - $min[$b] - $r->number('v'));
            if ($away < $least) {
                $least = $away;
                $best = $f;
            }
        }

        return $best;
    }

    private function absent(Requirement $r): Row
    {
        return $this->rows->missing(
            $r,
            $r->kind->of() === Feature::Pin
                ? Diagnosis::noPin($r, $this->subject->part, $this->subject->unit)
                : Diagnosis::noHole($r, $this->subject->part, $this->subject->unit),
        );
    }

    /** No guess is made between two that measure differently. */
    private function untold(Requirement $r): Row
    {
        return $this->rows->unknown(
            $r,
            'Two ' .
                ($r->kind->of() === Feature::Pin ? 'pins' : 'holes') .
                ' are equally near to the asked place and differ; which one is meant cannot be told.',
        );
    }

    private function doubt(?Hole $doubt, Requirement $r): string
    {
        return $doubt !== null
            ? ' Another ' .
                    ($r->kind->of() === Feature::Pin ? 'pin' : 'hole') .
                    ' is just as near to the asked place; it is not sure that this one is meant.'
            : '';
    }

    /** @return array<string, mixed> the end of the round nearer the usual viewer: top, front or right */
    private function ring(Hole $h, int $axis, ?float $asked): array
    {
        $p = $h->point;
        $p[$axis] += (($axis === 1 ? -1 : 1) * $h->depth()) / 2;

        return ['kind' => 'ring', 'centre' => $p, 'axis' => $axis, 'radius' => $h->radius, 'asked' => $asked];
    }
}
