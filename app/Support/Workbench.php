<?php

declare(strict_types=1);

namespace App\Support;

use Cubo\Budget\Budget;
use Cubo\Budget\Limit;
use Cubo\Budget\OverBudget;
use Cubo\Check\Checker;
use Cubo\Check\Exercise as Sheet;
use Cubo\Check\Making\Making;
use Cubo\Check\Report;
use Cubo\Drawing\DimensionPlan;
use Cubo\Drawing\Drawing;
use Cubo\Drawing\Picture;
use Cubo\Drawing\Sheet as DrawingSheet;
use Cubo\Drawing\View;
use Cubo\Exchange\GlbFile;
use Cubo\Measure\PartMeasures;
use Cubo\Measure\Standing;
use Cubo\Recipe\Arrange\HiddenShapes;
use Cubo\Recipe\BodyNames;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\Message;
use Cubo\Recipe\PartBefore;
use Cubo\Recipe\PartCorners;
use Cubo\Recipe\PartEdge;
use Cubo\Recipe\PartNames;
use Cubo\Recipe\PartState;
use Cubo\Recipe\Preview;
use Cubo\Recipe\Recipe as Document;
use Cubo\Recipe\SketchNotes;
use Cubo\Recipe\Step;
use Cubo\Sketch\EntityKind;

/** The core behind the pages: evaluates recipes, measures, checks and draws, all through the part cache. */
final class Workbench
{
    /** Raise when sheets are drawn in another way, so that no old one is found. */
    private const SHEETS = 4;

    /** Raise when previews hold something else. */
    private const PREVIEWS = 3;

    /** Units that measuring may take for the figures beside the part. */
    private const MEASURE = 15_000_000;

    /** Seconds that somebody waits for a page to open, for the answer to an edit, and for a page that asks again by itself. */
    public const PAGE = 0.8;

    public const EDIT = 8.0;

    public const AGAIN = 20.0;

    /** Moment up to which somebody waits for parts. */
    private float $until = INF;

    public function __construct(private readonly PartFiles $files) {}

    /** From now on nobody waits longer than this for parts; what is not worked out by then is left for another time. */
    public function waits(float $seconds): void
    {
        $this->until = microtime(true) + $seconds;
    }

    public function evaluate(Document $recipe): PartState
    {
        return (new Evaluator($this->files, $this->until))->evaluate($recipe);
    }

    public function glb(PartState $state): string
    {
        return $this->files->remember($state->key, 'glb', static fn(): string => GlbFile::write($state->part()));
    }

    /**
     * @return array{volume: float, area: float, size: array{float,float,float}, bodies: int, low: float, head: bool, balances: bool}
     *
     * @throws OverBudget (time) when somebody waits and they are not there yet; (work) when a bench cannot measure so fine a part
     */
    public function readouts(PartState $state): array
    {
        $json = $this->files->remember($state->key, 'stands', function () use ($state): string {
            $m = new PartMeasures($state->part(), new Budget(self::MEASURE, $this->until));
            try {
                $m->bounds();
                $m->mass();
            } catch (OverBudget $e) {
                // the same every time: looked for once
                return $e->limit === Limit::Work ? 'null' : throw $e;
            }
            $stands = Standing::of($m);

            return (string) json_encode([
                'head' => $stands->onItsHead(),
                'balances' => $stands->balances(),
                'volume' => $m->mass()->volume,
                'area' => $m->mass()->area,
                'size' => $m->bounds()->size(),
                'bodies' => $m->bodyCount(),
                'low' => $m->bounds()->min[2],
            ]);
        });

        return json_decode($json, true) ?? throw new OverBudget(Limit::Work);
    }

    /** @return array<string, PartEdge> what can be taken over into a sketch */
    public function edges(PartBefore $before): array
    {
        $bytes = $this->files->remember(
            sha1(serialize([$before->state->key, $before->plane])),
            'edges',
            static fn(): string => serialize($before->edges()),
        );
        $edges = @unserialize($bytes, ['allowed_classes' => [PartEdge::class, EntityKind::class]]);

        return is_array($edges) ? $edges : $before->edges();
    }

    /**
     * Words for all that can be picked of a part.
     *
     * @return array{faces: array<string, string>, edges: array<string, string>, corners: array<string, string>}
     */
    public function names(PartState $state, Document $recipe): array
    {
        $key = sha1($state->key . json_encode(array_map(static fn(Step $s): array => [$s->id, $s->name], $recipe->steps)));
        $json = $this->files->remember(
            $key,
            'words',
            static fn(): string => (string) json_encode([
                'faces' => PartNames::faces($state->part(), $recipe),
                'edges' => PartNames::edges($state->part(), $recipe),
                'corners' => PartNames::corners($state->part(), $recipe),
            ]),
        );

        return json_decode($json, true);
    }

    /**
     * Where the corners of a part are, and which body each face is of (those of several bodies left out).
     *
     * @return array{corners: array<string, array{float,float,float}>, bodies: array<string, string>}
     */
    public function places(PartState $state): array
    {
        $json = $this->files->remember($state->key, 'places', static function () use ($state): string {
            $bodies = $shared = [];
            foreach (BodyNames::of($state->part()) as $body => $triangles) {
                foreach ($triangles as $t) {
                    $face = $state->part()->surfaceOfTriangle($t)->name;
                    if (($bodies[$face] ??= (string) $body) !== (string) $body) {
                        $shared[$face] = true;
                    }
                }
            }

            return (string) json_encode(['corners' => PartCorners::of($state->part()), 'bodies' => array_diff_key($bodies, $shared)]);
        });

        return json_decode($json, true);
    }

