<?php

declare(strict_types=1);

return [
    'label' => 'roof',
    'about' => '`width`, `depth`, `height`; the ridge runs to the back',
    'sentence' => 'Place a roof {name}, {width} by {depth}, {height} {unit} high, {>stands}',
];
