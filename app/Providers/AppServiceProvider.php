<?php

declare(strict_types=1);

namespace App\Providers;

use App\Support\PartFiles;
use App\Support\School\Setup;
use App\Support\Workbench;
use App\Support\WorkerSigns;
use Cubo\Words\Words;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Illuminate\Queue\Events\JobExceptionOccurred;
use Illuminate\Queue\Events\JobFailed;
use Illuminate\Queue\Events\JobProcessed;
use Illuminate\Queue\Events\JobProcessing;
use Illuminate\Queue\Events\Looping;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\ServiceProvider;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->scoped(PartFiles::class, static fn(): PartFiles => new PartFiles(storage_path('app/parts')));
        // how long is waited for parts is said for a request
        $this->app->scoped(Workbench::class);
    }

    public function boot(): void
    {
        Words::speak($this->app->getLocale());
        $zone = Setup::zone();
        if ($zone !== null) {
            config(['app.timezone' => $zone]);
            date_default_timezone_set($zone);
        }
        Event::listen(Looping::class, static fn() => WorkerSigns::alive());
        Event::listen(JobProcessing::class, static fn(JobProcessing $e) => WorkerSigns::begins((string) $e->job->getJobId()));
        Event::listen(
            [JobProcessed::class, JobExceptionOccurred::class, JobFailed::class],
            static fn(JobProcessed|JobExceptionOccurred|JobFailed $e) => WorkerSigns::ends((string) $e->job->getJobId()),
        );
        Model::shouldBeStrict(!$this->app->isProduction());
        // what is typed is kept as typed; a limit on edits only keeps a stuck key from filling the disk
        RateLimiter::for('edits', static fn(Request $r): Limit => Limit::perMinute(240)->by((string) $r->user()?->id));
        // a drag asks many times a second and saves nothing
        RateLimiter::for('pad', static fn(Request $r): Limit => Limit::perMinute(1500)->by((string) $r->user()?->id));
        RateLimiter::for('heavy', static fn(Request $r): Limit => Limit::perMinute(60)->by((string) $r->user()?->id));
    }
}
