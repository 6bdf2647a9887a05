<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Support\WorkerSigns;
use Illuminate\Console\Command;

final class Release extends Command
{
    protected $signature = 'cubo:release';

    protected $description = 'Gives the jobs of workers that are gone to others';

    public function handle(): int
    {
        $this->line(WorkerSigns::release() . ' jobs given back.');

        return self::SUCCESS;
    }
}
