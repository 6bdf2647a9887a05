<?php

declare(strict_types=1);

namespace Cubo\Check;

/** What can be asked of a part. */
enum RequirementKind: string
{
    /** overall size along an axis */
    case Size = 'size';
    /** diameter of a hole */
    case HoleDiameter = 'hole-diameter';
    /** where a hole's axis is, from the part's left, front and bottom outermost faces */
    case HolePlace = 'hole-place';
    /** how deep a hole is to where its full width ends; 0 for one that goes through */
    case HoleDepth = 'hole-depth';
    /** distance between two parallel flat faces */
    case FaceDistance = 'face-distance';
    case Volume = 'volume';
    /** mirror symmetry in a plane through the part's middle */
    case Symmetry = 'symmetry';
    case Bodies = 'bodies';
    case Closed = 'closed';
    /** fits the printer's bed */
    case FitsBed = 'fits-bed';
    /** stands on the ground with at least this flat area */
    case Standing = 'standing';
    /** no wall thinner than this */
    case Wall = 'wall';

    /** Whether the tolerance is a length the teacher may set. */
    public function hasTolerance(): bool
    {
        return ! in_array($this, [self::Bodies, self::Closed, self::FitsBed, self::Standing, self::Wall], true);
    }

    /** Whether it is a length whose tolerance may be unequal, limits, a class or a fit. */
    public function isLength(): bool
    {
        return in_array($this, [self::Size, self::HoleDiameter, self::HoleDepth, self::FaceDistance], true);
    }

    public function isOfHole(): bool
    {
        return in_array($this, [self::HoleDiameter, self::HolePlace, self::HoleDepth], true);
    }

    /** Whether the nominal value is a limit the teacher states rather than a size of the reference part. */
    public function isLimit(): bool
    {
        return in_array($this, [self::FitsBed, self::Standing, self::Wall], true);
    }

    /**
     * The keys of "where" this kind cannot do without.
     *
     * @return list<string>
     */
    public function whereKeys(): array
    {
        return match ($this) {
            self::Size, self::Symmetry => ['axis'],
            self::HoleDiameter, self::HolePlace, self::HoleDepth => ['axis', 'u', 'v'],
            self::FaceDistance => ['axis', 'highSign'],
            self::FitsBed => ['x', 'y', 'z'],
            default => [],
        };
    }
}
