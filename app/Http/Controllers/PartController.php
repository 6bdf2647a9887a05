<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Recipe;
use App\Support\Workbench;
use Cubo\Budget\Limit;
use Cubo\Budget\OverBudget;
use Cubo\Exchange\Format\Formats;
use Cubo\Solid\Solid;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The part of a recipe as a file. */
final class PartController extends Controller
{
    public function glb(Recipe $recipe, string $key, Workbench $bench): Response
    {
        $this->authorize('view', $recipe);
        $bench->waits(Workbench::AGAIN);
        // the address names the geometry, of the whole or of the group that is open; an older one is no longer to be had here
        $state = $bench->evaluate($recipe->atHand());
        $state = $state->key === $key ? $state : $bench->evaluate($recipe->document());
        abort_unless($state->key === $key, 404);

        return self::file($bench->glb($state), 'model/gltf-binary')->header('Cache-Control', 'private, max-age=31536000, immutable');
    }

    public function download(Recipe $recipe, string $ending, Workbench $bench): Response
    {
        $this->authorize('view', $recipe);
        $document = $recipe->document();
        $name = self::name($recipe);
        if ($ending === 'json') {
            return self::file(
                (string) json_encode($document->toArray(), JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
                'application/json',
                "$name.json",
            );
        }

        $bench->waits(Workbench::AGAIN);
        $state = $bench->evaluate($document);

        return $state->isFinished() ? self::export($state->part(), $ending, $name) : throw new OverBudget(Limit::Time);
    }

    public static function export(Solid $part, string $ending, string $name): Response
    {
        abort_if($part->isEmpty(), 404, 'There is no part yet.');

        $format = Formats::writtenAs(".$ending");
        abort_unless($format !== null && $format->isOffered(), 404);

        return self::file($format->write($part, $name), $format->type(), "$name.{$format->ending()}");
    }

    public static function file(string $bytes, string $type, ?string $name = null): Response
    {
        $response = response($bytes, 200, ['Content-Type' => $type]);

        return $name === null ? $response : $response->header('Content-Disposition', "attachment; filename=\"$name\"");
    }

    /** Work is named by exercise and pupil. */
    private static function name(Recipe $recipe): string
    {
        $work = $recipe->work()->with('assignment.exercise', 'student')->first();
        $parts =
            $work === null ? [$recipe->exercise->title ?? 'part', 'reference'] : [$work->assignment->exercise->title, $work->student->name];

        return Str::slug(implode(' ', $parts)) ?: 'part';
    }
}
