<?php

declare(strict_types=1);

namespace App\Support\Pad;

use App\Models\Recipe;
use App\Support\RecipeBook;
use App\Support\Workbench;
use Cubo\Recipe\Difference;
use Cubo\Recipe\EdgesTakenOver;
use Cubo\Recipe\PartBefore;
use Cubo\Recipe\PartNames;
use Cubo\Recipe\Recipe as Document;
use Cubo\Recipe\ShapesDrawn;
use Cubo\Recipe\Step;
use Cubo\Sketch\Draw\PadEdit;
use Cubo\Sketch\Draw\Refusal;
use Cubo\Sketch\SketchFormat;
use Cubo\Sketch\Solve\SolvedSketch;
use InvalidArgumentException;

/** A sketch step as the pad draws it: with its shapes as lines, the edges it took over as they are now, and what lies behind. */
final class PadSketch
{
    /** Edges that are taken over at once. */
    private const MOST_EDGES = 200;

    public function __construct(private readonly RecipeBook $book, private readonly Workbench $bench) {}

    /** The step; null where there is no sketch of that name at hand. */
    public function step(Recipe $recipe, string $id): ?Step
    {
        $s = $recipe->atHand()->step($id);
        if ($s === null || !$s->kind->draws()) {
            return null;
        }
        // outlines given by numbers alone are drawn here like all others, with these numbers as their sizes
        $s = ShapesDrawn::of($s, $recipe->atHand()->unit, $recipe->atHand()->named());
        if (!EdgesTakenOver::any($s->drawn())) {
            return $s;
        }
        [$drawn] = EdgesTakenOver::renewed($s->drawn(), $this->bench->edges($this->before($recipe, $s)));

        return $s->with('drawn', SketchFormat::write($drawn));
    }

    /**
     * The sketch after an edit of it.
     *
     * @param array<array-key, mixed> $in
     *
     * @throws Refusal
     */
    public function edited(Recipe $recipe, Step $s, array $in): SolvedSketch
    {
        $document = $recipe->atHand();
        if (($in['do'] ?? null) !== 'take') {
            return PadEdit::make($s->drawn(), $in, $document->unit, $document->named());
        }
        $keys = array_values(array_filter(is_array($in['of'] ?? null) ? array_slice($in['of'], 0, self::MOST_EDGES) : [], is_string(...)));
        try {
            return PadEdit::held(
                EdgesTakenOver::take($s->drawn(), $this->bench->edges($this->before($recipe, $s)), $keys),
                $document->unit,
                $document->named(),
            );
        } catch (InvalidArgumentException $e) {
            throw new Refusal($e->getMessage());
        }
    }

    /**
     * All the pad shows of it.
     *
     * @param array{float, string} $squares of the paper
     * @return array<string, mixed>
     */
    public function state(Recipe $recipe, Step $step, string $said, array $squares, ?SolvedSketch $solved = null): array
    {
        $unit = $recipe->atHand()->unit;
        $sketch = $step->drawn();
        try {
            $solved ??= PadEdit::solved($sketch, $unit, $recipe->atHand()->named());
        } catch (Refusal $e) {
            // a file may hold what cannot be settled: shown as drawn, with the reason
            $solved = new SolvedSketch($sketch, $e->clash);
            $said = $said !== '' ? $said : $e->getMessage();
        }

        return [
            'version' => $recipe->version,
            'said' => $said,
            'canUndo' => $this->leads($recipe, $this->book->before($recipe), $step->id),
            'canRedo' => $this->leads($recipe, $this->book->after($recipe), $step->id),
            'squares' => $squares,
            'drawing' => PadPage::drawing($solved, $unit),
            'freedom' => PadPage::freedom($solved),
            'list' => view('pad.list', ['sketch' => $solved->sketch, 'solved' => $solved, 'unit' => $unit])->render(),
        ];
    }

    /** Whether another state is one of this sketch alone. */
    public function leads(Recipe $recipe, ?Document $other, string $step): bool
    {
        return $other !== null && Difference::onlyDrawing($recipe->document(), $other, $step);
    }

    /**
     * The part as it is before the sketch, seen straight onto its plane.
     *
     * @return array{face: string, behind: string, edges: list<array{key: string, faces: list<string>, words: string, d: string}>} all
     *     edges as a path in mm, and those that can be taken over
     */
    public function behind(Recipe $recipe, Step $step): array
    {
        $before = $this->before($recipe, $step);
        $face = $step->text('face');

        return [
            'face' => $face === '' ? 'face of the part' : PartNames::face($face, $recipe->atHand()),
            'behind' => $before->plane === null || $before->state->isEmpty() ? '' : PadPage::behind($before->state->part(), $before->plane),
            'edges' => PadPage::edges($this->bench->edges($before), $recipe->atHand()),
        ];
    }

    private function before(Recipe $recipe, Step $step): PartBefore
    {
        return PartBefore::of($recipe->atHand(), $step, $this->bench->evaluate(...));
    }
}
