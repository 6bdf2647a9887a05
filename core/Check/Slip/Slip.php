<?php

declare(strict_types=1);

namespace Cubo\Check\Slip;

use Cubo\Words\Words;

/** What probably went wrong. The catalogue is common practice in class, no source; docs/checks.md says how each is told. */
enum Slip: string
{
    case Unit = 'unit';
    case Scaled = 'scaled';
    case OneUnit = 'one-unit';
    case DiameterRadius = 'diameter-radius';
    case DecimalPoint = 'decimal-point';
    case DigitsSwapped = 'digits-swapped';
    case SizeWrong = 'size-wrong';
    case SizesSwapped = 'sizes-swapped';
    case TotalAsHalf = 'total-as-half';
    case OffByBase = 'off-by-base';
    case HoleWrongFace = 'hole-wrong-face';
    case HoleWrongEdge = 'hole-wrong-edge';
    case PlaceWrong = 'place-wrong';
    case NotThrough = 'not-through';
    case TooDeep = 'too-deep';
    case WrongDirection = 'wrong-direction';
    case FeatureMissing = 'feature-missing';
    case FeatureDoubled = 'feature-doubled';
    case FeatureExtra = 'feature-extra';
    case RegionForgotten = 'region-forgotten';
    case AllRegions = 'all-regions';
    case HalfPart = 'half-part';
    case MirrorImage = 'mirror-image';
    case Turned = 'turned';
    case HalfBelow = 'half-below';
    case BelowGround = 'below-ground';
    case AboveGround = 'above-ground';
    case TaperReversed = 'taper-reversed';
    case NotJoined = 'not-joined';
    case SeemsJoined = 'seems-joined';
    case LeftOver = 'left-over';
    case OpenMesh = 'open-mesh';
    case DoubledMesh = 'doubled-mesh';
    case InsideOut = 'inside-out';

    public function title(): string
    {
        return Words::of("checks/slips.$this->value");
    }
}
