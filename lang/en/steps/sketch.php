<?php

declare(strict_types=1);

return [
    'label' => 'sketch',
    'about' =>
        '`plane`, with `face` the name of a flat face the part has before this step; `offset`: distance of a parallel plane, upward in the table above; `turn`: degrees about the origin, counter-clockwise, and `u`, `v`: where the sketch\'s origin lies then; `drawn`: a drawing, see below; `shapes`: rectangles (`u`, `v`, `width`, `height`, `from`: `middle` or low left `corner`) and circles (`u`, `v`, `by`, `round`); an outline\'s faces are called by its letter, the n-th of the alphabet, or by `letter` where an outline before it was taken out',
    'sentence' =>
        'Sketch {name} on the {plane}[ {face}], {offset} {unit} from it[plane=face or turn!=0 or u!=0 or v!=0|, turned by {turn:turn in degrees}°, its origin at {u}, {v}]',
    'too-much' => 'The lines cross in too many places, or too many sizes depend on each other. Spread the drawing over several sketches.',
    'fields' => [
        'turn' => 'turn about its origin',
        'u' => 'its origin to the right',
        'v' => 'its origin up',
        'shapes' => 'outlines',
        'drawn' => 'drawing',
    ],
];
