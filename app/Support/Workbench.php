<?php

declare(strict_types=1);

namespace App\Support;

use Cubo\Check\Checker;
use Cubo\Check\Exercise as Sheet;
use Cubo\Check\Report;
use Cubo\Drawing\DimensionPlan;
use Cubo\Drawing\Drawing;
use Cubo\Drawing\Sheet as DrawingSheet;
use Cubo\Exchange\GlbFile;
use Cubo\Measure\PartMeasures;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\PartBefore;
use Cubo\Recipe\PartEdge;
use Cubo\Recipe\PartNames;
use Cubo\Recipe\PartState;
use Cubo\Recipe\Recipe as Document;
use Cubo\Recipe\Step;
use Cubo\Sketch\EntityKind;

/** The core behind the pages: evaluates recipes, measures, checks and draws, all through the part cache. */
final class Workbench
{
    /** Raise when sheets are drawn in another way, so that no old one is found. */
    private const SHEETS = 2;

    public function __construct(private readonly PartFiles $files) {}

    public function evaluate(Document $recipe): PartState
    {
        return (new Evaluator($this->files))->evaluate($recipe);
    }

    public function glb(PartState $state): string
    {
        return $this->files->remember($state->key, 'glb', static fn (): string => GlbFile::write($state->part()));
    }

    /** @return array{volume: float, area: float, size: array{float,float,float}, bodies: int, low: float} */
    public function readouts(PartState $state): array
    {
        $json = $this->files->remember($state->key, 'readouts', static function () use ($state): string {
            $m = new PartMeasures($state->part());

            return (string) json_encode(['volume' => $m->mass()->volume, 'area' => $m->mass()->area, 'size' => $m->bounds()->size(), 'bodies' => $m->bodyCount(), 'low' => $m->bounds()->min[2]]);
        });

        return json_decode($json, true);
    }

    /** @return array<string, PartEdge> what can be taken over into a sketch */
    public function edges(PartBefore $before): array
    {
        $bytes = $this->files->remember(sha1(serialize([$before->state->key, $before->plane])), 'edges', static fn (): string => serialize($before->edges()));
        $edges = @unserialize($bytes, ['allowed_classes' => [PartEdge::class, EntityKind::class]]);

        return is_array($edges) ? $edges : $before->edges();
    }

    /** @return array{faces: array<string, string>, edges: array<string, string>} words for all that can be picked of a part */
    public function names(PartState $state, Document $recipe): array
    {
        $key = sha1($state->key . json_encode(array_map(static fn (Step $s): array => [$s->id, $s->name], $recipe->steps)));
        $json = $this->files->remember($key, 'names', static fn (): string => (string) json_encode(['faces' => PartNames::faces($state->part(), $recipe), 'edges' => PartNames::edges($state->part(), $recipe)]));

        return json_decode($json, true);
    }

    public function check(PartState $state, Sheet $sheet): Report
    {
        return Checker::check(new PartMeasures($state->part()), $sheet);
    }

    public function drawing(PartState $state): Drawing
    {
        $bytes = $this->files->remember($state->key, 'views', static fn (): string => serialize(Drawing::of(new PartMeasures($state->part()))));
        $drawing = @unserialize($bytes);

        return $drawing instanceof Drawing ? $drawing : Drawing::of(new PartMeasures($state->part()));
    }

    /** @param array<string, string> $states by requirement id */
    public function sheetSvg(PartState $reference, Sheet $sheet, float $width, float $height, array $states = [], bool $lettersOnly = false): string
    {
        if ($reference->isEmpty()) {
            return '';
        }
        $key = sha1(serialize([self::SHEETS, $reference->key, $sheet->toJson(), $width, $height, $states, $lettersOnly]));

        return $this->files->remember($key, 'svg', function () use ($reference, $sheet, $width, $height, $states, $lettersOnly): string {
            $drawing = $this->drawing($reference);

            return (new DrawingSheet($drawing, $width, $height, $states, "Drawing of {$sheet->title}: front, top, right and isometric view", $lettersOnly))->svg(DimensionPlan::of($sheet, $drawing->bounds));
        });
    }
}
