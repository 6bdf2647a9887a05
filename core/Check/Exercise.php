<?php

declare(strict_types=1);

namespace Cubo\Check;

use Cubo\Quantity\Unit;
use Cubo\Recipe\Letters;
use Cubo\Recipe\Recipe;

/** What a part is checked against: the drawing's unit and the requirements. As a file: see docs/recipe.md. */
final readonly class Exercise
{
    public const FORMAT = 'cubo-exercise/1';

    /**
     * @param list<Requirement> $requirements
     * @param bool $turned whether the part may lie in another way than the drawing shows it
     * @param Recipe|null $reference the part itself, where a file carries it
     */
    public function __construct(
        public Unit $unit,
        public array $requirements,
        public string $title = '',
        public bool $turned = false,
        public ?Recipe $reference = null,
    ) {}

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
            if (!$r->asked) {
                return $r->change(letter: '');
            }

            return $r->change(letter: Letters::size($n++));
        }, $list);
    }

    /** @return list<Requirement> */
    public function asked(): array
    {
        return array_values(array_filter($this->requirements, static fn(Requirement $r): bool => $r->asked));
    }

    public function toJson(): string
    {
        return (string) json_encode(
            ['format' => self::FORMAT, 'title' => $this->title, 'unit' => $this->unit->value] +
                ($this->turned ? ['turned' => true] : []) +
                ($this->reference === null ? [] : ['reference' => $this->reference->toArray()]) + [
                    'requirements' => array_map(
                        static fn(Requirement $r): array => ['where' => (object) $r->where] + $r->toArray(),
                        $this->requirements,
                    ),
                ],
            JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
        );
    }
}
