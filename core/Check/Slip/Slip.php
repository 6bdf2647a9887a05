<?php

declare(strict_types=1);

namespace Cubo\Check\Slip;

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
        return match ($this) {
            self::Unit => 'Millimetres and inches mixed up',
            self::Scaled => 'Everything too large or too small by one factor',
            self::OneUnit => 'One size in the wrong unit',
            self::DiameterRadius => 'Diameter and radius mixed up',
            self::DecimalPoint => 'A decimal point slipped',
            self::DigitsSwapped => 'Two digits swapped',
            self::SizeWrong => 'One size typed wrong',
            self::SizesSwapped => 'Two sizes swapped',
            self::TotalAsHalf => 'A whole taken for a half, or a half for the whole',
            self::OffByBase => 'A height counted with or without the base',
            self::HoleWrongFace => 'A hole on the wrong face',
            self::HoleWrongEdge => 'A place measured from the wrong edge',
            self::PlaceWrong => 'A place typed wrong',
            self::NotThrough => 'A hole that does not go through',
            self::TooDeep => 'A hole that goes too deep',
            self::WrongDirection => 'Made in the wrong direction',
            self::FeatureMissing => 'Something is missing',
            self::FeatureDoubled => 'Something is there twice',
            self::FeatureExtra => 'Something is there that is not asked',
            self::RegionForgotten => 'An area of the sketch left out',
            self::AllRegions => 'All areas of the sketch taken instead of some',
            self::HalfPart => 'Only half of the part',
            self::MirrorImage => 'A mirror image of the part',
            self::Turned => 'The part lies another way',
            self::HalfBelow => 'Half of the height below the ground',
            self::BelowGround => 'Below the ground',
            self::AboveGround => 'Floats above the ground',
            self::TaperReversed => 'A taper the other way round',
            self::NotJoined => 'Parts that are not joined',
            self::SeemsJoined => 'Parts that only seem to touch',
            self::LeftOver => 'A body left over',
            self::OpenMesh => 'The surface has gaps',
            self::DoubledMesh => 'The surface is there twice',
            self::InsideOut => 'The surface is inside out',
        };
    }
}
