<?php

declare(strict_types=1);

namespace Cubo\Check;

/** What can be asked of a part; docs/checks.md says how each one is measured. */
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
    case PinDiameter = 'pin-diameter';
    case PinPlace = 'pin-place';
    case PinHeight = 'pin-height';
    /** between the axes of two parallel holes */
    case AxisDistance = 'axis-distance';
    /** the wide end of a conical sinking of a hole, and its opening in degrees */
    case SinkDiameter = 'sink-diameter';
    case SinkAngle = 'sink-angle';
    /** opening of a standing cone, degrees */
    case Taper = 'taper';
    case SlotLength = 'slot-length';
    case SlotWidth = 'slot-width';
    /** how many holes of one diameter run along an axis */
    case HoleCount = 'hole-count';
    /** diameter of the circle the axes of such holes lie on */
    case PitchCircle = 'pitch-circle';
    /** from one to the next in an even row of such holes */
    case Pitch = 'pitch';
    /** radius of rounded edges, and how many there are */
    case Rounds = 'rounds';
    /** width of chamfers at 45 degrees, and how many there are */
    case Chamfers = 'chamfers';
    /** distance between two parallel flat faces */
    case FaceDistance = 'face-distance';
    /** between any two of flat faces, axes and corners */
    case Distance = 'distance';
    /** a slanting flat face against a plane across an axis, degrees */
    case Angle = 'angle';
    case Volume = 'volume';
    case Area = 'area';
    /** mass in grams for a density */
    case Mass = 'mass';
    /** where the centre of mass is, from the outermost faces */
    case Centroid = 'centroid';
    /** mirror symmetry in a plane through the part's middle, or through the origin */
    case Symmetry = 'symmetry';
    case NotSymmetric = 'not-symmetric';
    /** comes to lie on itself when it is turned by the n-th part of a full turn */
    case Rotation = 'rotation';
    case Bodies = 'bodies';
    case Closed = 'closed';
    /** its middle is above the origin */
    case Centred = 'centred';
    /** lies the way the reference part does */
    case Pose = 'pose';
    /** has at least this share in common with the reference part, percent */
    case Shape = 'shape';
    /** fits the printer's bed */
    case FitsBed = 'fits-bed';
    /** stands on the ground with at least this flat area */
    case Standing = 'standing';
    /** no wall thinner than this */
    case Wall = 'wall';
    /** no gap narrower than this */
    case Gap = 'gap';
    /** at most this area hangs over at less than an angle, bridges left out */
    case Overhang = 'overhang';
    /** nothing is laid over air farther than this */
    case Bridge = 'bridge';
    /** nothing begins in the air */
    case Islands = 'islands';
    /** may be leaned by this angle before it falls, degrees */
    case Tips = 'tips';
    /** no closed space inside */
    case Hollow = 'hollow';
    /** no bodies that touch only along an edge or in a point */
    case EdgeContact = 'edge-contact';
    /** made with a kind of step, or without it */
    case StepUsed = 'step-used';
    case StepAvoided = 'step-avoided';
    case StepsMost = 'steps-most';
    /** no free movement left in a sketch, and the first one tied to the origin */
    case SketchesSettled = 'sketches-settled';
    case SketchTied = 'sketch-tied';
    /** handed in before with another main step, and still the same part */
    case TwoWays = 'two-ways';
    /** a size is changed in the student's own steps, and the part must still hold */
    case WhatIf = 'what-if';

    /** Whether the tolerance is something the teacher may set. */
    public function hasTolerance(): bool
    {
        return $this->isLength() || in_array($this, [self::HolePlace, self::PinPlace, self::Volume, self::Area, self::Mass, self::Centroid, self::Symmetry, self::Rotation, self::Centred, self::SinkAngle, self::Taper, self::Angle], true);
    }

    /** Whether it is a length whose tolerance may be unequal, limits, a class or a fit. */
    public function isLength(): bool
    {
        return in_array($this, [self::Size, self::HoleDiameter, self::HoleDepth, self::PinDiameter, self::PinHeight, self::AxisDistance, self::SinkDiameter, self::SlotLength, self::SlotWidth, self::PitchCircle, self::Pitch, self::Rounds, self::Chamfers, self::FaceDistance, self::Distance], true);
    }

    /** Whether its tolerance is a share of the nominal value, percent. */
    public function isShare(): bool
    {
        return in_array($this, [self::Volume, self::Area, self::Mass], true);
    }

    /** Whether nominal value and tolerance are degrees. */
    public function isAngle(): bool
    {
        return in_array($this, [self::SinkAngle, self::Taper, self::Angle, self::Tips], true);
    }

    /** Whether it is a rounded or chamfered edge, which has general tolerances of its own. */
    public function isEdge(): bool
    {
        return $this === self::Rounds || $this === self::Chamfers;
    }

    public function isOfHole(): bool
    {
        return in_array($this, [self::HoleDiameter, self::HolePlace, self::HoleDepth], true);
    }

    public function isOfPin(): bool
    {
        return in_array($this, [self::PinDiameter, self::PinPlace, self::PinHeight], true);
    }

    /** Whether it says where something is, by `u` and `v`, within a tolerance. */
    public function isPlace(): bool
    {
        return in_array($this, [self::HolePlace, self::PinPlace, self::Centroid, self::Centred], true);
    }

    /** Whether the nominal value is a limit the teacher states rather than a size of the reference part. */
    public function isLimit(): bool
    {
        return in_array($this, [self::FitsBed, self::Standing, self::Wall, self::Gap, self::Overhang, self::Bridge, self::Tips, self::Shape, self::StepsMost, self::NotSymmetric, self::StepUsed, self::StepAvoided, self::WhatIf], true);
    }

    /** Whether it is about the steps a part is made of and not about its geometry. */
    public function isMaking(): bool
    {
        return in_array($this, [self::StepUsed, self::StepAvoided, self::StepsMost, self::SketchesSettled, self::SketchTied, self::TwoWays, self::WhatIf], true);
    }

    /** Whether it is about printing. */
    public function isPrinting(): bool
    {
        return in_array($this, [self::FitsBed, self::Standing, self::Wall, self::Gap, self::Overhang, self::Bridge, self::Islands, self::Tips, self::Hollow, self::EdgeContact], true);
    }

    /** Under which heading it is offered. */
    public function family(): string
    {
        return match (true) {
            $this->isMaking() => 'How it is made',
            $this->isPrinting() => 'For printing',
            in_array($this, [self::Size, self::FaceDistance, self::Distance, self::Angle], true) => 'More sizes and angles',
            $this->isOfHole(), in_array($this, [self::AxisDistance, self::SinkDiameter, self::SinkAngle, self::SlotLength, self::SlotWidth, self::HoleCount, self::PitchCircle, self::Pitch], true) => 'More about holes and slots',
            $this->isOfPin(), in_array($this, [self::Taper, self::Rounds, self::Chamfers], true) => 'Rounds, cones and edges',
            in_array($this, [self::Symmetry, self::NotSymmetric, self::Rotation, self::Centred, self::Pose], true) => 'Symmetry and place',
            default => 'The whole part',
        };
    }

    /** Whether it can be measured of a surface that is open. */
    public function needsClosed(): bool
    {
        return in_array($this, [self::Volume, self::Mass, self::Centroid, self::Shape, self::Tips, self::Hollow], true);
    }

    /** Whether one look at every triangle tells it, without faces, rays and distances. */
    public function isPlain(): bool
    {
        return $this->isMaking() || in_array($this, [self::Size, self::Volume, self::Area, self::Mass, self::Centroid, self::Bodies, self::Closed, self::Centred, self::FitsBed, self::Standing], true);
    }

    /**
     * The keys of "where" this kind cannot do without.
     *
     * @return list<string>
     */
    public function whereKeys(): array
    {
        return match ($this) {
            self::Size, self::Symmetry, self::NotSymmetric => ['axis'],
            self::Rotation => ['axis', 'order'],
            self::HoleDiameter, self::HolePlace, self::HoleDepth, self::PinDiameter, self::PinPlace, self::PinHeight, self::SinkDiameter, self::SinkAngle, self::Taper, self::SlotLength, self::SlotWidth => ['axis', 'u', 'v'],
            self::AxisDistance => ['axis', 'u', 'v', 'u2', 'v2'],
            self::HoleCount, self::PitchCircle, self::Pitch => ['axis', 'diameter'],
            self::Rounds, self::Chamfers => ['count'],
            self::FaceDistance => ['axis', 'highSign'],
            self::Distance => ['from', 'to', 'x1', 'y1', 'z1', 'x2', 'y2', 'z2'],
            self::Angle => ['axis', 'nx', 'ny', 'nz'],
            self::Mass => ['density'],
            self::Centroid, self::FitsBed => ['x', 'y', 'z'],
            self::StepUsed, self::StepAvoided => ['step'],
            self::WhatIf => ['size', 'becomes'],
            default => [],
        };
    }
}
