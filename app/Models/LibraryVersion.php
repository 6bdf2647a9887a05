<?php

declare(strict_types=1);

namespace App\Models;

use Cubo\Recipe\Recipe as Document;
use Cubo\Recipe\RecipeReader;
use Illuminate\Database\Eloquent\Model;

/**
 * One frozen state of a part of a library; never changed once written.
 *
 * @property int $number
 * @property string $document
 */
final class LibraryVersion extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $casts = ['created_at' => 'datetime'];

    public function recipe(): Document
    {
        return RecipeReader::fromJson($this->document);
    }

    protected static function booted(): void
    {
        self::updating(static fn() => throw new \LogicException('Versions are never changed.'));
    }
}
