<?php

declare(strict_types=1);

namespace App\Models;

use Cubo\Check\Report;
use Cubo\Recipe\Recipe as Document;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * A part handed in, from the bench or as a file. What was handed in never changes; the report changes only by a marking, which
 * keeps the one before. The teacher's word (state, overrules, comment) may change.
 *
 * @property int $id
 * @property int $work_id
 * @property ?int $revision_id of what was made at the bench
 * @property ?int $file_id of a file
 * @property int $attempt
 * @property string $state waiting, returned or accepted
 * @property list<array<string, mixed>> $report
 * @property list<array<string, mixed>> $findings
 * @property list<array{at: string, rows: list<array<string, mixed>>}> $earlier reports before this one
 * @property ?Carbon $checked_at null while it is being checked
 * @property array<string, array{met: bool, reason: string}> $overrules
 * @property string $comment
 * @property-read Work $work
 */
final class HandIn extends Model
{
    /** Reports before the present one that are kept. */
    private const MOST_EARLIER = 10;

    protected $guarded = [];

    protected $casts = [
        'report' => 'array',
        'findings' => 'array',
        'earlier' => 'array',
        'overrules' => 'array',
        'decided_at' => 'datetime',
        'checked_at' => 'datetime',
    ];

    protected static function booted(): void
    {
        self::updating(static function (HandIn $h): void {
            if ($h->isDirty(['revision_id', 'file_id', 'work_id', 'attempt', 'report', 'findings', 'earlier', 'checked_at'])) {
                throw new \LogicException('What was handed in is never changed.');
            }
        });
    }

    /**
     * Handed in, and not checked yet.
     *
     * @param array{revision_id: int}|array{file_id: int} $what
     */
    public static function begin(Work $work, array $what): self
    {
        return DB::transaction(static function () use ($work, $what): self {
            Work::query()->lockForUpdate()->findOrFail($work->id);
            // pressed twice, it is still one hand-in; what was sent back or accepted may be handed in again
            $last = self::query()->where('work_id', $work->id)->orderByDesc('attempt')->first();
            $known = isset($what['file_id'])
                ? self::query()->where('file_id', $what['file_id'])->first()
                : ($last?->state === 'waiting' && $last->revision_id === $what['revision_id']
                    ? $last
                    : null);

            return $known ??
                self::create(
                    $what + [
                        'work_id' => $work->id,
                        'attempt' => (int) $work->handIns()->max('attempt') + 1,
                        'state' => 'waiting',
                        'report' => [],
                        'overrules' => [],
                        'comment' => '',
                    ],
                );
        });
    }

    /** @return BelongsTo<Work, $this> */
    public function work(): BelongsTo
    {
        return $this->belongsTo(Work::class);
    }

    /** @return BelongsTo<Revision, $this> */
    public function revision(): BelongsTo
    {
        return $this->belongsTo(Revision::class);
    }

    /** @return BelongsTo<PartFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(PartFile::class, 'file_id');
    }

    /** How it was made; only of what was made at the bench. */
    public function recipe(): Document
    {
        return ($this->revision ?? throw new \LogicException('A file was not made at the bench.'))->recipe();
    }

    /** Whether pictures and layers of it are shown. */
    public function isShown(): bool
    {
        return $this->file === null || $this->file->isShown();
    }

    public function isChecked(): bool
    {
        return $this->checked_at !== null;
    }

    /** Writes a report under a lock, so that two markings at once do not lose one. */
    public static function marked(int $id, Report $report): void
    {
        DB::transaction(static function () use ($id, $report): void {
            $h = self::query()->lockForUpdate()->findOrFail($id);
            $earlier = $h->checked_at === null ? [] : [...$h->earlier, ['at' => $h->checked_at->toIso8601String(), 'rows' => $h->report]];
            // past the guard above: this is the one way a report changes
            $h->fill([
                'report' => $report->toArray(),
                'findings' => $report->findingsToArray(),
                'earlier' => array_slice($earlier, -self::MOST_EARLIER),
                'checked_at' => now(),
            ])->saveQuietly();
        });
    }

    public function frozenReport(): Report
    {
        return Report::fromArray($this->report, $this->findings);
    }

    /** Whether a row counts as met after the teacher's word. */
    public function rowMet(string $id, string $status): bool
    {
        return $this->overrules[$id]['met'] ?? $status === 'met';
    }

    public function metCount(): int
    {
        return count(array_filter($this->report, fn(array $r): bool => $this->rowMet($r['id'], $r['status'])));
    }

    public function points(): int
    {
        return array_sum(array_map(fn(array $r): int => $this->rowMet($r['id'], $r['status']) ? $r['points'] : 0, $this->report));
    }
}
