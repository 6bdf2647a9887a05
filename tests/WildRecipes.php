<?php

declare(strict_types=1);

namespace Tests;

use Cubo\Quantity\Unit;
use Cubo\Recipe\Editing;
use Cubo\Recipe\Kind\Family;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Kind\Kinds;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\Step;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * Recipes as nobody would make them: any kinds of steps with any values, large counts, sizes next to nothing and beyond all
 * limits, faces and edges that may or may not be there. For finding what a page cannot bear; by seed.
 */
final class WildRecipes
{
    private const SIZES = ['0.01', '0.4', '1', '2', '3.5', '8', '20', '20', '40', '100', '999', '1/3', '2*k', 'no size', '-5', '100000'];

    private const PLACES = ['0', '0', '0', '1', '-3', '10', '20', '-20', '100', '4.5'];

    private const COUNTS = ['1', '2', '3', '6', '12', '12', '24', '50', '200', '0', '7.5'];

    private readonly Randomizer $r;

    private function __construct(int $seed)
    {
        $this->r = new Randomizer(new Xoshiro256StarStar($seed));
    }

    public static function of(int $seed): Recipe
    {
        return (new self($seed))->recipe();
    }

    private function recipe(): Recipe
    {
        $recipe = (new Recipe(Unit::Millimetre, title: 'Wild'))->withSizes(['k' => '3']);
        $solids = Kinds::in(Family::Solid);
        for ($i = 0, $n = $this->r->getInt(2, 14); $i < $n; $i++) {
            $kinds =
                $i === 0
                    ? $solids
                    : ($this->r->getInt(0, 3) === 0
                        ? [Kinds::of('repeat'), Kinds::of('copy'), Kinds::of('mirror')]
                        : array_values(Kinds::all()));
            $before = array_column($recipe->steps, 'id');
            $recipe = Editing::add($recipe, $this->one($kinds));
            $id = (string) (array_values(array_diff(array_column($recipe->steps, 'id'), $before))[0] ?? '');
            $step = $recipe->step($id);
            if ($step === null) {
                continue;
            }
            for ($k = $step->kind->draws() ? $this->r->getInt(1, 12) : 0; $k > 0; $k--) {
                $recipe = Editing::addShape($recipe, $id, $this->one(['circle', 'rectangle']));
            }
            $recipe = Editing::set($recipe, $id, $this->values($recipe->step($id) ?? $step, $before));
        }

        return $recipe;
    }

    /**
     * @param list<string> $before ids of the steps before it
     * @return array<string, mixed>
     */
    private function values(Step $step, array $before): array
    {
        $out = [];
        foreach ($step->kind->fields() as $key => $f) {
            if ($this->r->getInt(0, 2) === 0) {
                continue;
            }
            $value = match ($f->type) {
                FieldType::Size, FieldType::SizeOrZero => $this->one(self::SIZES),
                FieldType::Length => $this->one(self::PLACES),
                FieldType::Angle => $this->one(['0', '15', '37', '90', '180', '360', '-45', '1000']),
                FieldType::Count => $this->one(self::COUNTS),
                FieldType::Factor => $this->one(['0.5', '1', '2', '40', '0']),
                FieldType::Choice, FieldType::Direction => $this->one($f->choices),
                FieldType::Text => $this->one(['N', 'WIND 7', str_repeat('RAIN ', 20), '']),
                FieldType::Face, FieldType::Spot, FieldType::Edge => $this->face($before),
                FieldType::Faces => [$this->face($before), $this->face($before)],
                FieldType::Edges => [$this->face($before) . ' / ' . $this->face($before)],
                FieldType::Step, FieldType::Body => $before === [] || $this->r->getInt(0, 3) === 0 ? 'all' : $this->one($before),
                FieldType::Shapes => array_map(
                    fn(array $s): array => ['u' => $this->one(self::PLACES), 'v' => $this->one(self::PLACES)] +
                        (isset($s['round']) ? ['round' => $this->one(self::SIZES)] : ['width' => $this->one(self::SIZES)]),
                    $step->shapes(),
                ),
                default => null,
            };
            if ($value !== null) {
                $out[$key] = $value;
            }
        }

        return $out;
    }

    /** @param list<string> $before */
    private function face(array $before): string
    {
        return ($before === [] ? 's1' : $this->one($before)) . ':' . $this->one(['top', 'bottom', 'front', 'left', 'side', 'end', 'start']);
    }

    /**
     * @template T
     *
     * @param list<T> $of
     * @return T
     */
    private function one(array $of): mixed
    {
        return $of[$this->r->getInt(0, count($of) - 1)];
    }
}
