<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;

/**
 * Something that was done to a class or the school, for its teachers to see. Kept as a code with its values; the words stand
 * in lang.
 *
 * @property string $what
 * @property array<string, string|int> $details
 * @property Carbon $created_at
 * @property-read ?Person $by
 */
final class Happening extends Model
{
    public const UPDATED_AT = null;

    protected $guarded = [];

    protected $casts = ['details' => 'array', 'created_at' => 'datetime'];

    /** @return BelongsTo<Person, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(Person::class, 'by_id');
    }

    /** @param array<string, string|int> $with */
    public static function tell(int $school, ?SchoolClass $class, string $what, array $with = []): void
    {
        self::create(['school_id' => $school, 'class_id' => $class?->id, 'by_id' => Auth::id(), 'what' => $what, 'details' => $with]);
    }

    public function words(): string
    {
        return __("school.happenings.$this->what", $this->details);
    }
}
