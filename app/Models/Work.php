<?php

declare(strict_types=1);

namespace App\Models;

use App\Support\RecipeBook;
use Cubo\Check\Report;
use Cubo\Quantity\Unit;
use Cubo\Recipe\Recipe as Document;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Support\Facades\DB;

/**
 * What one student does for one assignment.
 *
 * @property int $id
 * @property int $assignment_id
 * @property int $student_id
 * @property int $recipe_id
 * @property int $checks_used
 * @property ?array{key: string, at: string, rows: list<array<string, mixed>>, findings?: list<array<string, mixed>>} $last_check
 */
final class Work extends Model
{
    protected $guarded = [];

    protected $casts = ['last_check' => 'array'];

    /** The student's work for an assignment, begun when there is none. */
    public static function begun(Assignment $assignment, Person $student, RecipeBook $book): self
    {
        return DB::transaction(static function () use ($assignment, $student, $book): self {
            // two windows opened at once must not begin two parts
            Person::query()->lockForUpdate()->findOrFail($student->id);

            return self::query()->where('assignment_id', $assignment->id)->where('student_id', $student->id)->first() ?? self::create([
                'assignment_id' => $assignment->id,
                'student_id' => $student->id,
                'recipe_id' => $book->begin($student, new Document(Unit::from($assignment->exercise->unit), [], $assignment->exercise->title . ', ' . $student->name))->id,
                'checks_used' => 0,
                'last_check' => null,
            ]);
        });
    }

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

    public function report(): ?Report
    {
        return $this->last_check === null ? null : Report::fromArray($this->last_check['rows'], $this->last_check['findings'] ?? []);
    }
}
