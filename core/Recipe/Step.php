<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Sketch\Sketch;
use Cubo\Sketch\SketchFormat;

/**
 * One step as it was typed. Values are strings as typed, by the keys of the kind's fields; a sketch's "shapes" is a
 * list of {"kind": "rectangle", "from", "u", "v", "width", "height"} or {"kind": "circle", "u", "v", "by", "round"}, its
 * "drawn" is what SketchFormat reads.
 */
final readonly class Step
{
    /** @param array<string, mixed> $values */
    public function __construct(
        public string $id,
        public StepKind $kind,
        public string $name,
        public array $values,
        public bool $off = false,
    ) {}

    /** A value as typed, or its default; nothing for a key this kind does not have. */
    public function text(string $key): string
    {
        $v = $this->values[$key] ?? ($this->kind->fields()[$key] ?? null)?->default;

        return is_scalar($v) ? (string) $v : '';
    }

    /** @return list<array<string, string>> */
    public function shapes(): array
    {
        $v = $this->values['shapes'] ?? [];

        return is_array($v) ? array_values($v) : [];
    }

    /** What is drawn in a sketch. */
    public function drawn(): Sketch
    {
        return isset($this->values['drawn']) ? SketchFormat::read($this->values['drawn']) : new Sketch;
    }

    /** @return list<int|string>|null numbers and keys, null for all */
    public function regions(): ?array
    {
        $v = $this->values['regions'] ?? 'all';

        return is_array($v) ? array_values(array_map(static fn (mixed $r): int|string => is_string($r) ? $r : (int) (is_scalar($r) ? $r : 0), $v)) : null;
    }

    /** @return list<string> names of picked faces or edges */
    public function names(string $key): array
    {
        $v = $this->values[$key] ?? [];

        return is_array($v) ? array_values(array_filter($v, is_string(...))) : [];
    }

    public function with(string $key, mixed $value): self
    {
        return new self($this->id, $this->kind, $this->name, [...$this->values, $key => $value], $this->off);
    }

    public function named(string $name): self
    {
        return new self($this->id, $this->kind, $name, $this->values, $this->off);
    }

    public function switched(bool $off): self
    {
        return new self($this->id, $this->kind, $this->name, $this->values, $off);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $a = ['id' => $this->id, 'kind' => $this->kind->value, 'name' => $this->name];
        if ($this->off) {
            $a['off'] = true;
        }

        return $a + $this->values;
    }
}
