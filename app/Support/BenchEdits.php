<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Recipe;
use Cubo\Budget\Limits;
use Cubo\Budget\OverBudget;
use Cubo\Quantity\DensityUnit;
use Cubo\Recipe\Arrange\Aligning;
use Cubo\Recipe\Arrange\Copies;
use Cubo\Recipe\Arrange\Dropping;
use Cubo\Recipe\Arrange\Nudging;
use Cubo\Recipe\Editing;
use Cubo\Recipe\FacePlane;
use Cubo\Recipe\Groups\Grouping;
use Cubo\Recipe\Groups\Instances;
use Cubo\Recipe\Groups\Ungrouping;
use Cubo\Recipe\Kind\Kinds;
use Cubo\Recipe\Message;
use Cubo\Recipe\Paint;
use Cubo\Recipe\Rebasing;
use Cubo\Recipe\Recipe as Document;
use Cubo\Recipe\RegionPicks;
use Cubo\Recipe\Reliance;
use Cubo\Recipe\Step;
use Cubo\Recipe\StepProblem;
use Cubo\Sketch\Area\Region;

/** The edits a bench may send, as new recipes. What they mean is the core's; here they are only told apart. */
final class BenchEdits
{
    public function __construct(private readonly Workbench $bench, private readonly Library $library) {}

    /**
     * The recipe after an edit; the same where what was sent is no edit.
     *
     * @param Document $whole whatever group is open in it
     * @param array<string, mixed> $in as validated by the controller
     *
     * @throws StepProblem where something cannot be done, in words
     * @throws OverBudget where the part is too fine for it, or still being made
     */
    public function of(Recipe $recipe, Document $whole, array $in): Document
    {
        $group = (string) ($in['group'] ?? '');

        return match ($in['do']) {
            'open' => $whole->opened($group),
            'close' => $whole->opened(''),
            'group-name' => Instances::rename($whole, $group, (string) ($in['name'] ?? '')),
            'lock' => Instances::lock($whole, $group, (string) ($in['of'] ?? ''), (bool) ($in['on'] ?? false)),
            'anew' => Editing::anew($whole),
            'forget' => Instances::forget($whole, $group),
            'renew' => $this->library->renew($whole, $group, $recipe->owner()->firstOrFail()),
            default => $whole->withAtHand($this->atHand($recipe, $whole->atHand(), $in)),
        };
    }

    /** @param array<string, mixed> $in */
    private function atHand(Recipe $recipe, Document $d, array $in): Document
    {
        $evaluate = $this->bench->evaluate(...);
        $after = $d->step((string) ($in['after'] ?? ''))?->id;
        $step = (string) ($in['step'] ?? '');
        $known = $d->step($step);

        return match ($in['do']) {
            'add' => ($kind = Kinds::find((string) ($in['kind'] ?? ''))) === null ? $d : Editing::add($d, $kind, $after),
            'set' => $this->rebased($recipe, $d, $this->withLastingPicks(Editing::set($d, $step, (array) ($in['values'] ?? []), $in['name'] ?? null, array_key_exists('note', $in) ? (string) $in['note'] : null, array_key_exists('heading', $in) ? (string) $in['heading'] : null), $step), $step),
            'region' => $known === null ? $d : $d->withStep(RegionPicks::toggled($known, $this->regionsFor($d, $known), (int) ($in['index'] ?? 0))),
            'delete' => $d->without($step),
            'shift' => (new Reliance($d))->inTheWay($step, (int) ($in['places'] ?? 0)) === null ? $d->shifted($step, (int) ($in['places'] ?? 0)) : $d,
            'paint' => Editing::paint($d, $this->painted($d, self::names($in['of'] ?? null), (string) ($in['what'] ?? 'face')), (string) ($in['colour'] ?? '')),
            'align' => $this->aligned($d, $in),
            'drop' => Dropping::drop($d, $step, $evaluate),
            'nudge' => Nudging::by($d, $step, self::way($in['by'] ?? null), $evaluate),
            'put-at' => Nudging::to($d, $step, self::names($in['of'] ?? null)[0] ?? '', $evaluate),
            'spin' => Nudging::turn($d, $step, (float) ($in['degrees'] ?? 0)),
            'ground' => $this->grounded($d, (string) ($in['face'] ?? '')),
            'one-more' => Copies::oneMore($d, $step, $evaluate),
            'around' => Copies::around($d, $step, (int) ($in['count'] ?? 6), $evaluate),
            'group' => Grouping::group($d, self::ids($d, $in), (string) ($in['name'] ?? ''), $evaluate),
            'ungroup' => Ungrouping::of($d, $step, $evaluate),
            'set-free' => Instances::setFree($d, $step),
            'place' => Instances::place($d, (string) ($in['group'] ?? ''), $after),
            'take' => $this->taken($recipe, $d, (int) ($in['part'] ?? 0), $after),
            'pin' => Editing::pin($d, self::names($in['of'] ?? null)),
            'switch' => $known === null ? $d : $d->withStep($known->switched(! $known->off)),
            'add-shape' => Editing::addShape($d, $step, (string) ($in['kind'] ?? '')),
            'material' => Editing::material($d, (string) ($in['material'] ?? ''), $in['density'] ?? null, DensityUnit::tryFrom($in['density_unit'] ?? '')),
            'sizes' => Editing::sizes($d, (array) ($in['sizes'] ?? [])),
            'size' => Editing::size($d, (string) ($in['of'] ?? ''), array_key_exists('name', $in) ? (string) $in['name'] : null, array_key_exists('value', $in) ? (string) $in['value'] : null),
            'pick' => $this->withLastingPicks(Editing::pick($d, $step, (string) ($in['key'] ?? ''), (string) ($in['face'] ?? ''), (bool) ($in['on'] ?? false)), $step),
            'drop-shape' => Editing::dropShape($d, $step, (string) ($in['letter'] ?? '')),
            default => $d,
        };
    }

