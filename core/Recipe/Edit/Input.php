<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Budget\Limits;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\Step;

/** What was sent with an edit, value by value; what is not there or of another sort is as nothing. */
final readonly class Input
{
    /** Things that are named at once. */
    private const FEW = 3;

    /** mm: no push goes farther */
    private const FAR = 10000.0;

    /** @param array<string, mixed> $in */
    public function __construct(private array $in) {}

    public function text(string $key): string
    {
        return $this->maybe($key) ?? '';
    }

    /** Text, or null where there is none. */
    public function maybe(string $key): ?string
    {
        $v = $this->in[$key] ?? null;

        return is_scalar($v) ? (string) $v : null;
    }

    /** The same, where leaving it away means something else than leaving it empty. */
    public function given(string $key): ?string
    {
        return array_key_exists($key, $this->in) ? $this->text($key) : null;
    }

    public function whole(string $key, int $else = 0): int
    {
        return is_numeric($this->in[$key] ?? null) ? (int) $this->in[$key] : $else;
    }

    public function real(string $key): float
    {
        return is_numeric($this->in[$key] ?? null) ? (float) $this->in[$key] : 0.0;
    }

    public function is(string $key): bool
    {
        return (bool) ($this->in[$key] ?? false);
    }

    /** @return array<array-key, mixed> */
    public function several(string $key): array
    {
        return is_array($this->in[$key] ?? null) ? $this->in[$key] : [];
    }

    /** @return list<string> names of faces, edges or corners, a few at the most */
    public function names(string $key = 'of'): array
    {
        return array_slice(
            array_values(
                array_filter($this->several($key), static fn(mixed $n): bool => is_string($n) && $n !== '' && strlen($n) <= Limits::NAME),
            ),
            0,
            self::FEW,
        );
    }

    /** @return list<string> ids of those steps that are there */
    public function steps(Recipe $r): array
    {
        return array_values(array_filter($this->several('steps'), static fn(mixed $id): bool => is_string($id) && $r->step($id) !== null));
    }

    /** The step it is of. */
    public function step(Recipe $r): ?Step
    {
        return $r->step($this->text('step'));
    }

    /** The step it comes after, where that is there. */
    public function after(Recipe $r): ?string
    {
        return $r->step($this->text('after'))?->id;
    }

    /** @return array{float,float,float} mm */
    public function way(): array
    {
        $by = array_map(
            static fn(mixed $v): float => is_numeric($v) && abs((float) $v) <= self::FAR ? (float) $v : 0.0,
            array_values($this->several('by')),
        ) + [0.0, 0.0, 0.0];

        return [$by[0], $by[1], $by[2]];
    }
}
