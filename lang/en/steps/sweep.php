<?php

declare(strict_types=1);

return [
    'label' => 'sweep',
    'about' =>
        '`sketch`, `regions`; `along`: a `sketch` (`path`: its lines, arcs and curves follow each other, beginning upright on the region\'s plane; or one circle that the plane crosses upright) or once around a `face` (`face`, a flat one whose edge the region\'s plane crosses upright); `effect`',
    'sentence' => 'Sweep {name} from {sketch}, region {regions:regions, all or numbers}, {along} [{face}][{path}]',
    'fields' => ['along' => 'along what', 'path' => 'sketch of the path', 'face' => 'face it goes around'],
    'choices' => [
        'along' => ['sketch' => 'along the path in', 'face' => 'around the edge of'],
    ],
];
