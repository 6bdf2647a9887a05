<?php

declare(strict_types=1);

namespace Cubo\Recipe;

/** Clearance holes for screws, mm: fine, medium, coarse (ISO 273:1979, from memory of the table). */
final class ScrewSizes
{
    public const CLEARANCE = [
        'M2' => [2.2, 2.4, 2.6],
        'M2.5' => [2.7, 2.9, 3.1],
        'M3' => [3.2, 3.4, 3.6],
        'M4' => [4.3, 4.5, 4.8],
        'M5' => [5.3, 5.5, 5.8],
        'M6' => [6.4, 6.6, 7.0],
        'M8' => [8.4, 9.0, 10.0],
        'M10' => [10.5, 11.0, 12.0],
        'M12' => [13.0, 13.5, 14.5],
        'M16' => [17.0, 17.5, 18.5],
        'M20' => [21.0, 22.0, 24.0],
    ];

    public const FITS = ['fine' => 0, 'medium' => 1, 'coarse' => 2];
}
