<?php

declare(strict_types=1);

namespace Cubo\Check\Datum;

use Cubo\Geometry\Vector;
use Cubo\Measure\PartMeasures;

/**
 * Finds on a part the face, axis or corner that a requirement names: of the same kind, running the same way, nearest to its
 * place. A face beyond a size that is wrong has moved with it: its place is taken from the far side of the box too, and the
 * nearer one counts.
 *
 * @phpstan-type V array{float,float,float}
 */
final readonly class Matching
{
    /** Cosine of the lean up to which a direction is the same. */
    private const LIKE = 0.9995;

    /** What is farther off than this share of the part is another one. */
    private const FAR = 0.35;

    /** Where a face lies along itself says less than where its plane is: holes and steps move its middle. */
    private const ALONG = 0.05;

    /** Candidates whose distances differ by less, mm, are equally likely; nearer than NEAR to its place nothing is doubted. */
    private const SAME = 1e-3;

    private const NEAR = 0.01;

    /** @var list<Datum> */
    private array $all;

    /** @param V|null $size of the box of the part the requirement was read from */
    public function __construct(private PartMeasures $part, private ?array $size = null)
    {
        $this->all = Datum::all($part);
    }

    /** @return array{Datum, bool}|null what is meant, and whether another is as likely */
    public function find(Datum $asked): ?array
    {
        $size = $this->part->bounds()->size();
        $moved = $this->size === null ? [0.0, 0.0, 0.0] : Vector::sub($size, $this->size);
        $found = [];
        foreach ($this->all as $d) {
            if ($d->kind !== $asked->kind) {
                continue;
            }
            if ($asked->direction !== null && $d->direction !== null) {
                $same = Vector::dot($asked->direction, $d->direction);
                if (($asked->kind->isAxis() ? abs($same) : $same) < self::LIKE) {
                    continue;
                }
            }
            $found[] = [$d, $this->away($d, $asked, $moved)];
        }
        usort($found, static fn (array $p, array $q): int => $p[1] <=> $q[1]);
        if ($found === [] || (count($found) > 1 && $found[0][1] > self::FAR * max($size))) {
            return null;
        }
        $doubt = false;
        foreach (array_slice($found, 1, 3) as [$other, $away]) {
            $doubt = $doubt || ($found[0][1] > self::NEAR && $away - $found[0][1] < self::SAME && ! self::equal($found[0][0], $other));
        }

        return [$found[0][0], $doubt];
    }

    /** @param V $moved */
    private function away(Datum $d, Datum $asked, array $moved): float
    {
        $off = [];
        foreach (Vector::sub($d->at, $asked->at) as $k => $v) {
            $off[$k] = abs($v - $moved[$k]) < abs($v) ? $v - $moved[$k] : $v;
        }
        $n = $asked->direction;
        if ($n === null) {
            return Vector::length($off);
        }
        $along = abs(Vector::dot($off, $n));
        $across = sqrt(max(0.0, Vector::dot($off, $off) - $along ** 2));

        return $asked->kind === DatumKind::Face ? $along + self::ALONG * $across : $across;
    }

    /** Faces of one plane, and holes on one axis, measure the same. */
    private static function equal(Datum $a, Datum $b): bool
    {
        $way = Vector::sub($b->at, $a->at);
        if ($a->direction === null) {
            return false;
        }
        $along = Vector::dot($way, $a->direction);

        return $a->kind === DatumKind::Face ? abs($along) < self::SAME : Vector::dot($way, $way) - $along ** 2 < self::SAME ** 2;
    }
}
