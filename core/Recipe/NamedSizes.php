<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Quantity\Expression;
use Cubo\Quantity\Unit;
use Cubo\Quantity\UnreadableExpression;

/** The table of named sizes of a recipe, as values: each may be built on others. */
final class NamedSizes
{
    /** The counter of a repeat, where the table has no size of that name: 0 in the step itself, 1, 2, 3 ... in its copies. */
    public const COUNTER = 'n';

    public const NAME = '/^[a-z][a-z0-9_]{0,23}$/';

    /** @var array<string, array{float,int}> by name: mm with 1, or a plain number with 0 */
    private array $values = [];

    /** @var array<string, string> what is wrong, in words, by name */
    public array $problems = [];

    /** @var array<string, true> being read just now */
    private array $open = [];

    private int $counter = 0;

    /** @param array<string, string> $typed by name */
    public function __construct(private readonly array $typed, private readonly Unit $unit)
    {
        foreach (array_keys($typed) as $name) {
            try {
                $this->read((string) $name);
            } catch (UnreadableExpression) {
                // kept in $problems
            }
        }
    }

    /**
     * What is typed with other names in it.
     *
     * @param array<string, string> $names old => new
     */
    public static function renamed(string $typed, array $names): string
    {
        return $names === []
            ? $typed
            : (string) preg_replace_callback(
                '/(?<![a-z0-9_])(' . implode('|', array_map(strval(...), array_keys($names))) . ')(?![a-z0-9_])/',
                static fn(array $m): string => $names[$m[1]],
                $typed,
            );
    }

    /** The same for a copy of a step. */
    public function counting(int $n): self
    {
        $other = clone $this;
        $other->counter = $n;

        return $other;
    }

    /**
     * What stands behind a name; null when there is no such name.
     *
     * @return array{float,int}|null
     *
     * @throws UnreadableExpression when its value cannot be read
     */
    public function __invoke(string $name): ?array
    {
        if (isset($this->typed[$name])) {
            return $this->read($name);
        }

        return $name === self::COUNTER ? [(float) $this->counter, 0] : null;
    }

    /**
     * @return array{float,int}
     */
    private function read(string $name): array
    {
        if (isset($this->values[$name])) {
            return $this->values[$name];
        }
        if (isset($this->problems[$name])) {
            throw new UnreadableExpression("“{$name}” in the table of sizes cannot be read.");
        }
        if (isset($this->open[$name])) {
            throw new UnreadableExpression(
                'The values of ' . implode(' and ', array_keys($this->open)) . ' refer to each other in a circle.',
            );
        }
        $this->open[$name] = true;
        try {
            return $this->values[$name] = Expression::value($this->typed[$name], $this->unit, $this);
        } catch (UnreadableExpression $e) {
            $this->problems[$name] = $e->getMessage();
            throw new UnreadableExpression("“{$name}” in the table of sizes cannot be read.");
        } finally {
            unset($this->open[$name]);
        }
    }

    /** A value as it is shown: in the recipe's unit. */
    public function shown(string $name): string
    {
        [$v, $dimension] = $this->values[$name] ?? [null, 0];

        return $v === null
            ? ''
            : ($dimension === 1
                ? $this->unit->brief($v) . ' ' . $this->unit->value
                : rtrim(rtrim(number_format($v, 4, '.', ''), '0'), '.'));
    }

    /**
     * The values of all names that stand in some text, by which it is known whether what they decide has changed.
     *
     * @return array<string, array{float,int}|null>
     */
    public function in(string $text): array
    {
        preg_match_all('/[a-z][a-z0-9_]*/', $text, $m);
        $out = [];
        foreach (array_intersect(array_unique($m[0]), array_map(strval(...), array_keys($this->typed))) as $name) {
            $out[$name] = $this->values[$name] ?? null;
        }

        return $out;
    }
}
