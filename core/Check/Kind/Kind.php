<?php

declare(strict_types=1);

namespace Cubo\Check\Kind;

use Cubo\Quantity\Unit;

/**
 * A kind of requirement: all that is said of it in one place. How it is measured it says by being Measured, what can be
 * asked of a part by being Proposes; Kinds lists it. docs/checks.md says how each one is measured.
 */
abstract class Kind
{
    /** As an exercise writes it: the name of its class in small letters, its words joined by "-". */
    final public function id(): string
    {
        return strtolower((string) preg_replace('/(?<!^)[A-Z]/', '-$0', substr((string) strrchr(static::class, '\\'), 1)));
    }

    abstract public function heading(): Heading;

    abstract public function sort(): Sort;

    /**
     * What is asked, in words.
     *
     * @param array<string, float|int|string> $where
     */
    abstract public function asked(float $nominal, array $where, Unit $unit): string;

    /**
     * The keys of "where" it cannot do without.
     *
     * @return list<string>
     */
    public function needs(): array
    {
        return [];
    }

    /** The limit a teacher may type for it. */
    public function limit(): ?Limit
    {
        return null;
    }

    /** Whether the nominal value is what the teacher states and not a size of the reference part. */
    public function isStated(): bool
    {
        return $this->limit() !== null;
    }

    /**
     * What else a teacher may type: lengths above zero, or values as a student types them.
     *
     * @return list<string> keys of "where"
     */
    public function typed(): array
    {
        return [];
    }

    /** Whether it can be measured only of a surface that is closed. */
    public function needsClosed(): bool
    {
        return false;
    }

    /** Whether one look at every triangle tells it, without faces, rays and distances. */
    public function isPlain(): bool
    {
        return $this->isMaking();
    }

    /** Whether it is about the steps a part is made of and not about its geometry. */
    final public function isMaking(): bool
    {
        return $this->heading() === Heading::Making;
    }

    final public function isPrinting(): bool
    {
        return $this->heading() === Heading::Printing;
    }

    final public function isLength(): bool
    {
        return $this->sort() === Sort::Length;
    }

    final public function isAngle(): bool
    {
        return $this->sort() === Sort::Angle;
    }

    final public function isShare(): bool
    {
        return $this->sort() === Sort::Share;
    }

    final public function hasTolerance(): bool
    {
        return $this->sort()->hasTolerance();
    }

    /** Whether it is a rounded or chamfered edge, which has general tolerances of its own. */
    public function isEdge(): bool
    {
        return false;
    }

    /** The round feature it is about, where it is about a single one. */
    public function of(): ?Feature
    {
        return null;
    }

    /** Whether its nominal value is how wide that feature is. */
    public function isWidth(): bool
    {
        return false;
    }

    /** How it is written on a drawing; null where it is not. */
    public function drawn(): ?Drawn
    {
        return null;
    }

    /** Whether it depends on how a part lies and is quickly measured. */
    public function tellsPose(): bool
    {
        return false;
    }

    /** Whether it must still be met when a size of the part was changed. */
    public function mustHold(float $nominal): bool
    {
        return false;
    }

    /** Whether its name says its nominal value, so that it changes with it. */
    public function isNamedByValue(): bool
    {
        return false;
    }

    /** Whether the part must be made anew to meet it. */
    public function asksForAnotherWay(): bool
    {
        return false;
    }
}
