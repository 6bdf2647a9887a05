<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property string $name
 * @property string $language
 * @property ?string $time_zone
 * @property ?int $keep_months after which an archived class goes with all that belongs to it; null: nothing goes by itself
 */
final class School extends Model
{
    protected $guarded = [];

    /** @return HasMany<SchoolClass, $this> */
    public function classes(): HasMany
    {
        return $this->hasMany(SchoolClass::class)->orderBy('name');
    }

    /** @return HasMany<Person, $this> */
    public function teachers(): HasMany
    {
        return $this->hasMany(Person::class)->where('role', 'teacher')->orderBy('name');
    }
}
