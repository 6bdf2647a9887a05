<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Edge;

use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Kind\Measured;
use Cubo\Check\Kind\Proposes;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Proposing\FaceProposals;
use Cubo\Check\Proposing\Proposing;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Quantity\Unit;

/** Radius of rounded edges, and how many there are. */
final class Rounds extends Kind implements Measured, Proposes
{
    public function heading(): Heading
    {
        return Heading::Rounds;
    }

    public function sort(): Sort
    {
        return Sort::Length;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return (int) $where['count'] . ' × R ' . $unit->brief($nominal);
    }

    public function needs(): array
    {
        return ['count'];
    }

    public function isEdge(): bool
    {
        return true;
    }

    public function proposals(Proposing $p): array
    {
        return FaceProposals::rounds($p, $this);
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        return $m->patterns()->rounds($r);
    }
}
