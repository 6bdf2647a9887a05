<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Printing;

use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Kind\Limit;
use Cubo\Check\Kind\LimitUnit;
use Cubo\Check\Kind\Measured;
use Cubo\Check\Kind\Proposes;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Proposing\Proposing;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Printing\Tipping;
use Cubo\Quantity\Number;
use Cubo\Quantity\Unit;

/** May be leaned by this angle before it falls, degrees. */
final class Tips extends Kind implements Measured, Proposes
{
    /** Degrees a part may be leaned at the least; common practice, no source. */
    private const LEAN = 10.0;

    public function heading(): Heading
    {
        return Heading::Printing;
    }

    public function sort(): Sort
    {
        return Sort::Exact;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return 'at least ' . Number::brief($nominal, 1) . '°';
    }

    public function needsClosed(): bool
    {
        return true;
    }

    public function limit(): Limit
    {
        return Limit::atLeast(LimitUnit::Degrees);
    }

    public function proposals(Proposing $p): array
    {
        $p->part->spend();

        return [new Requirement('tips', $this, 'Does not tip', min(self::LEAN, floor(Tipping::of($p->part)->angle)), 0.0, 1, false)];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $m->subject->part->spend();
        $t = Tipping::of($m->subject->part);

        return $m->rows->row(
            $r,
            Number::show($t->angle, 1) . '°',
            $t->angle - $r->nominal,
            '',
            $t->angle >= $r->nominal - 1e-6,
            $t->angle <= 0 ? 'Falls over' : 'Tips easily',
            $t->angle <= 0
                ? 'The centre of mass is not above what the part stands on: it falls over.'
                : 'Leaned by ' . Number::show($t->angle, 1) . '° it falls over the marked side. A wider base or less height helps.',
            $t->over === null ? null : ['kind' => 'spot', 'at' => $t->over],
        );
    }
}
