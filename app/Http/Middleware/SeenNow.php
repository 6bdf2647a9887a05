<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Person;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Notes when somebody was last here, at most every few minutes. */
final class SeenNow
{
    private const MINUTES = 5;

    public function handle(Request $request, Closure $next): Response
    {
        $person = $request->user();
        if ($person instanceof Person && ($person->last_seen_at === null || $person->last_seen_at->lt(now()->subMinutes(self::MINUTES)))) {
            $person->forceFill(['last_seen_at' => now()])->saveQuietly();
        }

        return $next($request);
    }
}
