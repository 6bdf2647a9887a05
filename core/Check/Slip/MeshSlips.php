<?php

declare(strict_types=1);

namespace Cubo\Check\Slip;

/** Faults of the surface itself: while it is torn nothing else can be said. */
final class MeshSlips
{
    /** @return list<Finding> */
    public static function of(Facts $facts): array
    {
        if ($facts->subject->part->isClosed()) {
            return [];
        }
        $out = [];
        foreach ($facts->subject->part->faults() as $n => $f) {
            $slip = match ($f['kind']) {
                'doubled' => Slip::DoubledMesh,
                'inside-out', 'turned' => Slip::InsideOut,
                default => Slip::OpenMesh,
            };
            $out[] = new Finding($slip, 0.99 - 0.01 * $n, $f['words'], [], ['kind' => 'spot', 'at' => $f['at']]);
        }

        return $out;
    }
}
