<?php

declare(strict_types=1);

namespace App\Models;

use Cubo\Check\Exercise as Sheet;
use Cubo\Check\ExerciseReader;
use Cubo\Printing\PrintProfile;
use Cubo\Quantity\Unit;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * @property int $id
 * @property int $teacher_id
 * @property int $reference_id
 * @property string $title
 * @property string $brief
 * @property string $unit
 * @property list<array<string, mixed>> $requirements
 * @property list<array<string, mixed>> $aside asked of places that the reference part does not have now
 * @property bool $turned whether a part may lie another way
 * @property string $printer key of a print profile
 * @property string $tolerance of lengths that have none of their own, as typed; nothing for the proposed ones
 * @property ?Carbon $archived_at since when it is put away; classes that have it go on
 * @property-read Person $teacher
 * @property-read Recipe $reference
 */
final class Exercise extends Model
{
    protected $guarded = [];

    protected $casts = ['requirements' => 'array', 'aside' => 'array', 'turned' => 'boolean', 'archived_at' => 'datetime'];

    protected $attributes = ['aside' => '[]'];

    /** @return BelongsTo<Person, $this> */
    public function teacher(): BelongsTo
    {
        return $this->belongsTo(Person::class, 'teacher_id');
    }

    /** @return BelongsTo<Recipe, $this> */
    public function reference(): BelongsTo
    {
        return $this->belongsTo(Recipe::class, 'reference_id');
    }

    /** @return HasMany<Assignment, $this> */
    public function assignments(): HasMany
    {
        return $this->hasMany(Assignment::class);
    }

    public function printer(): PrintProfile
    {
        return PrintProfile::of($this->printer ?? '');
    }

    public function sheet(): Sheet
    {
        return new Sheet(
            Unit::from($this->unit),
            array_map(ExerciseReader::requirement(...), $this->requirements),
            $this->title,
            (bool) $this->turned,
        );
    }
}
