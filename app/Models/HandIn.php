<?php

declare(strict_types=1);

namespace App\Models;

use Cubo\Check\Report;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A part handed in. Its revision and its report never change; the teacher's word (state, overrules, comment) may.
 *
 * @property int $id
 * @property int $work_id
 * @property int $revision_id
 * @property int $attempt
 * @property string $state waiting, returned or accepted
 * @property list<array<string, mixed>> $report
 * @property array<string, array{met: bool, reason: string}> $overrules
 * @property string $comment
 */
final class HandIn extends Model
{
    protected $guarded = [];

    protected $casts = ['report' => 'array', 'overrules' => 'array', 'decided_at' => 'datetime'];

    protected static function booted(): void
    {
        self::updating(static function (HandIn $h): void {
            if ($h->isDirty(['revision_id', 'report', 'work_id', 'attempt'])) {
                throw new \LogicException('What was handed in is never changed.');
            }
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

    public function frozenReport(): Report
    {
        return Report::fromArray($this->report);
    }

    /** Whether a row counts as met after the teacher's word. */
    public function rowMet(string $id, string $status): bool
    {
        return $this->overrules[$id]['met'] ?? $status === 'met';
    }

    public function metCount(): int
    {
        return count(array_filter($this->report, fn (array $r): bool => $this->rowMet($r['id'], $r['status'])));
    }

    public function points(): int
    {
        return array_sum(array_map(fn (array $r): int => $this->rowMet($r['id'], $r['status']) ? $r['points'] : 0, $this->report));
    }
}
