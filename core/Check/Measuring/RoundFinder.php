<?php

declare(strict_types=1);

namespace Cubo\Check\Measuring;

use Cubo\Check\Kind\Feature;
use Cubo\Check\Requirement;
use Cubo\Measure\Hole;
use Cubo\Measure\PartMeasures;

/** Which hole or pin of a part is meant by what is asked: asked places and those there are, paired one to one. */
final class RoundFinder
{
    /** of a mm: places that differ by less are one */
    private const DECIMALS = 6;

    /** @var array<string, array<string, array{Hole, Hole|null}>> by kind and axis */
    private array $pairs = [];

    /** @param list<Requirement> $asked */
    public function __construct(private readonly PartMeasures $part, private readonly array $asked) {}

    /** @return array{Hole, Hole|null}|null the one that is most likely meant, and another one that is as likely */
    public function of(Requirement $r): ?array
    {
        return $this->pairs($r->axis(), $r->kind->of() === Feature::Pin)[self::key($r)] ?? null;
    }

    /** @return array{Hole|null, Hole|null} the two holes of a distance */
    public function both(Requirement $r): array
    {
        $pairs = $this->pairs($r->axis(), false);

        return [$pairs[self::key($r)][0] ?? null, $pairs[self::key($r, '2')][0] ?? null];
    }

    /** The place, and the width where several are asked on one axis: counterbored holes have two there. */
    private static function key(Requirement $r, string $end = ''): string
    {
        return round($r->number("u$end"), self::DECIMALS) .
            '|' .
            round($r->number("v$end"), self::DECIMALS) .
            '|' .
            ($end === '' && isset($r->where['nth']) ? (string) $r->where['nth'] : '0');
    }

    /** Whether it is about holes, or pins, that are to be found. */
    private static function isAbout(Requirement $r, bool $pins): bool
    {
        return $pins ? $r->kind->of() === Feature::Pin : $r->kind->of() === Feature::Hole || self::hasSecond($r);
    }

    private static function hasSecond(Requirement $r): bool
    {
        return isset($r->where['u2']);
    }

    /** @return array<string, array{Hole, Hole|null}> by asked place */
    private function pairs(int $axis, bool $pins): array
    {
        $which = ($pins ? 'p' : 'h') . $axis;
        if (isset($this->pairs[$which])) {
            return $this->pairs[$which];
        }
        $f = $this->part->features();
        $found = array_values(array_filter($pins ? $f->bosses : $f->holes, static fn(Hole $h): bool => $h->principal() === $axis));
        $places = [];
        foreach ($this->asked as $r) {
            if (!isset($r->where['axis']) || $r->axis() !== $axis || !self::isAbout($r, $pins)) {
                continue;
            }
            $wide = $r->kind->isWidth() ? $r->nominal : null;
            $places[self::key($r)] = [
                $r->number('u'),
                $r->number('v'),
                $wide ?? ($places[self::key($r)][2] ?? (isset($r->where['diameter']) ? $r->number('diameter') : null)),
            ];
            if (self::hasSecond($r)) {
                $places[self::key($r, '2')] ??= [$r->number('u2'), $r->number('v2'), null];
            }
        }

        return $this->pairs[$which] = Pairing::of($found, $places, $axis, $this->part->bounds());
    }
}
