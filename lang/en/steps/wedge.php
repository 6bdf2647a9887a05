<?php

declare(strict_types=1);

return [
    'label' => 'wedge',
    'about' => '`width`, `depth`, `height` behind, `low` in front, which may be 0',
    'sentence' => 'Place a wedge {name}, {width} by {depth}, {height} high behind and {low} {unit} in front, {>stands}',
    'fields' => ['height' => 'height behind', 'low' => 'height in front'],
];
