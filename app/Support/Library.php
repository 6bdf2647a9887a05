<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\LibraryPart;
use App\Models\LibraryVersion;
use App\Models\Person;
use App\Models\SchoolClass;
use Cubo\Recipe\Group;
use Cubo\Recipe\GroupOrigin;
use Cubo\Recipe\Groups\Frozen;
use Cubo\Recipe\Groups\Instances;
use Cubo\Recipe\Message;
use Cubo\Recipe\Recipe as Document;
use Cubo\Recipe\StepProblem;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** Puts parts into libraries, finds them and takes them out. What that means for a recipe is the core's. */
final class Library
{
    /** parts one person may keep */
    public const MOST = 200;

    public const MOST_TAGS = 8;

    /**
     * Freezes a group as a new part, or as a new version of the part of that name: that one keeps its tags and its class
     * where none are given.
     *
     * @param list<string> $tags
     *
     * @throws StepProblem
     */
    public function put(Person $owner, ?SchoolClass $class, Document $d, string $group, array $tags): LibraryPart
    {
        $g = $d->groups[$group] ?? throw new StepProblem(new Message('no-group', 'There is no such group.', 'It was removed meanwhile.'));

        return DB::transaction(function () use ($owner, $class, $d, $g, $tags): LibraryPart {
            Person::query()->lockForUpdate()->findOrFail($owner->id);
            $part = LibraryPart::query()->where('owner_id', $owner->id)->where('name', $g->name())->first();
            $frozen = Frozen::of($d, $g->id, $part === null ? null : (string) $part->id);
            if ($part === null && LibraryPart::query()->where('owner_id', $owner->id)->count() >= self::MOST) {
                throw new StepProblem(
                    new Message('too-many', 'Your library is full.', 'It holds ' . self::MOST . ' parts. Remove one you do not need.'),
                );
            }
            $values = [
                'tags' => self::tags($tags) ?: $part->tags ?? [],
                'class_id' => $class->id ?? $part?->class_id,
                'version' => ($part->version ?? 0) + 1,
            ];
            $part === null
                ? ($part = LibraryPart::create(['owner_id' => $owner->id, 'name' => $g->name()] + $values))
                : $part->update($values);
            LibraryVersion::create([
                'part_id' => $part->id,
                'number' => $part->version,
                'document' => $frozen->toJson(),
                'created_at' => now(),
            ]);

            return $part;
        });
    }

    /**
     * Places a part of a library in a recipe.
     *
     * @throws StepProblem
     */
    public function take(Document $d, LibraryPart $part, ?string $after): Document
    {
        [$with, $group] = Frozen::taken($d, $part->newest()->recipe(), self::origin($part));

        return Instances::place($with, $group, $after);
    }

    /**
     * Takes over the newest version of the part a group was taken from.
     *
     * @throws StepProblem
     */
    public function renew(Document $d, string $group, Person $person): Document
    {
        $part = self::newer($d, $person)[$group] ?? null;

        return $part === null ? $d : Frozen::renewed($d, $group, $part->newest()->recipe(), self::origin($part));
    }

    /** @return array<string, LibraryPart> parts with a newer version than the one a group was taken from, by group */
    public static function newer(Document $d, Person $person): array
    {
        $from = array_filter(array_map(static fn(Group $g): ?GroupOrigin => $g->from, $d->groups));
        if ($from === []) {
            return [];
        }
        $parts = self::seenBy($person)
            ->whereIn('id', array_filter(array_map(static fn(GroupOrigin $o): int => (int) $o->part, array_values($from))))
            ->get()
            ->keyBy('id');

        return array_filter(
            array_map(
                static fn(GroupOrigin $o): ?LibraryPart => ($p = $parts[(int) $o->part] ?? null) !== null && $p->version > $o->version
                    ? $p
                    : null,
                $from,
            ),
        );
    }

    /** @return Builder<LibraryPart> what somebody may see: own parts, and those of own classes */
    public static function seenBy(Person $person): Builder
    {
        $classes = $person->isTeacher() ? $person->classes()->pluck('school_classes.id')->all() : array_filter([$person->class_id]);

        return LibraryPart::query()
            ->where(static fn(Builder $q) => $q->where('owner_id', $person->id)->orWhereIn('class_id', $classes))
            ->with('owner', 'schoolClass', 'newestVersion')
            ->orderBy('name')
            ->orderBy('id');
    }

    /**
     * @return Collection<int, LibraryPart> those in whose name, tags or author's name every word is found
     */
    public static function found(Person $person, string $words): Collection
    {
        $all = self::seenBy($person)->limit(500)->get();
        $words = array_slice((array) preg_split('/\s+/u', mb_strtolower(trim($words)), -1, PREG_SPLIT_NO_EMPTY), 0, 8);

        return $all
            ->filter(static function (LibraryPart $p) use ($words): bool {
                $text = mb_strtolower($p->name . ' ' . implode(' ', $p->tags) . ' ' . $p->owner->name);

                return array_filter($words, static fn($w): bool => !str_contains($text, (string) $w)) === [];
            })
            ->values();
    }

    /**
     * @param list<string> $typed
     * @return list<string>
     */
    public static function tags(array $typed): array
    {
        $tags = array_map(
            static fn(string $t): string => mb_substr(
                mb_strtolower(trim((string) preg_replace('/[\x00-\x1F\x7F]+|\s+/u', ' ', mb_scrub($t, 'UTF-8')))),
                0,
                24,
            ),
            $typed,
        );

        return array_slice(array_values(array_unique(array_filter($tags, static fn(string $t): bool => $t !== ''))), 0, self::MOST_TAGS);
    }

    private static function origin(LibraryPart $part): GroupOrigin
    {
        return new GroupOrigin((string) $part->id, $part->owner->name, $part->version);
    }
}
