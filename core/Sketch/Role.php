<?php

declare(strict_types=1);

namespace Cubo\Sketch;

/** What a line of a sketch is for: only outlines bound areas. */
enum Role: string
{
    case Outline = 'outline';

    /** a construction line */
    case Construction = 'construction';

    /** a centre line: what is mirrored or revolved refers to it */
    case Centre = 'centre';
}
