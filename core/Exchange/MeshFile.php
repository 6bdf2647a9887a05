<?php

declare(strict_types=1);

namespace Cubo\Exchange;

use Cubo\Budget\Budget;
use Cubo\Budget\Limit;
use Cubo\Budget\OverBudget;
use Cubo\Exchange\Format\Formats;
use Cubo\Quantity\Unit;
use Cubo\Solid\Solid;

/** A mesh from any of the formats that are read, told apart by what they hold, not by their names. */
final class MeshFile
{
    public const MOST_BYTES = 50_000_000;

    /** Units: one for every corner, triangle, placing and other thing a file names. */
    private const MOST_WORK = 6_000_000;

    /**
     * @param Unit $unit of formats that have none of their own
     * @return array{Solid, string} the mesh in millimetres, and what was taken for what
     *
     * @throws UnreadableFile for what is no mesh, or more than may be read
     */
    public static function read(string $bytes, Unit $unit, ?Budget $budget = null): array
    {
        $budget ??= self::budget();
        try {
            return self::of($bytes, $unit, $budget);
        } catch (OverBudget $e) {
            throw new UnreadableFile(
                $e->limit === Limit::Time
                    ? 'Reading this file takes too long.'
                    : 'This file holds more than a part can be. Save it coarser, or only the part itself.',
            );
        }
    }

    /** What reading a file may cost: what half a million triangles need, and half of it more. @param float $until moment up to which somebody waits */
    public static function budget(float $until = INF): Budget
    {
        return new Budget(self::MOST_WORK, $until, Budget::ownMemory());
    }

    /**
     * @return array{Solid, string}
     *
     * @throws UnreadableFile
     * @throws OverBudget
     */
    private static function of(string $bytes, Unit $unit, Budget $budget): array
    {
        if (strlen($bytes) > self::MOST_BYTES) {
            throw new UnreadableFile('The file is larger than 50 MB.');
        }
        $scale = $unit->inMillimetres();

        $formats = Formats::read();
        foreach ($formats as $format) {
            if (!$format->knows($bytes)) {
                continue;
            }
            try {
                return [
                    $format->read($bytes, $scale, $budget),
                    $format->saysUnit() ? "{$format->name()} in its own unit" : "{$format->name()} taken as {$unit->value}",
                ];
            } catch (UnknownFile) {
                break;
            }
        }

        throw new UnreadableFile(Guess::words($bytes, Formats::names($formats)));
    }
}
