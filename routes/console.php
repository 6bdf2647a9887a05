<?php

declare(strict_types=1);

use App\Models\School;
use App\Support\School\Setup;
use Database\Seeders\DemoSchoolSeeder;
use Illuminate\Support\Facades\Artisan;

Artisan::command('cubo:schools', function (): void {
    $this->line((string) School::query()->count());
})->purpose('Says how many schools there are');

Artisan::command('cubo:sign-ins', function (): void {
    if (Setup::isOpen()) {
        $this->line('');
        $this->line('  No school yet. Set yours up at ' . (getenv('CUBO_ADDRESS') ?: '') . '/setup?key=' . Setup::key());
        $this->line('');
    }
    if (School::query()->where('name', DemoSchoolSeeder::SCHOOL)->doesntExist()) {
        return;
    }
    $this->line('');
    foreach (DemoSchoolSeeder::TEACHERS as $email => $name) {
        $this->line("  Teacher   $name: $email, password " . DemoSchoolSeeder::PASSWORD);
    }
    foreach (DemoSchoolSeeder::CLASSES as $class => $code) {
        $this->line(
            "  Students  class $class: class code $code, own code such as " .
                DemoSchoolSeeder::code($class === '7a' ? 'Ada' : 'Mira') .
                ' (' .
                ($class === '7a' ? 'Ada' : 'Mira') .
                '), PIN ' .
                DemoSchoolSeeder::PIN,
        );
    }
    $this->line('');
})->purpose('Prints the sign-ins of the demo school');
