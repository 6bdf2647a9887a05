<?php

declare(strict_types=1);

namespace Cubo\Exchange;

use Cubo\Quantity\Unit;
use Cubo\Solid\Solid;

/** A mesh from any of the formats that are read, told apart by what they hold, not by their names. */
final class MeshFile
{
    public const MOST_BYTES = 50_000_000;

    /**
     * @param Unit $unit of formats that have none of their own
     * @return array{Solid, string} the mesh in millimetres, and what was taken for what
     *
     * @throws UnreadableFile
     */
    public static function read(string $bytes, Unit $unit): array
    {
        if (strlen($bytes) > self::MOST_BYTES) {
            throw new UnreadableFile('The file is larger than 50 MB.');
        }
        $scale = $unit->inMillimetres();

        return match (true) {
            str_starts_with($bytes, "PK\x03\x04") => [ThreeMfReader::read($bytes), '3MF in its own unit'],
            (bool) preg_match('/^ply\s/', $bytes) => [PlyFile::read($bytes, $scale), "PLY taken as {$unit->value}"],
            self::isObj($bytes) => [ObjFile::read($bytes, $scale), "OBJ taken as {$unit->value}"],
            default => [StlFile::read($bytes, $scale), "STL taken as {$unit->value}"],
        };
    }

    /** Text whose lines begin as those of an OBJ file do, and that is no STL. */
    private static function isObj(string $bytes): bool
    {
        $head = substr($bytes, 0, 200_000);

        return ! preg_match('/^\s*solid\b/i', $head) && ! str_contains(substr($head, 0, 4096), "\0") && preg_match('/^\s*v\s+[-+.\d]/m', $head) === 1;
    }
}
