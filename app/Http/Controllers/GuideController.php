<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Support\Bench\StepForm;
use App\Support\PartFiles;
use App\Support\Workbench;
use Cubo\Drawing\Picture;
use Cubo\Drawing\View as Sight;
use Cubo\Recipe\PartState;
use Cubo\Recipe\PlacedSketch;
use Cubo\Recipe\RecipeReader;
use Cubo\Recipe\Step;
use Cubo\Sketch\Area\DrawnCurves;
use Illuminate\View\View;

/** How a part is thought through and built: one worked part, from its real recipe. */
final class GuideController extends Controller
{
    public function __invoke(Workbench $bench, PartFiles $files): View
    {
        $document = RecipeReader::fromJson((string) file_get_contents(resource_path('guide/rain-gauge-shelf.json')));
        $whole = $bench->evaluate($document);
        $steps = array_map(static function (Step $step) use ($document, $bench, $files): array {
            $state = $bench->evaluate($document->upTo($step->id));
            $picture = $files->remember(
                sha1('guide 1 ' . $state->key . json_encode($step->toArray())),
                'svg',
                static fn(): string => Picture::svg(
                    $state->part(),
                    Sight::Isometric,
                    250,
                    170,
                    self::lines($state, $step),
                    "The part after {$step->name}",
                ),
            );

            return [
                'step' => $step,
                'form' => new StepForm($step, $document, $state, [], $document->unit, reading: true),
                'picture' => $picture,
            ];
        }, $document->steps);

        return view('guide', ['document' => $document, 'steps' => $steps, 'state' => $whole, 'mass' => $bench->readouts($whole)]);
    }

    /** @return list<list<array{float,float,float}>> what a sketch draws, in space */
    private static function lines(PartState $state, Step $step): array
    {
        $sketch = $step->kind->draws() ? $state->sketches[$step->id] ?? null : null;
        if (!($sketch instanceof PlacedSketch)) {
            return [];
        }
        $out = [];
        foreach (DrawnCurves::of($sketch->drawn) as $curve) {
            $line = [];
            foreach ([$curve->from(), ...$curve->inner($curve->from(), $curve->to()), $curve->to()] as $t) {
                $line[] = $sketch->placement->point([...$curve->at($t), 0.0]);
            }
            $out[] = $line;
        }

        return $out;
    }
}
