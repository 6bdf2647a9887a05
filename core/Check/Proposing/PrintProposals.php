<?php

declare(strict_types=1);

namespace Cubo\Check\Proposing;

use Cubo\Check\Requirement;
use Cubo\Check\RequirementKind;
use Cubo\Measure\PartMeasures;
use Cubo\Printing\Bridges;
use Cubo\Printing\HollowSpaces;
use Cubo\Printing\Islands;
use Cubo\Printing\Overhang;
use Cubo\Printing\PrintProfile;
use Cubo\Printing\Tipping;
use Cubo\Quantity\Unit;

/** What a printer asks of a part; limits come from its profile. */
final class PrintProposals
{
    /** Degrees a part may be leaned at the least; common practice, no source. */
    private const LEAN = 10.0;

    /** @return list<Requirement> */
    public static function of(PartMeasures $part, Unit $unit, PrintProfile $p): array
    {
        $low = $part->bounds()->min[2];
        $area = $part->standingArea();
        $neat = static fn (float $mm): float => $unit === Unit::Inch ? round($mm / 25.4, 2) * 25.4 : $mm;

        $s = $part->solid;
        $part->spend(6);
        // the drawing's own part must pass: what hangs over there is allowed, what it lacks is not asked
        $over = ceil(Overhang::area($s, $p->overhang, $part->budget));
        $bridges = Bridges::of($s, $part->budget);
        $span = max([$p->bridge, ...array_map(static fn (array $b): float => ceil($b['span']), $bridges)]);
        $free = array_filter($bridges, static fn (array $b): bool => $b['free']) !== [];

        return array_values(array_filter([
            new Requirement('fits-bed', RequirementKind::FitsBed, 'Fits the printer', 0.0, 0.0, 1, false, ['x' => $neat($p->bed[0]), 'y' => $neat($p->bed[1]), 'z' => $neat($p->bed[2])]),
            new Requirement('standing', RequirementKind::Standing, 'Stands on the bed', floor($area * 0.9), 0.0, 1, abs($low) < 1e-6 && $area > 20),
            new Requirement('wall', RequirementKind::Wall, 'Thinnest wall', $neat($p->wall), 0.0, 1, false),
            new Requirement('gap', RequirementKind::Gap, 'Narrowest gap', $neat($p->gap), 0.0, 1, false),
            new Requirement('overhang', RequirementKind::Overhang, $over > 0 ? 'Hangs over no more' : 'Needs no support', $over, 0.0, 1, false, ['degrees' => $p->overhang, 'bridge' => $p->bridge]),
            $free ? null : new Requirement('bridge', RequirementKind::Bridge, 'Longest bridge', $neat($span), 0.0, 1, false),
            Islands::of($s) !== [] ? null : new Requirement('islands', RequirementKind::Islands, 'Nothing begins in the air', 0.0, 0.0, 1, false),
            new Requirement('tips', RequirementKind::Tips, 'Does not tip', min(self::LEAN, floor(Tipping::of($part)->angle)), 0.0, 1, false),
            HollowSpaces::of($s) !== [] ? null : new Requirement('hollow', RequirementKind::Hollow, 'No closed space inside', 0.0, 0.0, 1, false),
            $part->bodyCount() > 1 ? null : new Requirement('edge-contact', RequirementKind::EdgeContact, 'Pieces touch over faces', 0.0, 0.0, 1, false),
        ]));
    }
}
