<?php

declare(strict_types=1);

return [
    'accepted' =>
        '{0} Nothing that waits met everything.|{1} 1 part that met everything was accepted.|[2,*] :count parts that met everything were accepted.',
    'accept_met' => 'Accept all that met everything',
    'step' => '{0} no step yet|{1} step 1|[2,*] step :count',
    'stuck' => 'same slip three times',
    'minutes' => '{0} now|[1,*] :count min ago',
    'next' => 'Next',
    'before' => 'Before',
    'next_about' => 'the next one of the class (key N)',
    'before_about' => 'the one before in the class (key B)',
    'as_of' => 'As of',
];
