<?php

declare(strict_types=1);

namespace Cubo\Sketch;

use Cubo\Quantity\Expression;
use Cubo\Quantity\Unit;
use Cubo\Quantity\UnreadableExpression;

/** The typed values of a sketch's dimensions as numbers. A value may use the names of other dimensions. */
final class DimensionValues
{
    /** mm */
    private const MOST = 10000.0;

    /** @var array<string, float> mm or degrees, by dimension; without those that are measured or cannot be read */
    public array $values = [];

    /** @var array<string, string> what is wrong, in words, by dimension */
    public array $problems = [];

    /** @var array<string, true> being read just now */
    private array $open = [];

    /** @param (callable(string): (array{float,int}|null))|null $outer names known beyond the sketch */
    public function __construct(private readonly Sketch $sketch, private readonly Unit $unit, private $outer = null)
    {
        foreach ($sketch->relations as $r) {
            if ($r->kind->isDimension() && !$r->measured) {
                $this->value($r);
            }
        }
    }

    private function value(Relation $r): ?float
    {
        if (isset($this->values[$r->id])) {
            return $this->values[$r->id];
        }
        if (isset($this->problems[$r->id])) {
            return null;
        }
        if (isset($this->open[$r->id])) {
            $this->problems[$r->id] = 'The values of ' . implode(' and ', array_keys($this->open)) . ' refer to each other in a circle.';

            return null;
        }
        $this->open[$r->id] = true;
        try {
            $named = function (string $name): ?array {
                $other = $this->sketch->relations[$name] ?? null;
                if ($other === null || !$other->kind->isDimension()) {
                    return $this->outer === null ? null : ($this->outer)($name);
                }
                if ($other->measured) {
                    throw new UnreadableExpression("“{$name}” is only measured; a value cannot be built on it.");
                }
                $value = $this->value($other);
                if ($value === null) {
                    throw new UnreadableExpression($this->problems[$name] ?? "“{$name}” cannot be read.");
                }

                return [$value, $other->kind === RelationKind::Angle ? 0 : 1];
            };
            $v =
                $r->kind === RelationKind::Angle
                    ? Expression::number($r->value, $named)
                    : Expression::length($r->value, $this->unit, $named);
            $problem = $this->outOfRange($r->kind, $v);
            if ($problem !== null) {
                throw new UnreadableExpression($problem);
            }
            if (!isset($this->problems[$r->id])) {
                return $this->values[$r->id] = $v;
            }
        } catch (UnreadableExpression $e) {
            $this->problems[$r->id] ??= $e->getMessage();
        } finally {
            unset($this->open[$r->id]);
        }

        return null;
    }

    private function outOfRange(RelationKind $kind, float $v): ?string
    {
        return match (true) {
            $kind === RelationKind::Angle => $v > 0 && $v < 180 ? null : 'An angle lies between 0 and 180 degrees.',
            abs($v) > self::MOST => 'This is more than 10 metres.',
            // points may stand level, and lie on a centre line
            in_array(
                $kind,
                [RelationKind::HorizontalDistance, RelationKind::VerticalDistance, RelationKind::Distance, RelationKind::DiameterAcross],
                true,
            )
                => $v >= 0 ? null : 'This is below zero. A distance has no sign; the side is that on which it is drawn.',
            $v <= 0 => $v < 0 ? 'This is below zero.' : 'This is zero.',
            $v < 1e-3 => 'This is less than a thousandth of a millimetre.',
            default => null,
        };
    }
}
