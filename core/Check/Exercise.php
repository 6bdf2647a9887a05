<?php

declare(strict_types=1);

namespace Cubo\Check;

use Cubo\Check\Tolerance\Tolerance;
use Cubo\Quantity\Unit;
use Cubo\Quantity\UnreadableExpression;
use Cubo\Recipe\Letters;

/** What a part is checked against: the drawing's unit and the requirements. As a file: see docs/recipe.md. */
final readonly class Exercise
{
    public const FORMAT = 'cubo-exercise/1';

    /** @param list<Requirement> $requirements */
    public function __construct(public Unit $unit, public array $requirements, public string $title = '') {}

    /** @throws UnreadableExercise */
    public static function fromJson(string $json): self
    {
        $a = json_decode($json, true, 32);
        if (! is_array($a) || ($a['format'] ?? null) !== self::FORMAT || ! is_array($a['requirements'] ?? null)) {
            throw new UnreadableExercise('This is not an exercise: "format" must be "' . self::FORMAT . '" and "requirements" a list.');
        }
        $unit = Unit::tryFrom((string) ($a['unit'] ?? '')) ?? throw new UnreadableExercise('"unit" must be "mm" or "in".');

        $list = array_map(Requirement::fromArray(...), array_values($a['requirements']));
        foreach ($list as $r) {
            try {
                $r->as === '' || Tolerance::typed($r->as, $r->nominal, $unit);
            } catch (UnreadableExpression $e) {
                throw new UnreadableExercise("The tolerance “{$r->as}” of {$r->label} cannot be read. {$e->getMessage()}");
            }
        }

        return new self($unit, self::lettered($list), (string) ($a['title'] ?? ''));
    }

    /**
     * Letters for what is asked, in order, without I and O.
     *
     * @param list<Requirement> $list
     * @return list<Requirement>
     */
    public static function lettered(array $list): array
    {
        $n = 0;

        return array_map(static function (Requirement $r) use (&$n): Requirement {
            if (! $r->asked) {
                return $r->change(letter: '');
            }
            return $r->change(letter: Letters::size($n++));
        }, $list);
    }

    /** @return list<Requirement> */
    public function asked(): array
    {
        return array_values(array_filter($this->requirements, static fn (Requirement $r): bool => $r->asked));
    }

    public function toJson(): string
    {
        return (string) json_encode(['format' => self::FORMAT, 'title' => $this->title, 'unit' => $this->unit->value,
            'requirements' => array_map(static fn (Requirement $r): array => ['where' => (object) $r->where] + $r->toArray(), $this->requirements)], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }
}
