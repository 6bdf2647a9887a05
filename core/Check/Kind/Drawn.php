<?php

declare(strict_types=1);

namespace Cubo\Check\Kind;

/** How what is asked is written on a drawing. */
enum Drawn
{
    /** an overall size along an axis */
    case Overall;
    /** from the first face along an axis to another one */
    case Step;
    /** between two data */
    case Between;
    /** a diameter at a circle */
    case Diameter;
    /** a place by its distances from two faces */
    case Place;
}
