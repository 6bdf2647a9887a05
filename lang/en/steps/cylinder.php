<?php

declare(strict_types=1);

return [
    'label' => 'cylinder',
    'about' =>
        '`by`: `diameter` or `radius`; `round`; `length`; `along`: `z`, `x` or `y`; at a place it is the start of its axis that lies there',
    'sentence' => 'Place a cylinder {name}, {>round}, length {length} {unit}, {along}, {>stands}',
    'lies' => 'its beginning',
];
