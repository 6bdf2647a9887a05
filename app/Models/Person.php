<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User as Authenticatable;

/**
 * A teacher (e-mail and password) or a student (class, own code and PIN; the PIN is kept hashed as the password).
 *
 * @property int $id
 * @property int $school_id
 * @property string $role
 * @property string $name
 * @property ?int $class_id
 * @property ?int $bench
 * @property ?string $code a student's own, for signing in
 */
final class Person extends Authenticatable
{
    protected $table = 'people';

    protected $guarded = [];

    protected $hidden = ['password', 'remember_token'];

    protected $casts = ['password' => 'hashed'];

    protected static function booted(): void
    {
        self::creating(static function (self $p): void {
            if ($p->role === 'student' && $p->class_id !== null && ($p->getAttributes()['code'] ?? null) === null) {
                $p->code = Codes::own($p->class_id);
            }
        });
    }

    public function isTeacher(): bool
    {
        return $this->role === 'teacher';
    }

    /** @return BelongsTo<SchoolClass, $this> */
    public function schoolClass(): BelongsTo
    {
        return $this->belongsTo(SchoolClass::class, 'class_id');
    }

    /** @return BelongsToMany<SchoolClass, $this> */
    public function classes(): BelongsToMany
    {
        return $this->belongsToMany(SchoolClass::class, 'class_teacher', 'teacher_id', 'class_id');
    }

    /** @return HasMany<Exercise, $this> */
    public function exercises(): HasMany
    {
        return $this->hasMany(Exercise::class, 'teacher_id');
    }

    /** @return HasMany<Work, $this> */
    public function works(): HasMany
    {
        return $this->hasMany(Work::class, 'student_id');
    }

    public function teaches(int $classId): bool
    {
        return $this->isTeacher() && $this->classes()->whereKey($classId)->exists();
    }
}
