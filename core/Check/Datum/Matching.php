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

    /** @param PartMeasures|null $reference the part the requirement was read from */
    public function __construct(private PartMeasures $part, private ?PartMeasures $reference = null)
    {
        $this->all = Datum::all($part);
    }

    /**
     * Both ends of a distance. What is nearest to both places is the one it is nearer to; the other is another one, or
     * not there.
     *
     * @return array{array{Datum, bool}|null, array{Datum, bool}|null}
     */
    public function pair(Datum $from, Datum $to): array
    {
        [$a, $b] = [$this->find($from), $this->find($to)];
        if ($a === null || $b === null || $a[0] !== $b[0]) {
            return [$a, $b];
        }
        $moved = $this->moved();

        return $this->away($a[0], $from, $moved) <= $this->away($b[0], $to, $moved)
            ? [$a, $this->find($to, $a[0])]
            : [$this->find($from, $b[0]), $b];
    }

    /** @return array{Datum, bool}|null what is meant, and whether another is as likely */
    public function find(Datum $asked, ?Datum $taken = null): ?array
    {
        $moved = $this->moved();
        $found = array_map(fn(Datum $d): array => [$d, $this->away($d, $asked, $moved)], self::like($asked, $this->all));
        $only = count($found) === 1 && ($this->reference === null || count(self::like($asked, Datum::all($this->reference))) === 1);
        $found = array_values(array_filter($found, static fn(array $f): bool => $f[0] !== $taken));
        usort($found, static fn(array $p, array $q): int => $p[1] <=> $q[1]);
        if ($found === [] || (!$only && $found[0][1] > self::FAR * max($this->part->bounds()->size()))) {
            return null;
        }
        $doubt = false;
        foreach (array_slice($found, 1, 3) as [$other, $away]) {
            $doubt = $doubt || ($found[0][1] > self::NEAR && $away - $found[0][1] < self::SAME && !self::equal($found[0][0], $other));
        }

        return [$found[0][0], $doubt];
    }

    /** @return V by how much the part is larger than the one the requirement was read from */
    private function moved(): array
    {
        return $this->reference === null ? [0.0, 0.0, 0.0] : Vector::sub($this->part->bounds()->size(), $this->reference->bounds()->size());
    }

    /**
     * @param list<Datum> $all
     * @return list<Datum> of the same kind and running the same way
     */
    private static function like(Datum $asked, array $all): array
    {
        return array_values(
            array_filter($all, static function (Datum $d) use ($asked): bool {
                if ($d->kind !== $asked->kind || $asked->direction === null || $d->direction === null) {
                    return $d->kind === $asked->kind;
                }
                $same = Vector::dot($asked->direction, $d->direction);

                return ($asked->kind->isAxis() ? abs($same) : $same) >= self::LIKE;
            }),
        );
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
