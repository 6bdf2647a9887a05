<?php

declare(strict_types=1);

namespace App\Models;

use Cubo\School\Marks\MarkingRules;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * @property int $id
 * @property string $name
 * @property int $school_id
 * @property string $code
 * @property ?Carbon $archived_at since when nobody works in it any more
 * @property ?array<string, mixed> $marking how it is marked; null as usual
 * @property bool $shows_marks whether students see their own
 * @property-read School $school
 */
final class SchoolClass extends Model
{
    protected $guarded = [];

    protected $casts = ['archived_at' => 'datetime', 'marking' => 'array', 'shows_marks' => 'boolean'];

    /** @return BelongsTo<School, $this> */
    public function school(): BelongsTo
    {
        return $this->belongsTo(School::class);
    }

    public function markingRules(): MarkingRules
    {
        return MarkingRules::fromArray($this->marking ?? []);
    }

    /** @return HasMany<Person, $this> */
    public function students(): HasMany
    {
        return $this->hasMany(Person::class, 'class_id')->orderBy('bench')->orderBy('name');
    }

    /** @return BelongsToMany<Person, $this> */
    public function teachers(): BelongsToMany
    {
        return $this->belongsToMany(Person::class, 'class_teacher', 'class_id', 'teacher_id');
    }

    /** @return HasMany<Assignment, $this> */
    public function assignments(): HasMany
    {
        return $this->hasMany(Assignment::class, 'class_id')->orderBy('due_on');
    }
}