    private function grounded(Document $d, string $face): Document
    {
        if ($face !== '' && FacePlane::placement($this->bench->evaluate($d)->part(), $face) === null) {
            throw new StepProblem(new Message('no-face', 'This cannot be the ground.', 'Only a flat face can. Pick one that is flat.'));
        }

        return $d->onGround($face);
    }

    /** What is not there, or not shared with whoever asks, is told the same way. */
    private function taken(Recipe $recipe, Document $d, int $id, ?string $after): Document
    {
        $part = Library::seenBy($recipe->owner()->firstOrFail())->find($id) ?? throw new StepProblem(new Message('no-part', 'This part is not in the library any more.', 'It was removed or is not shared with you now. Look for another one.'));

        return $this->library->take($d, $part, $after);
    }

    /**
     * @param array<string, mixed> $in
     * @return list<string> those steps that are there
     */
    private static function ids(Document $d, array $in): array
    {
        return array_values(array_filter((array) ($in['steps'] ?? []), static fn (mixed $id): bool => is_string($id) && $d->step($id) !== null));
    }

    /** @return array{float,float,float} mm */
    public static function way(mixed $by): array
    {
        $by = array_map(static fn (mixed $v): float => is_numeric($v) && abs((float) $v) <= 10000.0 ? (float) $v : 0.0, array_values(is_array($by) ? $by : [])) + [0.0, 0.0, 0.0];

        return [$by[0], $by[1], $by[2]];
    }

    /** When a sketch moves to another plane, what was built on the faces of its part turns with it. */
    private function rebased(Recipe $recipe, Document $before, Document $after, string $id): Document
    {
        [$old, $new] = [$before->step($id), $after->step($id)];
        $moved = $new?->kind->draws() && $old !== null && [$old->text('plane'), $old->text('face')] !== [$new->text('plane'), $new->text('face')];

        if (! $moved) {
            return $after;
        }
        // "on a face" is chosen before the face is: then where the sketch lay stands a few revisions back
        $parent = $recipe->head()->parent;
        for ($back = 0; $back < 4 && $parent !== null && ! Rebasing::lies($before, $id, $this->bench->evaluate(...)); $back++) {
            $revision = $recipe->revisions()->where('number', $parent)->firstOrFail();
            $was = $revision->recipe()->atHand();
            $before = $was->step($id) === null ? $before : $was;
            $parent = $revision->parent;
        }

        return Rebasing::follow($before, $after, $id, $this->bench->evaluate(...));
    }

    /** @param array<string, mixed> $in */
    private function aligned(Document $d, array $in): Document
    {
        $ids = self::ids($d, $in);
        $way = (string) ($in['way'] ?? '');
        $how = (string) ($in['how'] ?? '');
        if ($how === 'stack') {
            return Aligning::stack($d, $ids, $this->bench->evaluate(...));
        }
        if (! in_array($way, Aligning::WAYS, true)) {
            return $d;
        }

        return match (true) {
            $how === 'space' => Aligning::space($d, $ids, $way, $this->bench->evaluate(...)),
            in_array($how, Aligning::SIDES, true) => Aligning::align($d, $ids, (string) ($in['against'] ?? ''), $way, $how, $this->bench->evaluate(...)),
            default => $d,
        };
    }

    /**
     * @param list<string> $faces
     * @param string $what "face", all of the "shape" or of the "body" they are of
     * @return list<string>
     */
    private function painted(Document $d, array $faces, string $what): array
    {
        if ($what === 'shape') {
            return array_map(static fn (string $face): string => explode(':', $face)[0] . ':' . Paint::ALL, $faces);
        }
        $state = $this->bench->evaluate($d);
        if ($what !== 'body' || $state->isEmpty()) {
            return $faces;
        }
        $of = $this->bench->places($state)['bodies'];
        $bodies = array_map(static fn (string $f): string => $of[$f] ?? '', $faces);

        return [...$faces, ...array_map(strval(...), array_keys(array_filter($of, static fn (string $b): bool => in_array($b, $bodies, true))))];
    }

    /** Numbers of regions hold only until the sketch changes; what bounds a region holds longer. */
    private function withLastingPicks(Document $d, string $id): Document
    {
        $step = $d->step($id);

        return $step === null || array_filter($step->regions() ?? [], is_int(...)) === [] ? $d : $d->withStep(RegionPicks::lasting($step, $this->regionsFor($d, $step)));
    }

    /** @return list<Region> */
    private function regionsFor(Document $d, Step $step): array
    {
        return $this->bench->evaluate($d)->results[$step->text('sketch')]->regions ?? [];
    }

    /** @return list<string> names of faces, edges or corners, three at the most */
    public static function names(mixed $of): array
    {
        return array_slice(array_values(array_filter(is_array($of) ? $of : [], static fn (mixed $n): bool => is_string($n) && $n !== '' && strlen($n) <= Limits::NAME)), 0, 3);
    }
}
