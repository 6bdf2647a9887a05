<?php

declare(strict_types=1);

namespace App\Models;

use Cubo\Measure\PartMeasures;
use Cubo\Quantity\Unit;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A mesh that a student brought from elsewhere. The bytes are kept as they came, by their hash; what is changed here is
 * only how they are taken.
 *
 * @property int $id
 * @property int $work_id
 * @property string $name as the student's file was called
 * @property string $sha
 * @property string $unit
 * @property bool $repaired whether the mended copy is taken
 * @property 'waiting'|'reading'|'read'|'refused' $state
 * @property string $stage what is done with it at the moment, in words
 * @property string $problem why it was refused
 * @property array{format: string, ownUnit: bool, triangles: int, sizes: array{float,float,float}, shells: int, faults: list<array{kind: string, count: int, at: array{float,float,float}, words: string}>, mends: list<string>} $info
 * @property-read Work $work
 */
final class PartFile extends Model
{
    protected $guarded = [];

    protected $casts = ['info' => 'array', 'repaired' => 'boolean'];

    /** @return BelongsTo<Work, $this> */
    public function work(): BelongsTo
    {
        return $this->belongsTo(Work::class);
    }

    /** Whether it was read, or refused. */
    public function isThrough(): bool
    {
        return $this->state === 'read' || $this->state === 'refused';
    }

    /** Whether pictures and layers of it are shown; finer ones would keep the server and the browser busy. */
    public function isShown(): bool
    {
        return $this->info['triangles'] <= PartMeasures::FINE;
    }

    public function unit(): Unit
    {
        return Unit::from($this->unit);
    }
}
