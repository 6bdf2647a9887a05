<?php

declare(strict_types=1);

namespace Cubo\Exchange;

use Cubo\Geometry\PlaneCurve;
use Cubo\Solid\ExtrudedSurface;
use Cubo\Solid\GridPatch;
use Cubo\Solid\OffsetPatch;
use Cubo\Solid\PipeSurface;
use Cubo\Solid\RevolvedSurface;
use Cubo\Solid\Solid;
use Cubo\Solid\StretchedSurface;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceKind;
use LogicException;

/** A solid as bytes for caches: packed numbers, faster and smaller than serialize(). Not an exchange format. */
final class SolidPacking
{
    private const MAGIC = "CUBO\x02";

    public static function pack(Solid $s): string
    {
        $surfaces = json_encode(array_map(self::surface(...), $s->surfaces));
        $out = self::MAGIC . pack('V4', count($s->x), count($s->facet), count($s->nx), strlen((string) $surfaces)) . $surfaces;
        foreach ([$s->x, $s->y, $s->z, $s->nx, $s->ny, $s->nz, $s->offset] as $floats) {
            $out .= pack('e*', ...$floats);
        }
        foreach ([$s->start, $s->twin, $s->facet, $s->surfaceOf] as $ints) {
            $out .= pack('V*', ...$ints);
        }

        return $out;
    }

    /** Null when the bytes are not a packed solid (a torn file): the caller computes it anew. */
    public static function unpack(string $bytes): ?Solid
    {
        if (!str_starts_with($bytes, self::MAGIC) || strlen($bytes) < 21) {
            return null;
        }
        /** @var array{int,int,int,int} $n */
        $n = array_values((array) unpack('V4', $bytes, 5));
        [$nv, $nt, $nf, $ns] = $n;
        if (strlen($bytes) !== 21 + $ns + 8 * (3 * $nv + 4 * $nf) + 4 * (6 * $nt + $nt + $nf)) {
            return null;
        }
        $raw = json_decode(substr($bytes, 21, $ns), true);
        $at = 21 + $ns;
        $read = static function (string $code, int $count, int $size) use ($bytes, &$at): array {
            $v = $count === 0 ? [] : array_values((array) unpack($code . $count, $bytes, $at));
            $at += $count * $size;

            return $v;
        };
        $s = new Solid();
        foreach (['x', 'y', 'z'] as $k) {
            $s->$k = $read('e', $nv, 8);
        }
        foreach (['nx', 'ny', 'nz', 'offset'] as $k) {
            $s->$k = $read('e', $nf, 8);
        }
        $s->start = $read('V', 3 * $nt, 4);
        $s->twin = $read('V', 3 * $nt, 4);
        // the border of an open surface
        foreach (array_keys($s->twin, 0xffffffff, true) as $h) {
            $s->twin[$h] = -1;
        }
        $s->facet = $read('V', $nt, 4);
        $s->surfaceOf = $read('V', $nf, 4);
        $s->surfaces = array_map(self::readSurface(...), array_values((array) $raw));

        return $s;
    }

    /** @return array<mixed> */
    private static function surface(Surface $u): array
    {
        return [
            $u->kind->value,
            $u->name,
            self::floats([...$u->point, ...$u->axis, $u->radius, $u->slope, $u->tube]),
            match (true) {
                $u->patch instanceof GridPatch => [
                    'grid',
                    $u->patch->columns,
                    $u->patch->closed,
                    $u->patch->breaks,
                    self::floats($u->patch->us),
                    self::floats($u->patch->vs),
                    self::floats([...$u->patch->x, ...$u->patch->y, ...$u->patch->z]),
                ],
                $u->patch instanceof StretchedSurface => [
                    'stretched',
                    self::surface($u->patch->base),
                    self::floats([...$u->patch->back, ...$u->patch->shift]),
                ],
                $u->patch instanceof OffsetPatch => [
                    'offset',
                    self::surface(Surface::free('', $u->patch->base)),
                    self::floats([$u->patch->distance]),
                ],
                $u->patch instanceof ExtrudedSurface => [
                    'extruded',
                    self::curve($u->patch->curve),
                    self::floats([...$u->patch->origin, ...$u->patch->u, ...$u->patch->v]),
                ],
                $u->patch instanceof PipeSurface => [
                    'pipe',
                    self::curve($u->patch->curve),
                    self::floats([...$u->patch->origin, ...$u->patch->u, ...$u->patch->v, $u->patch->radius]),
                ],
                $u->patch instanceof RevolvedSurface => [
                    'revolved',
                    self::curve($u->patch->curve),
                    self::floats([...$u->patch->origin, ...$u->patch->axis]),
                ],
                $u->patch === null => null,
                default => throw new LogicException('This kind of free surface cannot be packed.'),
            },
        ];
    }

