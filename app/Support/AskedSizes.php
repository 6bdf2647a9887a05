<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Exercise;
use Cubo\Budget\Budget;
use Cubo\Budget\Limit;
use Cubo\Budget\OverBudget;
use Cubo\Check\Datum\Datum;
use Cubo\Check\Exercise as Sheet;
use Cubo\Check\ExerciseReader;
use Cubo\Check\Proposer;
use Cubo\Check\Proposing\OwnRequirements;
use Cubo\Check\Requirement;
use Cubo\Measure\PartMeasures;
use Cubo\Recipe\PartState;
use Illuminate\Support\Facades\DB;

/**
 * What can be asked of an exercise: read once from its reference part as it is, and kept, joined with what the teacher chose.
 * Of a large part that takes seconds; then a worker does it.
 */
final class AskedSizes
{
    /** Raise when something else is read from a part. */
    private const READ = 2;

    /** Facets of a part that is read while somebody waits. */
    private const AT_ONCE = 6000;

    /** Units that its measures may take then, and those of a worker. */
    private const PATIENCE = 2_000_000;

    private const MOST_WORK = 120_000_000;

    /** Choices that wait for their place to come back. */
    private const MOST_ASIDE = 80;

    public function __construct(private readonly PartFiles $files) {}

    /**
     * Brings what is asked up to the reference part as it is now. Nothing is taken from a part that is not worked out.
     *
     * @return array{places: array<string, string>, whole: bool}|null places between which more can be asked, and whether the part
     *     was looked through for everything; null where somebody would wait too long for it
     */
    public function renew(Exercise $exercise, PartState $state): ?array
    {
        if ($state->isFinished() && $state->isEmpty()) {
            return ['places' => [], 'whole' => true];
        }
        if (
            !$state->isFinished() ||
            ($state->part()->triangleCount() > self::AT_ONCE && !$this->files->remembers($this->key($exercise, $state), 'asked'))
        ) {
            return null;
        }
        try {
            ['proposed' => $proposed, 'places' => $places, 'whole' => $whole] = $this->read($exercise, $state, new Budget(self::PATIENCE));
        } catch (OverBudget) {
            return null;
        }
        // under a lock: somebody may be saving what is asked at this moment
        DB::transaction(static function () use ($exercise, $proposed): void {
            $fresh = Exercise::query()->lockForUpdate()->findOrFail($exercise->id);
            $known = [...array_map(ExerciseReader::requirement(...), $fresh->aside), ...$fresh->sheet()->requirements];
            $list = ExerciseForm::merge($proposed, $known, $fresh->tolerance, $fresh->sheet()->unit);
            $rows = self::rows($list);
            $there = array_column($rows, 'id', 'id');
            $aside = array_slice(
                self::rows(array_filter($known, static fn(Requirement $r): bool => !isset($there[$r->id]) && ($r->asked || $r->as !== ''))),
                -self::MOST_ASIDE,
            );
            if ($rows != $fresh->requirements || $aside != $fresh->aside) {
                $fresh->update(['requirements' => $rows, 'aside' => $aside]);
            }
            $exercise->setRawAttributes($fresh->getAttributes(), true);
        });

        return ['places' => $places, 'whole' => $whole];
    }

    /**
     * @param iterable<Requirement> $list
     * @return list<array<string, mixed>>
     */
    private static function rows(iterable $list): array
    {
        $out = [];
        foreach ($list as $r) {
            $out[] = $r->toArray();
        }

        return $out;
    }

    /**
     * What the part itself tells, the teacher's own measured on it.
     *
     * @param Budget|null $budget of somebody who waits; a worker has its own
     * @return array{proposed: list<Requirement>, places: array<string, string>, whole: bool}
     *
     * @throws OverBudget
     */
    public function read(Exercise $exercise, PartState $state, ?Budget $budget = null): array
    {
        $waits = $budget !== null;
        $budget ??= new Budget(self::MOST_WORK, memory: Budget::ownMemory());
        $json = $this->files->remember($this->key($exercise, $state), 'asked', function () use (
            $exercise,
            $state,
            $budget,
            $waits,
        ): string {
            $sheet = $exercise->sheet();
            $part = new PartMeasures($state->part(), $budget);
            $own = array_map(static fn(Requirement $r): Requirement => OwnRequirements::renewed($r, $part), self::own($sheet));

            $proposed = Proposer::propose($part, $sheet->unit, $exercise->reference->document(), $exercise->printer(), $whole);
            // a worker looks further
            if (!$whole && $waits) {
                throw new OverBudget(Limit::Work);
            }

            return (string) json_encode([
                'proposed' => self::rows([...$proposed, ...$own]),
                'places' => Datum::choices($part, $sheet->unit),
                'whole' => $whole,
            ]);
        });
        $read = json_decode($json, true);

        return [
            'proposed' => array_values(array_map(ExerciseReader::requirement(...), $read['proposed'])),
            'places' => $read['places'],
            'whole' => $read['whole'],
        ];
    }

    /** Where it could not be read to the end: what is asked stays as it is, and the teacher is told that not all was looked for. */
    public function giveUp(Exercise $exercise, PartState $state): void
    {
        $this->files->remember(
            $this->key($exercise, $state),
            'asked',
            static fn(): string => (string) json_encode([
                'proposed' => self::rows($exercise->sheet()->requirements),
                'places' => [],
                'whole' => false,
            ]),
        );
    }

    private function key(Exercise $exercise, PartState $state): string
    {
        return sha1(
            (string) json_encode([
                self::READ,
                $state->key,
                $exercise->reference->document()->toJson(),
                $exercise->unit,
                $exercise->printer,
                array_map(static fn(Requirement $r): string => $r->id, self::own($exercise->sheet())),
            ]),
        );
    }

    /** @return list<Requirement> */
    private static function own(Sheet $sheet): array
    {
        return array_values(array_filter($sheet->requirements, OwnRequirements::isOwn(...)));
    }
}
