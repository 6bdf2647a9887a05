<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * A part of a library: its author's own, and where it has a class, of that class too. Each time it is put in, a version is
 * frozen; what was taken before stays as it was.
 *
 * @property int $id
 * @property int $owner_id
 * @property ?int $class_id
 * @property string $name
 * @property list<string> $tags
 * @property int $version
 * @property ?LibraryVersion $newestVersion
 * @property-read Person $owner
 */
final class LibraryPart extends Model
{
    protected $guarded = [];

    protected $casts = ['tags' => 'array'];

    /** @return BelongsTo<Person, $this> */
    public function owner(): BelongsTo
    {
        return $this->belongsTo(Person::class, 'owner_id');
    }

    /** @return BelongsTo<SchoolClass, $this> */
    public function schoolClass(): BelongsTo
    {
        return $this->belongsTo(SchoolClass::class, 'class_id');
    }

    /** @return HasMany<LibraryVersion, $this> */
    public function versions(): HasMany
    {
        return $this->hasMany(LibraryVersion::class, 'part_id');
    }

    /** @return HasOne<LibraryVersion, $this> */
    public function newestVersion(): HasOne
    {
        return $this->hasOne(LibraryVersion::class, 'part_id')->ofMany('number', 'max');
    }

    public function newest(): LibraryVersion
    {
        return $this->loadMissing('newestVersion')->newestVersion ?? throw new \LogicException('A part of a library has a version.');
    }
}
