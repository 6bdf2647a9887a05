<?php

declare(strict_types=1);

namespace Cubo\Sketch;

/** What can be asked of the things of a sketch; the kinds from Length on are dimensions and have a value. */
enum RelationKind: string
{
    case Coincident = 'coincident';
    case Midpoint = 'midpoint';
    case Horizontal = 'horizontal';
    case Vertical = 'vertical';
    case Parallel = 'parallel';
    case Perpendicular = 'perpendicular';
    case Collinear = 'collinear';
    case Tangent = 'tangent';
    case Concentric = 'concentric';
    case Equal = 'equal';
    case Symmetric = 'symmetric';
    case Fixed = 'fixed';

    case Length = 'length';

    /** the straight way between two points, a point and a line, or two parallel lines */
    case Distance = 'distance';
    case HorizontalDistance = 'horizontal distance';
    case VerticalDistance = 'vertical distance';
    case Radius = 'radius';
    case Diameter = 'diameter';

    /** twice the distance from a centre line, as a drawing of a turned part gives it */
    case DiameterAcross = 'diameter across';

    /** degrees, between two lines as seen from the point they share, or else along their own directions */
    case Angle = 'angle';

    public function isDimension(): bool
    {
        return match ($this) {
            self::Length,
            self::Distance,
            self::HorizontalDistance,
            self::VerticalDistance,
            self::Radius,
            self::Diameter,
            self::DiameterAcross,
            self::Angle
                => true,
            default => false,
        };
    }
}
