<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A colleague who was asked to come. The link holds a secret, of which only the hash is kept; it runs out after a day.
 *
 * @property int $id
 * @property int $school_id
 * @property ?int $invited_by
 * @property string $name
 * @property string $email
 * @property bool $administers
 * @property list<int> $classes ids of classes shared with the colleague
 * @property Carbon $ends_at
 * @property ?Carbon $used_at
 * @property-read School $school
 */
final class Invitation extends Model
{
    protected $guarded = [];

    protected $casts = ['administers' => 'boolean', 'classes' => 'array', 'ends_at' => 'datetime', 'used_at' => 'datetime'];

    /** @return BelongsTo<School, $this> */
    public function school(): BelongsTo
    {
        return $this->belongsTo(School::class);
    }

    public static function hash(string $token): string
    {
        return hash('sha256', $token);
    }

    /** The invitation behind a link, as long as it holds. */
    public static function behind(string $token): ?self
    {
        return self::query()->where('token', self::hash($token))->whereNull('used_at')->where('ends_at', '>', now())->first();
    }
}
