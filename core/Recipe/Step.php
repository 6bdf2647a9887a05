<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Recipe\Kind\Effect;
use Cubo\Recipe\Kind\Kind;
use Cubo\Recipe\Kind\Piece;
use Cubo\Sketch\Sketch;
use Cubo\Sketch\SketchFormat;

/**
 * One step as it was typed. Values are strings as typed, by the keys of the kind's fields; a sketch's "shapes" is a
 * list of {"kind": "rectangle", "from", "u", "v", "width", "height"} or {"kind": "circle", "u", "v", "by", "round"}, its
 * "drawn" is what SketchFormat reads. The note is a remark for people; a heading stands before its step and covers the
 * steps up to the next heading.
 */
final readonly class Step
{
    /** @param array<string, mixed> $values */
    public function __construct(
        public string $id,
        public Kind $kind,
        public string $name,
        public array $values,
        public bool $off = false,
        public string $note = '',
        public string $heading = '',
    ) {}

    /** A value as typed, or its default; nothing for a key this kind does not have. */
    public function text(string $key): string
    {
        $v = $this->values[$key] ?? $this->kind->field($key)?->default;

        return is_scalar($v) ? (string) $v : '';
    }

    /** Whether a value counts in the way the step is set: the face of a step that is set to a plane does not. */
    public function uses(string $key): bool
    {
        foreach ($this->kind->field($key)->when ?? [] as $other => $choices) {
            if (!in_array($this->text($other), $choices, true)) {
                return false;
            }
        }

        return true;
    }

    /** What becomes of the part with what it makes; null where it makes nothing of its own. */
    public function effect(): ?Effect
    {
        return $this->kind->always() ?? Effect::tryFrom($this->text('effect'));
    }

    /**
     * The step in words, with places for its name, the unit and its values.
     *
     * @param bool $reading whether it is only read: what is said of nothing is left out then
     * @return list<string|Piece>
     */
    public function sentence(bool $reading = false): array
    {
        return $this->kind->sentence(
            fn(string $key): string => $key === 'editing' ? ($reading ? '' : '1') : ($this->names($key) === [] ? $this->text($key) : '1'),
            fn(string $key): bool => $this->uses($key) &&
                !($reading && $this->kind->field($key)?->type->isList() === true && $this->names($key) === []),
        );
    }

    /** @return list<array<string, string>> */
    public function shapes(): array
    {
        $v = $this->values['shapes'] ?? [];

        return is_array($v) ? array_values($v) : [];
    }

    /**
     * The same by their letters. A letter stays with its outline when another one is taken out, since faces are called by
     * it: then it is written down, else it follows from the place.
     *
     * @return array<string, array<string, string>>
     */
    public function outlines(): array
    {
        $out = [];
        foreach ($this->shapes() as $i => $s) {
            $out[$s['letter'] ?? Letters::small($i)] = array_diff_key($s, ['letter' => true]);
        }

        return $out;
    }

    /** @param array<string, array<string, string>> $outlines by letter */
    public function withOutlines(array $outlines): self
    {
        $list = [];
        foreach ($outlines as $letter => $s) {
            $list[] = $s + (Letters::small(count($list)) === (string) $letter ? [] : ['letter' => (string) $letter]);
        }

        return $this->with('shapes', $list);
    }

    /** What is drawn in a sketch. */
    public function drawn(): Sketch
    {
        return isset($this->values['drawn']) ? SketchFormat::read($this->values['drawn']) : new Sketch();
    }

    /** @return list<int|string>|null numbers and keys, null for all */
    public function regions(): ?array
    {
        $v = $this->values['regions'] ?? 'all';

        return is_array($v)
            ? array_values(array_map(static fn(mixed $r): int|string => is_string($r) ? $r : (int) (is_scalar($r) ? $r : 0), $v))
            : null;
    }

    /** @return array<string, string> values for the named sizes of a group, as typed */
    public function sizes(string $key = 'set'): array
    {
        $v = $this->values[$key] ?? [];

        return is_array($v) ? array_filter($v, is_string(...)) : [];
    }

    /** @return list<string> names of picked faces or edges */
    public function names(string $key): array
    {
        $v = $this->values[$key] ?? [];

        return is_array($v) ? array_values(array_filter($v, is_string(...))) : [];
    }

    public function with(string $key, mixed $value): self
    {
        return $this->changed(['values' => [...$this->values, $key => $value]]);
    }

    public function named(string $name): self
    {
        return $this->changed(['name' => $name]);
    }

    public function switched(bool $off): self
    {
        return $this->changed(['off' => $off]);
    }

    public function noted(string $note): self
    {
        return $this->changed(['note' => $note]);
    }

    public function headed(string $heading): self
    {
        return $this->changed(['heading' => $heading]);
    }

    /** @param array<string, mixed> $new */
    private function changed(array $new): self
    {
        return new self(...[...get_object_vars($this), ...$new]);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $a = ['id' => $this->id, 'kind' => $this->kind->id(), 'name' => $this->name];
        if ($this->off) {
            $a['off'] = true;
        }
        if ($this->note !== '') {
            $a['note'] = $this->note;
        }
        if ($this->heading !== '') {
            $a['heading'] = $this->heading;
        }

        // always in one order, so that equal steps are written the same
        foreach ($this->kind->fields() as $key => $_) {
            if (array_key_exists($key, $this->values)) {
                $a[$key] = $this->values[$key];
            }
        }

        return $a;
    }
}
