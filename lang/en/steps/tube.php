<?php

declare(strict_types=1);

return [
    'label' => 'tube',
    'about' => 'as the cylinder, its outside, with `wall`',
    'sentence' => 'Place a tube {name}, {>round} outside, wall {wall}, length {length} {unit}, {along}, {>stands}',
    'lies' => 'its beginning',
];
