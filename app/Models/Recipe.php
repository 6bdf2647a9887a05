<?php

declare(strict_types=1);

namespace App\Models;

use Cubo\Recipe\Recipe as Document;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * A part somebody builds: a tree of revisions, of which one is the current. `version` counts every change, undo and
 * redo too, so that a second window with an older version is told instead of overwriting.
 *
 * @property int $id
 * @property int $owner_id
 * @property int $current
 * @property int $version
 * @property-read Person $owner
 */
final class Recipe extends Model
{
    protected $guarded = [];

    /** @return HasMany<Revision, $this> */
    public function revisions(): HasMany
    {
        return $this->hasMany(Revision::class);
    }

    /** @return BelongsTo<Person, $this> */
    public function owner(): BelongsTo
    {
        return $this->belongsTo(Person::class, 'owner_id');
    }

    /** @return HasOne<Work, $this> */
    public function work(): HasOne
    {
        return $this->hasOne(Work::class);
    }

    /** @return HasOne<Exercise, $this> */
    public function exercise(): HasOne
    {
        return $this->hasOne(Exercise::class, 'reference_id');
    }

    private ?Revision $head = null;

    public function head(): Revision
    {
        // revisions never change, so one that was read stays right as long as it is the current one
        if ($this->head?->number !== $this->current || $this->head->recipe_id !== $this->id) {
            $this->head = $this->revisions()->where('number', $this->current)->firstOrFail();
        }

        return $this->head;
    }

    public function document(): Document
    {
        return $this->head()->recipe();
    }

    /** What is worked on: the group that is open, or all of it. */
    public function atHand(): Document
    {
        return $this->document()->atHand();
    }
}
