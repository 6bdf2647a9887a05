<?php

declare(strict_types=1);

return [
    'label' => 'group',
    'about' => '`group`: the id of a group; `set`: values for its named sizes; at a place its own origin lies there',
    'sentence' => 'Place {name}, one of the group {group}{set}, {>stands}',
    'lies' => 'its origin',
    'fields' => ['group' => 'group', 'set' => 'its sizes'],
];
