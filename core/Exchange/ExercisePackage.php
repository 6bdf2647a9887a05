<?php

declare(strict_types=1);

namespace Cubo\Exchange;

use Cubo\Check\Exercise;
use Cubo\Check\ExerciseReader;
use Cubo\Check\UnreadableExercise;
use Cubo\Tabular\Zip;
use RuntimeException;
use ZipArchive;

/**
 * An exercise as one file: a ZIP of `exercise.json` (what is asked, with its reference recipe: docs/recipe.md), `about.json`
 * (format, printer, tolerance), `brief.txt`, and `drawing.svg` for people to look at. docs/formats.md tells more.
 */
final readonly class ExercisePackage
{
    public const FORMAT = 'cubo-exercise-file/1';

    public const ENDING = 'cubo.zip';

    /** Bytes of one entry, unpacked. */
    private const MOST_BYTES = 5_000_000;

    private const LONGEST_BRIEF = 4000;

    private const LONGEST_TITLE = 80;

    /**
     * @param string $printer key of a print profile, or nothing
     * @param string $tolerance of lengths that have none of their own, as typed
     */
    public function __construct(
        public Exercise $exercise,
        public string $brief,
        public string $printer = '',
        public string $tolerance = '',
        public string $drawing = '',
    ) {}

    public function write(): string
    {
        $about = [
            'format' => self::FORMAT,
            'title' => $this->exercise->title,
            'printer' => $this->printer,
            'tolerance' => $this->tolerance,
        ];

        return Zip::of(
            [
                'about.json' => (string) json_encode($about, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
                'exercise.json' => $this->exercise->toJson(),
                'brief.txt' => $this->brief,
            ] + ($this->drawing === '' ? [] : ['drawing.svg' => $this->drawing]),
        );
    }

    /** @throws UnreadableExercise */
    public static function read(string $bytes): self
    {
        $path = tempnam(sys_get_temp_dir(), 'exercise');
        $zip = new ZipArchive();
        if ($path === false) {
            throw new RuntimeException('no room for an exercise');
        }
        try {
            file_put_contents($path, $bytes);
            if ($zip->open($path, ZipArchive::RDONLY) !== true) {
                throw new UnreadableExercise('This is no exercise that was taken along from Cubo.');
            }
            $about = json_decode(self::entry($zip, 'about.json'), true, 8);
            if (!is_array($about) || ($about['format'] ?? null) !== self::FORMAT) {
                throw new UnreadableExercise('This is no exercise that was taken along from Cubo.');
            }
            $exercise = ExerciseReader::exercise(self::entry($zip, 'exercise.json'));
            if ($exercise->reference === null) {
                throw new UnreadableExercise('This exercise has no reference part.');
            }
            $text = static fn(string $key, int $most): string => is_string($about[$key] ?? null) ? mb_substr($about[$key], 0, $most) : '';
            $title = trim($text('title', self::LONGEST_TITLE)) ?: mb_substr(trim($exercise->title), 0, self::LONGEST_TITLE);
            if ($title === '') {
                throw new UnreadableExercise('This exercise has no title.');
            }
            $read = new self(
                new Exercise($exercise->unit, $exercise->requirements, $title, $exercise->turned, $exercise->reference),
                mb_substr(mb_scrub(self::entry($zip, 'brief.txt')), 0, self::LONGEST_BRIEF),
                $text('printer', 40),
                $text('tolerance', 40),
            );
            $zip->close();

            return $read;
        } finally {
            @unlink($path);
        }
    }

    /** @throws UnreadableExercise */
    private static function entry(ZipArchive $zip, string $name): string
    {
        $stat = $zip->statName($name);
        if ($stat === false) {
            return '';
        }
        if ($stat['size'] > self::MOST_BYTES) {
            throw new UnreadableExercise('This exercise is too large.');
        }

        return (string) $zip->getFromName($name, self::MOST_BYTES);
    }
}
