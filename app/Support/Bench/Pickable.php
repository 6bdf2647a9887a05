<?php

declare(strict_types=1);

namespace App\Support\Bench;

use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\PartNames;
use Cubo\Recipe\PartState;
use Cubo\Recipe\Recipe as Document;
use Cubo\Recipe\Step;

/** What can be picked for the values of one step: things of the part and steps that are there before it. */
final class Pickable
{
    /** @var array<string, true>|null ids of the steps before this one */
    private ?array $before = null;

    /**
     * @param list<string> $bodies names of the bodies the part has now
     * @param array{faces: array<string, string>, edges: array<string, string>, corners: array<string, string>} $names words for what can be picked
     */
    public function __construct(
        private readonly Step $step,
        private readonly Document $document,
        private readonly PartState $state,
        private readonly array $bodies,
        private readonly array $names,
    ) {}

    /**
     * What one thing can be picked from; what is picked and is not there stands first.
     *
     * @return array<string, string> value => words
     */
    public function one(Field $field): array
    {
        $chosen = $this->step->text($field->key);
        if ($field->type === FieldType::MaybeSketch) {
            return ['' => 'nothing'] + $this->sketches() + [$chosen => 'a sketch that is not there'];
        }
        if ($field->type === FieldType::Body) {
            return $this->bodies($chosen);
        }
        [$there, $empty, $gone] = match ($field->type) {
            FieldType::Sketch => [$this->sketches(), 'pick a sketch', 'pick a sketch'],
            FieldType::Step => [$this->makers(), 'pick a step', 'pick a step'],
            FieldType::Group => [$this->groups(), 'pick a group', 'pick a group'],
            FieldType::Face => [$this->flatFaces(), 'pick a face', $chosen],
            FieldType::Edge => [$this->sorted($this->names['edges']), 'pick an edge', $chosen],
            default => [
                $this->sorted($this->names['edges'] + $this->names['corners'] + ($this->takesFaces($field) ? $this->flatFaces() : [])),
                $this->takesFaces($field) ? 'pick a corner, an edge or a face' : 'pick a corner or an edge',
                $chosen,
            ],
        };
        $words = $chosen === '' ? $empty : ($gone === $chosen ? PartNames::any($chosen, $this->document) : $gone);

        return isset($there[$chosen]) ? $there : [$chosen => $words] + $there;
    }

    /** Where a shape stands can be a face too; a height cannot. */
    public function takesFaces(Field $field): bool
    {
        return $field->type === FieldType::Spot && $this->step->kind->stands();
    }

    /**
     * What can be taken into a list.
     *
     * @return array<string, string> value => words
     */
    public function many(Field $field): array
    {
        $there = match ($field->type) {
            FieldType::Edges => $this->names['edges'],
            FieldType::Sketches => $this->sketches(),
            default => $this->names['faces'],
        };

        return $this->sorted(array_diff_key($there, array_flip($this->step->names($field->key))));
    }

    /** A thing that is in a list, in words. */
    public function words(Field $field, string $one): string
    {
        return match ($field->type) {
            FieldType::Edges => PartNames::edge($one, $this->document),
            FieldType::Sketches => $this->document->step($one)->name ?? $one,
            default => PartNames::face($one, $this->document),
        };
    }

    /** @return array<string, string> */
    private function bodies(string $chosen): array
    {
        $options = ['all' => 'the whole part'];
        foreach ($this->bodies as $b) {
            [$id, $piece] = [explode('.', $b)[0], explode('.', $b)[1] ?? null];
            $name = $this->document->step($id)->name ?? $id;
            $options[$b] = $piece === null ? "the piece of $name" : "piece $piece of $name";
        }
        $options[$chosen] ??= 'the piece of ' . ($this->document->step(explode('.', $chosen)[0])->name ?? $chosen);

        return $options;
    }

    /** @return array<string, string> */
    private function sketches(): array
    {
        return $this->steps(static fn(Step $s): bool => $s->kind->draws());
    }

    /** @return array<string, string> */
    private function makers(): array
    {
        return $this->steps(static fn(Step $s): bool => $s->kind->makes());
    }

    /** @return array<string, string> */
    private function groups(): array
    {
        $out = [];
        foreach ($this->document->groups as $id => $g) {
            $out[$id] = $g->name();
        }

        return $out;
    }

    /** @return array<string, string> */
    private function flatFaces(): array
    {
        return array_filter(
            $this->state->isEmpty() ? [] : PartNames::faces($this->state->part(), $this->document, true),
            $this->isBefore(...),
            ARRAY_FILTER_USE_KEY,
        );
    }

    /**
     * @param array<string, string> $there
     * @return array<string, string>
     */
    private function sorted(array $there): array
    {
        $there = array_filter($there, $this->isBefore(...), ARRAY_FILTER_USE_KEY);
        asort($there, SORT_NATURAL);

        return $there;
    }

    /**
     * @param callable(Step): bool $wanted
     * @return array<string, string> id => name of steps before this one
     */
    private function steps(callable $wanted): array
    {
        $out = [];
        foreach ($this->document->steps as $s) {
            if ($s->id === $this->step->id) {
                break;
            }
            if ($wanted($s)) {
                $out[$s->id] = $s->name;
            }
        }

        return $out;
    }

    /** Whether a face or edge can be there before this step: no later step had a hand in it. */
    private function isBefore(string $name): bool
    {
        $this->before ??= array_fill_keys(array_keys($this->steps(static fn(): bool => true)), true);
        foreach (explode(' / ', $name) as $face) {
            if (!isset($this->before[explode(':', $face)[0]])) {
                return false;
            }
        }

        return true;
    }
}
