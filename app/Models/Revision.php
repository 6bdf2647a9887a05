<?php

declare(strict_types=1);

namespace App\Models;

use Cubo\Recipe\Recipe as Document;
use Cubo\Recipe\RecipeReader;
use Illuminate\Database\Eloquent\Model;

/**
 * One state of a recipe; never changed once written.
 *
 * @property int $id
 * @property int $recipe_id
 * @property int $number
 * @property ?int $parent
 * @property string $document
 */
final class Revision extends Model
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
        self::updating(static fn() => throw new \LogicException('Revisions are never changed.'));
    }
}
