<?php

declare(strict_types=1);

return [
    'calendar' => 'Cubo: work that is due',
    'today' => 'today :time',
    'yesterday' => 'yesterday :time',
];
