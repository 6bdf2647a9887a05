<?php

declare(strict_types=1);

namespace App\Models;

use Cubo\Check\Report;
use Cubo\Recipe\Recipe as Document;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * What one student does for one assignment.
 *
 * @property int $id
 * @property int $assignment_id
 * @property int $student_id
 * @property int $recipe_id
 * @property int $checks_used
 * @property ?array{key: string, at: string, rows: list<array<string, mixed>>, findings?: list<array<string, mixed>>} $last_check
 * @property list<string> $recent_slips codes of the likeliest slips of the last checks, the newest last
 * @property-read Assignment $assignment
 * @property-read Person $student
 * @property-read Recipe $recipe
 */
final class Work extends Model
{
    /** Attempts that are looked through for another way of making the part. */
    private const MOST_WAYS = 6;

    protected $guarded = [];

    protected $casts = ['last_check' => 'array', 'recent_slips' => 'array'];

    protected $attributes = ['recent_slips' => '[]'];

    /** @return BelongsTo<Assignment, $this> */
    public function assignment(): BelongsTo
    {
        return $this->belongsTo(Assignment::class);
    }

    /** @return BelongsTo<Person, $this> */
    public function student(): BelongsTo
    {
        return $this->belongsTo(Person::class, 'student_id');
    }

    /** @return BelongsTo<Recipe, $this> */
    public function recipe(): BelongsTo
    {
        return $this->belongsTo(Recipe::class);
    }

    /** @return HasMany<HandIn, $this> */
    public function handIns(): HasMany
    {
        return $this->hasMany(HandIn::class)->orderBy('attempt');
    }

    /** @return HasOne<HandIn, $this> */
    public function lastHandIn(): HasOne
    {
        return $this->hasOne(HandIn::class)->ofMany('attempt', 'max');
    }

    /**
     * How the part was made in what was handed in from the bench, newest first.
     *
     * @param int|null $before only attempts before this one
     * @return list<Document>
     */
    public function waysHandedIn(?int $before = null): array
    {
        $made = $this->handIns()->reorder('attempt', 'desc')->whereNotNull('revision_id')->with('revision');
        if ($before !== null) {
            $made->where('attempt', '<', $before);
        }

        return array_values($made->limit(self::MOST_WAYS)->get()->map(static fn(HandIn $h): Document => $h->recipe())->all());
    }

    public function report(): ?Report
    {
        return $this->last_check === null ? null : Report::fromArray($this->last_check['rows'], $this->last_check['findings'] ?? []);
    }
}
