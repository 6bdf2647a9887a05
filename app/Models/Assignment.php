<?php

declare(strict_types=1);

namespace App\Models;

use Cubo\Check\Disclosure;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * An exercise given to a class.
 *
 * @property int $id
 * @property int $exercise_id
 * @property int $class_id
 * @property Carbon $due_on
 * @property ?int $checks_allowed null: as often as wanted
 * @property string $shows what students see of a report
 * @property string $shown_when
 * @property ?Carbon $taken_back_at since when nobody works at it any more
 * @property-read Exercise $exercise
 * @property-read SchoolClass $schoolClass
 */
final class Assignment extends Model
{
    protected $guarded = [];

    protected $casts = ['due_on' => 'date', 'taken_back_at' => 'datetime'];

    /** @return BelongsTo<Exercise, $this> */
    public function exercise(): BelongsTo
    {
        return $this->belongsTo(Exercise::class);
    }

    /** @return BelongsTo<SchoolClass, $this> */
    public function schoolClass(): BelongsTo
    {
        return $this->belongsTo(SchoolClass::class, 'class_id');
    }

    public function disclosure(): Disclosure
    {
        return Disclosure::of($this->shows ?? '', $this->shown_when ?? '');
    }

    /** @return HasMany<Work, $this> */
    public function works(): HasMany
    {
        return $this->hasMany(Work::class);
    }
}
