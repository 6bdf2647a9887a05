<?php

declare(strict_types=1);

return [
    'label' => 'draft',
    'about' => '`faces`; `angle`; `plane`, `face`, `offset`: where they keep their place',
    'sentence' => 'Tilt {name} {faces} by {angle:angle in degrees}° about the {>plane}',
    'too-much' => 'The part has too many faces for this. Do it before the part gets so fine.',
    'refused' => 'These faces cannot be tilted so.',
    'fields' => ['faces' => 'faces'],
];
