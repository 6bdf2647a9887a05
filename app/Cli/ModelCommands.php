<?php

declare(strict_types=1);

namespace App\Cli;

use Cubo\Check\Checker;
use Cubo\Check\Exercise;
use Cubo\Check\ExerciseReader;
use Cubo\Check\Making\Making;
use Cubo\Check\Report;
use Cubo\Check\UnreadableExercise;
use Cubo\Exchange\Format\Formats;
use Cubo\Exchange\MeshFile;
use Cubo\Exchange\UnreadableFile;
use Cubo\Measure\PartMeasures;
use Cubo\Measure\SurfaceRecognition;
use Cubo\Quantity\Unit;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\RecipeReader;
use Cubo\Recipe\UnreadableRecipe;
use Cubo\Solid\Solid;

/** `cubo build`, `cubo measure` and `cubo check`: the core from the command line, without the web application. */
final class ModelCommands
{
    private const OK = 0;

    private const NOT_MET = 1;

    private const UNREADABLE = 2;

    private const USAGE = <<<'TEXT'
    cubo build RECIPE.json --out FILE
    cubo measure MODEL [--json] [--unit mm|in]
    cubo check EXERCISE.json MODEL [--json] [--unit mm|in]
    cubo check EXERCISE.json FOLDER --csv [--unit mm|in]
    MODEL is a recipe (.json) or a file: READ. Without a unit of its own it is in mm unless --unit says in.
    FILE ends in WRITTEN.
    TEXT;

    private static function usage(): string
    {
        return strtr(self::USAGE, [
            'READ' => Formats::names(Formats::read()),
            'WRITTEN' => implode(', ', array_map(static fn(string $e): string => ".$e", Formats::endings(Formats::written()))),
        ]);
    }

    /** @var array<string, string|true> */
    private array $options = [];

    /** @var list<string> */
    private array $files = [];

    /** @param list<string> $arguments without the program's name */
    public static function run(array $arguments): int
    {
        $c = new self();
        try {
            return $c->dispatch($arguments);
        } catch (UnreadableFile | UnreadableRecipe | UnreadableExercise $e) {
            fwrite(STDERR, "cubo: {$e->getMessage()}\n");

            return self::UNREADABLE;
        }
    }

    /** @param list<string> $arguments */
    private function dispatch(array $arguments): int
    {
        $verb = array_shift($arguments);
        while ($arguments !== []) {
            $a = array_shift($arguments);
            if ($a === '--json' || $a === '--csv') {
                $this->options[substr($a, 2)] = true;
            } elseif ($a === '--out' || $a === '--unit') {
                $this->options[substr($a, 2)] = array_shift($arguments) ?? throw new UnreadableFile("$a needs a value.");
            } elseif (str_starts_with($a, '--')) {
                throw new UnreadableFile("$a is no option.\n" . self::usage());
            } else {
                $this->files[] = $a;
            }
        }
        if (isset($this->options['unit']) && Unit::tryFrom((string) $this->options['unit']) === null) {
            throw new UnreadableFile('--unit is mm or in.');
        }
        $wanted = ['build' => 1, 'measure' => 1, 'check' => 2][$verb] ?? -1;
        if (count($this->files) !== $wanted) {
            throw new UnreadableFile("usage:\n" . self::usage());
        }

        return match ($verb) {
            'build' => $this->build(),
            'measure' => $this->measure(),
            default => $this->check(),
        };
    }

