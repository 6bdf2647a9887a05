<?php

declare(strict_types=1);

namespace Cubo\Lettering;

use RuntimeException;

/**
 * Outlines of letters from a WOFF file with quadratic outlines (W3C WOFF 1.0; ISO/IEC 14496-22 "Open Font Format",
 * tables head, hhea, hmtx, maxp, cmap format 4, loca and glyf). Pair kerning is not read.
 */
final class Typeface
{
    /** @var array<string, string> */
    private array $tables = [];

    /** Font units per em. */
    public readonly int $unitsPerEm;

    /** Height of a capital H, font units. */
    public readonly float $capHeight;

    /** @var array<int, int> glyph by code point */
    private array $glyphOf = [];

    private int $advances;

    private bool $longOffsets;

    /** The face shipped with Cubo: Atkinson Hyperlegible Next, bold (SIL Open Font License, see LICENSE.txt beside it). */
    public static function shipped(): self
    {
        static $face = null;

        return $face ??= new self((string) file_get_contents(__DIR__ . '/atkinson-hyperlegible-next-latin-700-normal.woff'));
    }

    /** @throws RuntimeException when the bytes are no WOFF file with quadratic outlines */
    public function __construct(string $woff)
    {
        if (substr($woff, 0, 4) !== 'wOFF') {
            throw new RuntimeException('Not a WOFF file.');
        }
        for ($i = 0, $n = self::u16($woff, 12); $i < $n; $i++) {
            /** @var array{tag: string, at: int, packed: int, length: int} $t */
            $t = unpack('a4tag/Nat/Npacked/Nlength', $woff, 44 + 20 * $i);
            $bytes = substr($woff, $t['at'], $t['packed']);
            $this->tables[$t['tag']] = $t['packed'] < $t['length'] ? (string) gzuncompress($bytes) : $bytes;
        }
        foreach (['head', 'hhea', 'hmtx', 'maxp', 'cmap', 'loca', 'glyf'] as $tag) {
            if (!isset($this->tables[$tag])) {
                throw new RuntimeException("The font has no table $tag.");
            }
        }
        $this->unitsPerEm = self::u16($this->tables['head'], 18);
        $this->longOffsets = self::u16($this->tables['head'], 50) === 1;
        $this->advances = self::u16($this->tables['hhea'], 34);
        $this->readCharacters();
        $tops = array_merge(...array_map(static fn(array $c): array => array_column($c, 1), $this->contours('H')));
        $this->capHeight = $tops === [] ? (float) $this->unitsPerEm : (float) max($tops);
    }

    public function has(string $character): bool
    {
        return isset($this->glyphOf[mb_ord($character)]);
    }

    /** Width of a character with the white around it, font units. */
    public function advance(string $character): float
    {
        $g = $this->glyphOf[mb_ord($character)] ?? 0;

        return (float) self::u16($this->tables['hmtx'], 4 * min($g, $this->advances - 1));
    }

    /**
     * The closed outlines of a character, font units, base line at 0; quadratic curves as their control points.
     *
     * @return list<list<array{float, float, bool}>> u, v, on the curve; outer outlines run clockwise
     */
    public function contours(string $character): array
    {
        return $this->glyph($this->glyphOf[mb_ord($character)] ?? 0, 0);
    }

    private function readCharacters(): void
    {
        $cmap = $this->tables['cmap'];
        for ($i = 0, $n = self::u16($cmap, 2); $i < $n; $i++) {
            /** @var array{at: int} $o */
            $o = unpack('Nat', $cmap, 4 + 8 * $i + 4);
            $at = $o['at'];
            if (self::u16($cmap, $at) !== 4) {
                continue;
            }
            $segments = intdiv(self::u16($cmap, $at + 6), 2);
            for ($s = 0; $s < $segments; $s++) {
                $end = self::u16($cmap, $at + 14 + 2 * $s);
                $start = self::u16($cmap, $at + 16 + 2 * $segments + 2 * $s);
                $delta = self::u16($cmap, $at + 16 + 4 * $segments + 2 * $s);
                $place = $at + 16 + 6 * $segments + 2 * $s;
                $range = self::u16($cmap, $place);
                for ($c = $start; $c <= $end && $c < 0xffff; $c++) {
                    $g = $range === 0 ? $c + $delta : self::u16($cmap, $place + $range + 2 * ($c - $start));
                    $g = $range !== 0 && $g !== 0 ? $g + $delta : $g;
                    if (($g & 0xffff) !== 0) {
                        $this->glyphOf[$c] = $g & 0xffff;
                    }
                }
            }

            return;
        }
        throw new RuntimeException('The font has no character map of format 4.');
    }

