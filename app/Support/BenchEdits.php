<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Recipe;
use Cubo\Quantity\DensityUnit;
use Cubo\Recipe\Aligning;
use Cubo\Recipe\Dropping;
use Cubo\Recipe\Editing;
use Cubo\Recipe\Rebasing;
use Cubo\Recipe\Recipe as Document;
use Cubo\Recipe\RegionPicks;
use Cubo\Recipe\Reliance;
use Cubo\Recipe\Step;
use Cubo\Recipe\StepKind;
use Cubo\Sketch\Area\Region;

/** The edits a bench may send, as new recipes. What they mean is the core's; here they are only told apart. */
final class BenchEdits
{
    public function __construct(private readonly Workbench $bench) {}

    /**
     * The recipe after an edit; the same where what was sent is no edit.
     *
     * @param array<string, mixed> $in as validated by the controller
     */
    public function of(Recipe $recipe, Document $d, array $in): Document
    {
        $step = (string) ($in['step'] ?? '');
        $known = $d->step($step);

        return match ($in['do']) {
            'add' => ($kind = StepKind::tryFrom((string) ($in['kind'] ?? ''))) === null ? $d : Editing::add($d, $kind, $d->step((string) ($in['after'] ?? ''))?->id),
            'set' => $this->rebased($recipe, $d, $this->withLastingPicks(Editing::set($d, $step, (array) ($in['values'] ?? []), $in['name'] ?? null, array_key_exists('note', $in) ? (string) $in['note'] : null, array_key_exists('heading', $in) ? (string) $in['heading'] : null), $step), $step),
            'region' => $known === null ? $d : $d->withStep(RegionPicks::toggled($known, $this->regionsFor($d, $known), (int) ($in['index'] ?? 0))),
            'delete' => $d->without($step),
            'shift' => (new Reliance($d))->inTheWay($step, (int) ($in['places'] ?? 0)) === null ? $d->shifted($step, (int) ($in['places'] ?? 0)) : $d,
            'paint' => Editing::paint($d, $this->painted($d, self::names($in['of'] ?? null), (bool) ($in['whole'] ?? false)), (string) ($in['colour'] ?? '')),
            'align' => $this->aligned($d, $in),
            'drop' => Dropping::drop($d, $step, $this->bench->evaluate(...)),
            'pin' => Editing::pin($d, self::names($in['of'] ?? null)),
            'switch' => $known === null ? $d : $d->withStep($known->switched(! $known->off)),
            'add-shape' => Editing::addShape($d, $step, (string) ($in['kind'] ?? '')),
            'material' => Editing::material($d, (string) ($in['material'] ?? ''), $in['density'] ?? null, DensityUnit::tryFrom($in['density_unit'] ?? '')),
            'sizes' => Editing::sizes($d, (array) ($in['sizes'] ?? [])),
            'drop-shape' => Editing::dropShape($d, $step, (int) ($in['index'] ?? -1)),
            default => $d,
        };
    }

    /** When a sketch moves to another plane, what was built on the faces of its part turns with it. */
    private function rebased(Recipe $recipe, Document $before, Document $after, string $id): Document
    {
        [$old, $new] = [$before->step($id), $after->step($id)];
        $moved = $new?->kind === StepKind::Sketch && $old !== null && [$old->text('plane'), $old->text('face')] !== [$new->text('plane'), $new->text('face')];

        if (! $moved) {
            return $after;
        }
        // "on a face" is chosen before the face is: then where the sketch lay stands a few revisions back
        $parent = $recipe->head()->parent;
        for ($back = 0; $back < 4 && $parent !== null && ! Rebasing::lies($before, $id, $this->bench->evaluate(...)); $back++) {
            $revision = $recipe->revisions()->where('number', $parent)->firstOrFail();
            $before = $revision->recipe()->step($id) === null ? $before : $revision->recipe();
            $parent = $revision->parent;
        }

        return Rebasing::follow($before, $after, $id, $this->bench->evaluate(...));
    }

    /** @param array<string, mixed> $in */
    private function aligned(Document $d, array $in): Document
    {
        $ids = array_values(array_filter((array) ($in['steps'] ?? []), static fn (mixed $id): bool => is_string($id) && $d->step($id) !== null));
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
     * @return list<string> those faces, or all of the bodies they are of
     */
    private function painted(Document $d, array $faces, bool $whole): array
    {
        $state = $this->bench->evaluate($d);
        if (! $whole || $state->isEmpty()) {
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
        return array_slice(array_values(array_filter(is_array($of) ? $of : [], static fn (mixed $n): bool => is_string($n) && $n !== '' && strlen($n) <= Document::LONGEST_NAME)), 0, 3);
    }
}