    /** @return list<Message> what is left open in a sketch */
    public function sketchNotes(Document $recipe, Step $sketch): array
    {
        $first = array_values(array_filter($recipe->steps, static fn(Step $s): bool => $s->kind->draws()))[0] ?? null;
        $key = sha1((string) json_encode([$sketch->values, $recipe->unit->value, $recipe->sizes, $first?->id === $sketch->id]));
        $json = $this->files->remember($key, 'free', static fn(): string => (string) json_encode(SketchNotes::of($recipe, $sketch)));

        return array_values(array_filter(array_map(Message::read(...), (array) json_decode($json, true))));
    }

    /** @return array<string, string> words for shapes of which nothing is seen, by step */
    public function unseen(Document $recipe): array
    {
        $key = sha1(
            $this->evaluate($recipe)->key .
                json_encode(array_map(static fn(Step $s): array => [$s->id, $s->name, $s->off], $recipe->steps)),
        );
        $json = $this->files->remember(
            $key,
            'unseen',
            fn(): string => (string) json_encode(HiddenShapes::of($recipe, $this->evaluate(...))),
        );

        return json_decode($json, true);
    }

    /** A part of a library as a small drawing; without a label it only goes with words beside it. */
    public function picture(Document $recipe, int $width, int $height, string $label): string
    {
        $state = $this->evaluate($recipe);
        $svg = $this->files->remember(
            sha1($state->key . "picture $width $height"),
            'svg',
            static fn(): string => Picture::svg($state->part(), View::Isometric, $width, $height),
        );

        return str_replace(
            'role="img" aria-label=""',
            $label === '' ? 'aria-hidden="true"' : 'role="img" aria-label="' . e($label) . '"',
            $svg,
        );
    }

    /** An evaluation that keeps nothing on the disk, for values that are only tried; what takes long is not worth a picture. */
    public function trying(): Evaluator
    {
        return new Evaluator(new TriedParts($this->files), min($this->until, microtime(true) + 3.0));
    }

    /** Whether a drawing of a part is there already, or soon made. */
    public function isDrawn(PartState $state): bool
    {
        return $state->isFinished() && ($state->isEmpty() || $this->files->remembers($state->key, 'views'));
    }

    /** @return array{added: mixed, removed: mixed, arrows: mixed, areas: mixed, lies: mixed} what a step does, for the stage */
    public function preview(Document $recipe, Step $step, bool $differences): array
    {
        $before = $this->evaluate($recipe->upTo($step->id));
        $key = sha1(
            (string) json_encode([
                self::PREVIEWS,
                $differences,
                $before->key,
                $step->toArray(),
                $recipe->unit->value,
                $recipe->sizes,
                array_map(static fn(Step $s): string => $s->name, $recipe->steps),
                array_map(static fn($s): array => $s->placement->t, $before->sketches),
                array_map(static fn(Step $s): mixed => $s->kind->draws() ? $s->values : null, $recipe->steps),
            ]),
        );
        $json = $this->files->remember(
            $key,
            'preview',
            fn(): string => (string) json_encode(PreviewJson::of(Preview::of($recipe, $step, $this->evaluate(...), $differences))),
        );

        return json_decode($json, true);
    }

    /**
     * @param Document $recipe what the part was made by
     * @param PartState|null $reference the drawing's own part
     * @param list<Document> $others ways handed in before
     *
     * @throws OverBudget (time) when somebody waits and it takes longer
     */
    public function check(PartState $state, Sheet $sheet, Document $recipe, ?PartState $reference = null, array $others = []): Report
    {
        $budget = Checker::budget($this->until);

        return Checker::check(
            new PartMeasures($state->part(), $budget),
            $sheet,
            $reference === null || $reference->isEmpty() ? null : new PartMeasures($reference->part(), $budget),
            new Making($recipe, $this->evaluate(...), $others),
        );
    }

    public function drawing(PartState $state): Drawing
    {
        $bytes = $this->files->remember(
            $state->key,
            'views',
            static fn(): string => serialize(Drawing::of(new PartMeasures($state->part()))),
        );
        $drawing = @unserialize($bytes);

        return $drawing instanceof Drawing ? $drawing : Drawing::of(new PartMeasures($state->part()));
    }

    /** @param array<string, string> $states by requirement id */
    public function sheetSvg(
        PartState $reference,
        Sheet $sheet,
        float $width,
        float $height,
        array $states = [],
        bool $lettersOnly = false,
    ): string {
        if ($reference->isEmpty()) {
            return '';
        }
        if (!$reference->isFinished()) {
            throw new OverBudget(Limit::Time);
        }
        $key = sha1(serialize([self::SHEETS, $reference->key, $sheet->toJson(), $width, $height, $states, $lettersOnly]));

        return $this->files->remember($key, 'svg', function () use ($reference, $sheet, $width, $height, $states, $lettersOnly): string {
            $drawing = $this->drawing($reference);

            return (new DrawingSheet(
                $drawing,
                $width,
                $height,
                $states,
                "Drawing of {$sheet->title}: front, top, right and isometric view",
                $lettersOnly,
            ))->svg(DimensionPlan::of($sheet, $drawing->bounds));
        });
    }
}
