<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property string $name
 * @property string $code
 */
final class SchoolClass extends Model
{
    protected $guarded = [];

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
