<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Support\Carbon;

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
 * @property ?string $email a teacher's
 * @property bool $administers a teacher who looks after the school
 * @property ?string $identifier of the school's own register
 * @property ?string $first_pin for the card; nothing once it was used or exchanged by the student
 * @property ?Carbon $last_seen_at
 * @property ?string $calendar the secret part of the address of one's own calendar
 * @property-read School $school
 * @property-read ?SchoolClass $schoolClass
 */
final class Person extends Authenticatable
{
    protected $table = 'people';

    protected $guarded = [];

    protected $hidden = ['password', 'remember_token', 'first_pin', 'calendar'];

    protected $casts = ['password' => 'hashed', 'administers' => 'boolean', 'first_pin' => 'encrypted', 'last_seen_at' => 'datetime'];

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

    /** @return BelongsTo<School, $this> */
    public function school(): BelongsTo
    {
        return $this->belongsTo(School::class);
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

    /** Whether this teacher may change who is in a class: its teachers, and whoever looks after the school. */
    public function runs(SchoolClass $class): bool
    {
        return $this->teaches($class->id) || ($this->isTeacher() && $this->administers && $class->school_id === $this->school_id);
    }
}
