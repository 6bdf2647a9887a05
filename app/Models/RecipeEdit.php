<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * What became of one edit that a window sent.
 *
 * @property int $recipe_id
 * @property string $line the window
 * @property int $number of the edit in it, from 1
 * @property int $version of the recipe after it
 * @property EditOutcome $outcome
 * @property string $words for a person, where there are any
 */
final class RecipeEdit extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $casts = ['created_at' => 'datetime', 'outcome' => EditOutcome::class];
}
