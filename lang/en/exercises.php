<?php

declare(strict_types=1);

return [
    'whole' => 'The exercise as a whole',
    'duplicate' => 'Make a copy',
    'file' => 'Take it along (one file)',
    'archive' => 'Put it away',
    'open' => 'Take it out again',
    'remove' => 'Remove it',
    'remove_ask' => 'Remove it for good?',
    'duplicated' => 'This is the copy, :title. What you change here changes nothing in the first.',
    'archived' => ':title is put away. Classes that have it go on.',
    'opened' => ':title is here again.',
    'removed' => ':title is removed.',
    'worked_at' => 'Somebody made something for it. Put it away instead; nothing is lost then.',
    'bring' => 'Or bring one in',
    'bring_about' => 'An exercise that was taken along from Cubo, with its reference part.',
    'bring_do' => 'Bring it in',
    'no_file' => 'Choose the file of an exercise, up to 10 MB.',
    'brought' => ':title is here, with its reference part. Look at what is asked, then set it.',
    'put_away' => 'Put away',
];
