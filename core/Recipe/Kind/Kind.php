<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind;

use Closure;
use Cubo\Words\Words;

/**
 * A kind of step: all that is said of it in one place. Its words stand in steps/{id}.php of the language, its drawing in
 * resources/icons/steps/{id}.svg; Kinds lists it. What it does to the part it says by being Makes or Changes, and may be
 * Recurs, HasArrows and Warns.
 */
abstract class Kind
{
    /** @var array<string, Field>|null by key */
    private ?array $fields = null;

    private string $id = '';

    /** As a recipe writes it: the name of its class in small letters. */
    final public function id(): string
    {
        return $this->id !== '' ? $this->id : ($this->id = strtolower(substr((string) strrchr(static::class, '\\'), 1)));
    }

    abstract public function family(): Family;

    abstract public function needs(): Need;

    /** @return list<Field> its values, in the order in which they are written */
    abstract protected function values(): array;

    /** @return array<string, Field> by key */
    final public function fields(): array
    {
        if ($this->fields === null) {
            $this->fields = [];
            foreach ($this->values() as $f) {
                $this->fields[$f->key] = $f->of($this->id());
            }
        }

        return $this->fields;
    }

    final public function field(string $key): ?Field
    {
        return $this->fields()[$key] ?? null;
    }

    final public function has(string $key): bool
    {
        return isset($this->fields()[$key]);
    }

    /** What the kind is called. */
    final public function label(): string
    {
        return Words::of("steps/{$this->id()}.label");
    }

    /** The same at the beginning of a name. */
    final public function word(): string
    {
        return ucfirst($this->label());
    }

    /**
     * A step of this kind in words, with places for "name", "unit" and its values.
     *
     * @param Closure(string): string $value what is chosen or typed for a key
     * @param Closure(string): bool $matters
     * @return list<string|Piece>
     */
    final public function sentence(Closure $value, Closure $matters): array
    {
        $words = fn(string $code): string => Words::maybe("steps/{$this->id()}.$code") ?? Words::of("steps/shared.$code");
        $template = $words('sentence');
        while (preg_match('/\{>([a-z]+)\}/', $template, $m) === 1) {
            $template = str_replace($m[0], $words($m[1]), $template);
        }

        return Sentence::pieces($template, $value, $matters);
    }

    /**
     * What is said when the step would be too much work.
     *
     * @param Closure(string): string $value what is chosen or typed for a key
     */
    final public function tooMuch(Closure $value): string
    {
        return Sentence::text(Words::maybe("steps/{$this->id()}.too-much") ?? Words::of('steps/shared.too-much'), $value);
    }

    /** The key of the value to look at then, where there is one. */
    public function tooMuchAt(): ?string
    {
        return null;
    }

    /** Whether it is a sketch, which later steps take areas and lines from, and leaves the part as it is. */
    public function draws(): bool
    {
        return false;
    }

    /** Whether it places a group. */
    final public function placesGroup(): bool
    {
        return $this->has('group');
    }

    /** Whether it is a solid of its own that stands somewhere. */
    final public function stands(): bool
    {
        return $this->has('stand');
    }

    /** Whether it makes something of its own that can be mirrored or repeated. */
    final public function makes(): bool
    {
        return $this->has('effect') || $this->always() !== null;
    }

    /** What becomes of the part with what it makes, where that is not chosen. */
    public function always(): ?Effect
    {
        return null;
    }

    /** Whether its x, y and z say how the step's result is moved, so that a push moves it. */
    public function isPushed(): bool
    {
        return $this->has('x') && $this->has('y') && $this->has('z');
    }

    /** The key of the angle by which its result is turned about the upright, where it has one. */
    public function turnsBy(): ?string
    {
        return $this->has('facing') ? 'facing' : null;
    }

    /**
     * The keys of the point its own axis goes through, where the step is set so.
     *
     * @param Closure(string): string $value what is chosen or typed for a key
     * @return list<string>
     */
    public function axisAt(Closure $value): array
    {
        return [];
    }

    /** The key of the flat face whose frame its places are measured in, where it has one. */
    public function framedBy(): ?string
    {
        return $this->stands() ? 'on' : null;
    }

    /** The key of the angle by which it is turned in that frame, where it has one. */
    public function turnedInFrameBy(): ?string
    {
        return null;
    }

    /** Whether a teacher would ask for a part to be made with it. */
    public function isTelling(): bool
    {
        return false;
    }

    /** Whether a teacher would ask for a part to be made without it. */
    public function isSuspect(): bool
    {
        return false;
    }

    /**
     * Values of a new step where others than the defaults suit what is there.
     *
     * @param list<string> $sketches ids of the sketches before it, in order
     * @return array<string, mixed>
     */
    public function begin(array $sketches): array
    {
        return [];
    }
}