    private function build(): int
    {
        $out = (string) ($this->options['out'] ?? throw new UnreadableFile("--out is missing.\n" . self::usage()));
        [$solid, , $sound] = $this->model($this->files[0]);
        if ($solid->isEmpty()) {
            fwrite(STDERR, "cubo: the recipe makes no part, so nothing is written.\n");

            return self::NOT_MET;
        }
        $format =
            Formats::writtenAs($out) ??
            throw new UnreadableFile(
                '--out ends in ' .
                    implode(', ', array_map(static fn(string $e): string => ".$e", Formats::endings(Formats::written()))) .
                    '.',
            );
        $bytes = $format->write($solid, pathinfo($out, PATHINFO_FILENAME));
        if (@file_put_contents($out, $bytes) === false) {
            throw new UnreadableFile("$out cannot be written.");
        }
        echo "$out: {$solid->triangleCount()} triangles, millimetres\n";

        return $sound ? self::OK : self::NOT_MET;
    }

    private function measure(): int
    {
        [$solid, $note] = $this->model($this->files[0], true);
        $m = new PartMeasures($solid);
        $b = $m->bounds();
        $data =
            [
                'unit' => 'mm',
                'source' => $note,
                'bodies' => $m->bodyCount(),
                'closed' => $m->isClosed(),
                'volume' => $m->mass()->volume,
                'area' => $m->mass()->area,
                'centroid' => $m->mass()->centroid,
                'bounds' => $solid->isEmpty() ? null : ['min' => $b->min, 'max' => $b->max],
            ] + Measured::of($m);
        if (isset($this->options['json'])) {
            echo json_encode($data, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION), "\n";

            return self::OK;
        }
        if ($solid->isEmpty()) {
            echo "unit      mm ({$note})\nbodies    0\nThe recipe makes no part.\n";

            return self::OK;
        }
        $p = static fn(array $v): string => implode(', ', array_map(static fn(float $n): string => sprintf('%.6f', $n), $v));
        printf(
            "unit      mm (%s)\nbodies    %d\nclosed    %s\nvolume    %.6f mm3\narea      %.6f mm2\ncentroid  %s\nbounds    %s to %s\n",
            $note,
            $data['bodies'],
            $data['closed'] ? 'yes' : 'no',
            $data['volume'],
            $data['area'],
            $p($data['centroid']),
            $p($b->min),
            $p($b->max),
        );

        return self::OK;
    }

    private function check(): int
    {
        $exercise = ExerciseReader::exercise($this->read($this->files[0]));
        if (is_dir($this->files[1])) {
            return $this->checkFolder($exercise, $this->files[1]);
        }
        [$report, $note] = $this->checked($exercise, $this->files[1]);
        if (isset($this->options['json'])) {
            echo json_encode(
            [
                'model' => $note,
                'met' => $report->met(),
                'asked' => count($report->rows),
                'points' => $report->points(),
                'findings' => $report->findingsToArray(),
                'rows' => $report->toArray(),
            ],
            JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_PARTIAL_OUTPUT_ON_ERROR,
        ),
                "\n";
        } else {
            echo "{$report->met()} of " . count($report->rows) . " met, {$report->points()} of {$report->mostPoints()} points ($note)\n";
            foreach ($report->findings as $f) {
                echo "Probably: {$f->slip->title()} ({$f->sure()}). {$f->words}\n";
            }
            foreach ($report->rows as $r) {
                echo sprintf(
                '%-2s %-34s asked %s %s  measured %s  %s',
                $r->letter,
                $r->label,
                $r->asked,
                $r->tolerance,
                $r->measured === '' ? '-' : $r->measured,
                $r->word,
            ),
                    "\n";
                if ($r->diagnosis !== '') {
                    echo "   {$r->diagnosis}\n";
                }
            }
        }

        return $report->allMet() ? self::OK : self::NOT_MET;
    }

