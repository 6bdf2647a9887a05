<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

final class TeachersOnly
{
    public function handle(Request $request, Closure $next): Response
    {
        abort_unless((bool) $request->user()?->isTeacher(), 403);

        return $next($request);
    }
}
