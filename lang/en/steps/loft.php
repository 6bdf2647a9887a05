<?php

declare(strict_types=1);

return [
    'label' => 'loft',
    'about' =>
        '`sketches`: ids in order, one outline each; `skin`: `straight` or `smooth`; `guide`: a sketch of lines, arcs or curves, each from the first outline to the last, that pull the skin onto themselves; `across`: a second one on another plane; `effect`',
    'sentence' => 'Loft {name} through {sketches}, with a {skin} skin, guided by {guide}[guide!=| and across by {across}]',
    'fields' => [
        'sketches' => 'sketches',
        'skin' => 'skin',
        'guide' => 'sketch of lines that guide the skin',
        'across' => 'sketch of guides across it',
    ],
    'choices' => [
        'skin' => ['straight' => 'straight', 'smooth' => 'smooth'],
    ],
];
