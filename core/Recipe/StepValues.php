<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Quantity\Expression;
use Cubo\Quantity\Unit;
use Cubo\Quantity\UnreadableExpression;
use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;

/** The typed values of a step as numbers; whatever is wrong with one becomes a StepProblem at its field. */
final readonly class StepValues
{
    /** No size beyond ten metres, mm. */
    public const MOST = 10000.0;

    /** @param NamedSizes|null $named the recipe's table of sizes */
    public function __construct(public Step $step, private Unit $unit, private ?NamedSizes $named = null) {}

    public function for(Step $other): self
    {
        return new self($other, $this->unit, $this->named);
    }

    /** The same for the n-th copy of the step. */
    public function counting(int $n): self
    {
        return new self($this->step, $this->unit, ($this->named ?? new NamedSizes([], $this->unit))->counting($n));
    }

    public function number(string $key): float
    {
        $field = $this->step->kind->fields()[$key];

        return match ($field->type) {
            FieldType::Angle, FieldType::Factor => $this->plain($this->step->text($key), $key),
            FieldType::Count => $this->count($key),
            default => $this->length($this->step->text($key), $key, $field, $field->type),
        };
    }

    /** The radius of a round value given by diameter or radius. */
    public function radius(string $key): float
    {
        return $this->number($key) / ($this->step->text('by') === 'radius' ? 1 : 2);
    }

    /** @return array{float,float,float} */
    public function place(): array
    {
        return [$this->number('x'), $this->number('y'), $this->number('z')];
    }

    /** @param Field|string $called what it is called, or the field that says so when it must */
    public function length(string $typed, string $key, Field|string $called, FieldType $type): float
    {
        $label = static fn(): string => is_string($called) ? $called : $called->label();
        try {
            $mm = Expression::length($typed, $this->unit, $this->named);
        } catch (UnreadableExpression $e) {
            throw new StepProblem(
                new Message('unreadable', 'This size cannot be read.', "The {$label()} says “{$typed}”. " . $e->getMessage(), $key),
            );
        }
        if (abs($mm) > self::MOST) {
            throw new StepProblem(
                new Message(
                    'too-large',
                    'This is too large.',
                    "The {$label()} is " . $this->unit->brief($mm) . ' ' . $this->unit->word() . ', which is more than 10 metres.',
                    $key,
                ),
            );
        }
        if (($type === FieldType::Size && $mm <= 0) || ($type === FieldType::SizeOrZero && $mm < 0)) {
            throw new StepProblem(
                new Message(
                    'not-positive',
                    $mm < 0 ? 'This size is below zero.' : 'This size is zero.',
                    "The {$label()} is " . $this->unit->brief($mm) . '. A size must be more than 0; the direction is chosen apart from it.',
                    $key,
                ),
            );
        }
        if ($type === FieldType::Size && $mm < 1e-3) {
            throw new StepProblem(
                new Message('too-small', 'This is too small.', "The {$label()} is less than a thousandth of a millimetre.", $key),
            );
        }

        return $mm;
    }

    /**
     * What is set for a named size of a group.
     *
     * @param Unit $unit of the group
     * @return array{float,int} mm with 1, or a plain number with 0
     */
    public function named(string $typed, string $name, Unit $unit): array
    {
        try {
            return Expression::value($typed, $unit, $this->named);
        } catch (UnreadableExpression $e) {
            throw new StepProblem(
                new Message(
                    'unreadable',
                    'This size cannot be read.',
                    "For “{$name}” it says “{$typed}”. " . $e->getMessage(),
                    "set.$name",
                ),
            );
        }
    }

    private function plain(string $typed, string $key): float
    {
        try {
            $v = Expression::number($typed, $this->named);
        } catch (UnreadableExpression $e) {
            throw new StepProblem(
                new Message('unreadable', 'This number cannot be read.', "It says “{$typed}”. " . $e->getMessage(), $key),
            );
        }

        return abs($v) <= 1e6
            ? $v
            : throw new StepProblem(new Message('too-large', 'This is too large.', 'No turn needs a number like that.', $key));
    }

    private function count(string $key): float
    {
        $v = $this->plain($this->step->text($key), $key);
        if ($v < 1 || $v > 50 || abs($v - round($v)) > 1e-9) {
            throw new StepProblem(new Message('not-a-count', 'This is no count.', 'It must be a whole number from 1 to 50.', $key));
        }

        return round($v);
    }
}
