<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Support\Tidying;
use Illuminate\Console\Command;

final class Tidy extends Command
{
    protected $signature = 'cubo:tidy';

    protected $description = 'Keeps made parts, logs and old notes within their size';

    public function handle(): int
    {
        $parts = Tidying::prune((int) config('cubo.parts_mb'));
        $logs = Tidying::logs();
        Tidying::rows();
        $classes = Tidying::classes();
        $this->line("$parts made parts thrown away, $logs logs put aside, $classes classes removed.");

        return self::SUCCESS;
    }
}