    /** A line for every model in a folder; one that cannot be read has its reason there, and the others go on. */
    private function checkFolder(Exercise $exercise, string $folder): int
    {
        if (!isset($this->options['csv'])) {
            throw new UnreadableFile("A folder is checked with --csv.\n" . self::usage());
        }
        $files = array_values(
            array_filter(
                glob(rtrim($folder, '/') . '/*') ?: [],
                fn(string $f): bool => in_array(
                    strtolower(pathinfo($f, PATHINFO_EXTENSION)),
                    ['json', ...Formats::endings(Formats::read())],
                    true,
                ) && realpath($f) !== realpath($this->files[0]),
            ),
        );
        natcasesort($files);
        $asked = $exercise->asked();
        $line = static function (array $cells): void {
            // what begins like a formula would be worked out by a spreadsheet
            fputcsv(
                STDOUT,
                array_map(
                    static fn(mixed $c): string => !is_scalar($c)
                        ? ''
                        : (is_string($c) && preg_match('/^[=+\-@\t\r]/', $c) && !is_numeric($c)
                            ? "'$c"
                            : (string) $c),
                    $cells,
                ),
                ',',
                '"',
                '',
            );
        };
        $line([
            'file',
            'met',
            'asked',
            'points',
            'of',
            'likely',
            ...array_merge(
                ...array_map(static fn($r): array => ["$r->letter $r->label", "$r->letter measured", "$r->letter hint"], $asked),
            ),
            'problem',
        ]);
        $all = true;
        foreach ($files as $file) {
            try {
                [$report] = $this->checked($exercise, $file);
                $all = $all && $report->allMet();
                $line([
                    basename($file),
                    $report->met(),
                    count($report->rows),
                    $report->points(),
                    $report->mostPoints(),
                    isset($report->findings[0]) ? $report->findings[0]->slip->title() : '',
                    ...array_merge(...array_map(static fn($r): array => [$r->word, $r->measured, $r->diagnosis], $report->rows)),
                    '',
                ]);
            } catch (UnreadableFile | UnreadableRecipe $e) {
                $all = false;
                $line([basename($file), 0, count($asked), 0, '', '', ...array_fill(0, 3 * count($asked), ''), $e->getMessage()]);
            }
        }

        return $all ? self::OK : self::NOT_MET;
    }

    /**
     * @return array{Report, string} with where the model comes from
     *
     * @throws UnreadableFile|UnreadableRecipe
     */
    private function checked(Exercise $exercise, string $path): array
    {
        [$solid, $note] = $this->model($path, true);
        $evaluate = (new Evaluator())->evaluate(...);
        $bytes = $this->read($path);
        // how it was made only a recipe tells
        $making = str_starts_with(ltrim($bytes), '{') ? new Making(RecipeReader::fromJson($bytes), $evaluate) : null;
        $reference = $exercise->reference === null ? null : $evaluate($exercise->reference);

        return [
            Checker::check(
                new PartMeasures($solid),
                $exercise,
                $reference === null || $reference->isEmpty() ? null : new PartMeasures($reference->part()),
                $making,
            ),
            $note,
        ];
    }

    /**
     * @param bool $recognise whether round faces are looked for in a mesh
     * @return array{Solid, string, bool} the part, where it comes from, and whether all steps worked
     */
    private function model(string $path, bool $recognise = false): array
    {
        $bytes = $this->read($path);
        if (str_starts_with(ltrim($bytes), '{')) {
            $recipe = RecipeReader::fromJson($bytes);
            $state = (new Evaluator())->evaluate($recipe);
            $sound = true;
            foreach ($state->results as $r) {
                foreach ($r->messages as $m) {
                    fwrite(STDERR, "step {$r->id}: {$m->what} {$m->why}\n");
                    $sound = false;
                }
            }

            return [$state->part(), "recipe in {$recipe->unit->value}", $sound];
        }
        $unit = Unit::from((string) ($this->options['unit'] ?? 'mm'));

        [$mesh, $note] = MeshFile::read($bytes, $unit);

        return [$recognise ? SurfaceRecognition::of($mesh) : $mesh, $note, true];
    }

    private function read(string $path): string
    {
        $bytes = is_file($path) ? @file_get_contents($path) : false;

        return $bytes === false ? throw new UnreadableFile("$path cannot be read.") : $bytes;
    }
}
