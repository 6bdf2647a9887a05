<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A teacher's own note in the marks book, on a student as a whole or on one exercise; students never see it.
 *
 * @property int $class_id
 * @property int $student_id
 * @property ?int $assignment_id
 * @property string $text
 */
final class MarkNote extends Model
{
    protected $guarded = [];
}
