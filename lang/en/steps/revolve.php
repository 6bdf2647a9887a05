<?php

declare(strict_types=1);

return [
    'label' => 'revolve',
    'about' =>
        '`sketch`, `regions`; `about`: a `line` of the sketch (`axis`: its name, `u-axis` or `v-axis`) or an `edge` of the part that lies in the sketch\'s plane (`edge`); `close`: `yes` leads the ends of an open outline straight to the axis where there is no closed one; `angle`; `way`: `down` (away from the viewer of the sketch), `up` or `middle`; `effect`',
    'sentence' =>
        'Revolve {name} from {sketch}, region {regions:regions, all or numbers}, about {about} [{edge}][{axis:line or axis of the sketch}] by {angle:angle in degrees}°[angle!=360| {way}][close=yes|; open outlines {close}]',
    'fields' => ['about' => 'about what', 'close' => 'open outlines', 'way' => 'which way'],
    'choices' => [
        'about' => ['line' => 'the sketch’s', 'edge' => 'the edge'],
        'close' => ['no' => 'stay open', 'yes' => 'are closed against the axis'],
        'way' => ['down' => 'away from you', 'up' => 'towards you', 'middle' => 'evenly to both sides'],
    ],
];
