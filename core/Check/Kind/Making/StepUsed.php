<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Making;

use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Kind\Measured;
use Cubo\Check\Kind\Proposes;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Proposing\Proposing;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Quantity\Unit;

/** Made with a kind of step. */
final class StepUsed extends Kind implements Measured, Proposes
{
    public function heading(): Heading
    {
        return Heading::Making;
    }

    public function sort(): Sort
    {
        return Sort::Exact;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return (string) $where['step'];
    }

    public function needs(): array
    {
        return ['step'];
    }

    public function isStated(): bool
    {
        return true;
    }

    public function proposals(Proposing $p): array
    {
        $out = [];
        foreach ($p->stepKinds() as $id => $kind) {
            if ($kind->isTelling()) {
                $out[] = new Requirement("uses-$id", $this, "Made with “{$kind->label()}”", 1.0, 0.0, 1, false, ['step' => $id]);
            }
        }

        return $out;
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $making = $m->subject->making;
        if ($making === null) {
            return $m->untoldMaking($r);
        }
        $n = $making->count((string) $r->where['step']);
        $least = max(1, (int) $r->nominal);

        return $m->rows->row(
            $r,
            (string) $n,
            (float) ($n - $least),
            '',
            $n >= $least,
            $n === 0 ? 'Not used' : "Used $n times",
            'The exercise asks to make it with a ' . $m->stepWord($r) . ' step' . ($least > 1 ? ", at least $least times" : '') . '.',
            null,
        );
    }
}
