<?php

declare(strict_types=1);

require __DIR__ . '/../vendor/autoload.php';

exit(App\Cli\ModelCommands::run(array_slice($argv, 1)));