    /** @param array<mixed> $raw */
    private static function readSurface(array $raw): Surface
    {
        [$kind, $name, $numbers, $free] = $raw;
        $v = self::readFloats($numbers);
        $patch = null;
        if ($free !== null && $free[0] === 'grid') {
            [, $columns, $closed, $breaks, $us, $vs, $xyz] = $free;
            $values = self::readFloats($xyz);
            [$x, $y, $z] = array_chunk($values, max(1, intdiv(count($values), 3)));
            $patch = new GridPatch($x, $y, $z, $columns, $closed, self::readFloats($us), self::readFloats($vs), $breaks);
        } elseif ($free !== null && $free[0] === 'offset') {
            $base = self::readSurface($free[1])->patch ?? throw new LogicException('An offset surface lost what it is offset from.');
            $patch = OffsetPatch::of($base, self::readFloats($free[2])[0]);
        } elseif ($free !== null && $free[0] === 'extruded') {
            $n = self::readFloats($free[2]);
            $patch = new ExtrudedSurface(self::readCurve($free[1]), [$n[0], $n[1], $n[2]], [$n[3], $n[4], $n[5]], [$n[6], $n[7], $n[8]]);
        } elseif ($free !== null && $free[0] === 'pipe') {
            $n = self::readFloats($free[2]);
            $patch = new PipeSurface(self::readCurve($free[1]), [$n[0], $n[1], $n[2]], [$n[3], $n[4], $n[5]], [$n[6], $n[7], $n[8]], $n[9]);
        } elseif ($free !== null && $free[0] === 'revolved') {
            $n = self::readFloats($free[2]);
            $patch = new RevolvedSurface(self::readCurve($free[1]), [$n[0], $n[1], $n[2]], [$n[3], $n[4], $n[5]]);
        } elseif ($free !== null) {
            $n = self::readFloats($free[2]);
            $patch = new StretchedSurface(
                self::readSurface($free[1]),
                [$n[0], $n[1], $n[2], $n[3], $n[4], $n[5], $n[6], $n[7], $n[8]],
                [$n[9], $n[10], $n[11]],
            );
        }

        return new Surface(SurfaceKind::from($kind), $name, [$v[0], $v[1], $v[2]], [$v[3], $v[4], $v[5]], $v[6], $v[7], $v[8], $patch);
    }

    /** @return array{string, bool, string|null} */
    private static function curve(PlaneCurve $c): array
    {
        return [
            self::floats([...array_merge(...$c->through), ...$c->half === null ? [] : [$c->half]]),
            $c->half !== null,
            $c->at === null ? null : self::floats($c->at),
        ];
    }

    /** @param array<mixed> $raw */
    private static function readCurve(array $raw): PlaneCurve
    {
        $n = self::readFloats($raw[0]);

        return $raw[1]
            ? PlaneCurve::ellipse([$n[0], $n[1]], [$n[2], $n[3]], $n[4])
            : PlaneCurve::spline(
                array_map(static fn(array $p): array => [$p[0], $p[1]], array_chunk($n, 2)),
                isset($raw[2]) ? self::readFloats($raw[2]) : null,
            );
    }

    /** @param list<float> $v */
    private static function floats(array $v): string
    {
        return base64_encode(pack('e*', ...$v));
    }

    /** @return list<float> */
    private static function readFloats(string $bytes): array
    {
        return array_values((array) unpack('e*', (string) base64_decode($bytes, true)));
    }
}
