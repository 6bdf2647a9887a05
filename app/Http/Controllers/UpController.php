<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Support\Health;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** For whoever watches from outside: whether Cubo works, and to the machine itself also how it stands and which copy of it answers. */
final class UpController extends Controller
{
    public function __invoke(Request $request): JsonResponse
    {
        $h = Health::now();
        $own = in_array($request->server('REMOTE_ADDR'), ['127.0.0.1', '::1'], true);

        return response()
            ->json($own ? $h + ['copy' => substr(sha1(base_path()), 0, 8)] : ['ok' => $h['ok']], $h['ok'] ? 200 : 503)
            ->header('Cache-Control', 'no-store');
    }
}
