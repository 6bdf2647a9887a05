<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Recipe\Recipe;

/** The edits a recipe takes. */
final class Edits
{
    /** @var list<class-string<Edit>> */
    private const LIST = [
        Add::class,
        Set::class,
        Pick::class,
        Region::class,
        Delete::class,
        Shift::class,
        SwitchOff::class,
        AddShape::class,
        DropShape::class,
        Sizes::class,
        Size::class,
        Material::class,
        PaintFaces::class,
        Pin::class,
        Align::class,
        Drop::class,
        Nudge::class,
        PutAt::class,
        Spin::class,
        Ground::class,
        OneMore::class,
        Around::class,
        MakeGroup::class,
        Ungroup::class,
        SetFree::class,
        Place::class,
        Open::class,
        Close::class,
        GroupName::class,
        Lock::class,
        Forget::class,
        Anew::class,
        Leave::class,
    ];

    /** @var array<string, Edit>|null */
    private static ?array $all = null;

    /** @return array<string, Edit> by id */
    public static function all(): array
    {
        if (self::$all === null) {
            self::$all = [];
            foreach (self::LIST as $class) {
                $edit = new $class();
                self::$all[$edit->id()] = $edit;
            }
        }

        return self::$all;
    }

    /**
     * The whole recipe after an edit, whatever group is open in it.
     *
     * @param array<string, mixed> $in what was sent
     */
    public static function applied(Edit $edit, Recipe $whole, array $in, Bench $bench): Recipe
    {
        $input = new Input($in);

        return $edit->isOfWhole()
            ? $edit->apply($whole, $input, $bench)
            : $whole->withAtHand($edit->apply($whole->atHand(), $input, $bench));
    }
}