    /** @return list<list<array{float, float, bool}>> */
    private function glyph(int $g, int $depth): array
    {
        $loca = $this->tables['loca'];
        if ($this->longOffsets) {
            /** @var array{a: int, b: int} $o */
            $o = unpack('Na/Nb', $loca, 4 * $g);
            [$at, $end] = [$o['a'], $o['b']];
        } else {
            [$at, $end] = [2 * self::u16($loca, 2 * $g), 2 * self::u16($loca, 2 * $g + 2)];
        }
        if ($at === $end || $depth > 5) {
            return [];
        }
        $count = self::i16($this->tables['glyf'], $at);

        return $count < 0 ? $this->composite($at + 10, $depth) : $this->simple($at + 10, $count);
    }

    /** @return list<list<array{float, float, bool}>> */
    private function simple(int $at, int $count): array
    {
        $b = $this->tables['glyf'];
        $ends = [];
        for ($i = 0; $i < $count; $i++, $at += 2) {
            $ends[] = self::u16($b, $at);
        }
        $at += 2 + self::u16($b, $at);
        $points = $ends === [] ? 0 : max($ends) + 1;
        $flags = [];
        while (count($flags) < $points) {
            $f = ord($b[$at++]);
            $flags[] = $f;
            if ($f & 8) {
                for ($k = ord($b[$at++]); $k > 0; $k--) {
                    $flags[] = $f;
                }
            }
        }
        $coordinates = [];
        foreach ([[2, 16], [4, 32]] as [$short, $same]) {
            $v = 0;
            $list = [];
            for ($i = 0; $i < $points; $i++) {
                if ($flags[$i] & $short) {
                    $v += $flags[$i] & $same ? ord($b[$at]) : -ord($b[$at]);
                    $at++;
                } elseif (!($flags[$i] & $same)) {
                    $v += self::i16($b, $at);
                    $at += 2;
                }
                $list[] = (float) $v;
            }
            $coordinates[] = $list;
        }
        $out = [];
        $from = 0;
        foreach ($ends as $end) {
            $contour = [];
            for ($i = $from; $i <= $end; $i++) {
                $contour[] = [$coordinates[0][$i], $coordinates[1][$i], (bool) ($flags[$i] & 1)];
            }
            $out[] = $contour;
            $from = $end + 1;
        }

        return $out;
    }

    /** @return list<list<array{float, float, bool}>> */
    private function composite(int $at, int $depth): array
    {
        $b = $this->tables['glyf'];
        $out = [];
        do {
            $flags = self::u16($b, $at);
            $g = self::u16($b, $at + 2);
            $at += 4;
            if ($flags & 1) {
                [$dx, $dy] = [self::i16($b, $at), self::i16($b, $at + 2)];
                $at += 4;
            } else {
                [$dx, $dy] = [(ord($b[$at]) ^ 128) - 128, (ord($b[$at + 1]) ^ 128) - 128];
                $at += 2;
            }
            $m = [1.0, 0.0, 0.0, 1.0];
            $part = static fn(int $k): float => self::i16($b, $at + 2 * $k) / 16384;
            if ($flags & 8) {
                $m = [$part(0), 0.0, 0.0, $part(0)];
                $at += 2;
            } elseif ($flags & 64) {
                $m = [$part(0), 0.0, 0.0, $part(1)];
                $at += 4;
            } elseif ($flags & 128) {
                $m = [$part(0), $part(1), $part(2), $part(3)];
                $at += 8;
            }
            foreach ($this->glyph($g, $depth + 1) as $contour) {
                $out[] = array_map(
                    static fn(array $p): array => [$m[0] * $p[0] + $m[2] * $p[1] + $dx, $m[1] * $p[0] + $m[3] * $p[1] + $dy, $p[2]],
                    $contour,
                );
            }
        } while ($flags & 32);

        return $out;
    }

    private static function u16(string $b, int $at): int
    {
        return (ord($b[$at]) << 8) | ord($b[$at + 1]);
    }

    private static function i16(string $b, int $at): int
    {
        return (self::u16($b, $at) ^ 0x8000) - 0x8000;
    }
}
