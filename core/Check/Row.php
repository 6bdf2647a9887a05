<?php

declare(strict_types=1);

namespace Cubo\Check;

/**
 * The outcome for one requirement. `place` marks the spot on the part: {"kind": "span", "a", "b"} (a length between two
 * points), {"kind": "ring", "centre", "axis", "radius"} {"kind": "between", "a", "b"},
 * {"kind": "plane", "corners", "at"} (a plane and the spot that tells) or {"kind": "spot", "at"}, in mm; null when there is none.
 */
final readonly class Row
{
    /**
     * @param 'met'|'off'|'missing'|'unknown' $status unknown: it could not be measured, the diagnosis says why
     * @param array<string, mixed>|null $place
     */
    public function __construct(
        public string $id,
        public string $letter,
        public string $label,
        public string $kind,
        public string $asked,
        public string $tolerance,
        public string $measured,
        public ?float $deviation,
        public float $allowed,
        public string $deviationText,
        public string $status,
        public string $word,
        public string $diagnosis,
        public int $points,
        public ?array $place,
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return get_object_vars($this);
    }

    /** @param array<string, mixed> $a */
    public static function fromArray(array $a): self
    {
        return new self(...$a);
    }
}
