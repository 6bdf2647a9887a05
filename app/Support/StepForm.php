<?php

declare(strict_types=1);

namespace App\Support;

use Cubo\Quantity\Unit;
use Cubo\Recipe\FacePlane;
use Cubo\Recipe\Letters;
use Cubo\Recipe\Message;
use Cubo\Recipe\PartState;
use Cubo\Recipe\RegionPicks;
use Cubo\Recipe\Recipe as Document;
use Cubo\Recipe\SketchPlane;
use Cubo\Recipe\Step;
use Cubo\Recipe\StepKind;
use Cubo\Recipe\StepResult;
use Cubo\Sketch\Area\Region;

/**
 * The values of one step as fields inside its sentence. Plain strings instead of view components: a bench has a hundred
 * of them and is drawn anew after every edit.
 */
final class StepForm
{
    public readonly ?StepResult $result;

    public readonly ?Message $message;

    /** @param list<string> $bodies names of the bodies the part has now */
    public function __construct(
        public readonly Step $step,
        private readonly Document $document,
        private readonly PartState $state,
        private readonly array $bodies,
        public readonly Unit $unit,
        private readonly string $address,
    ) {
        $this->result = $state->results[$step->id] ?? null;
        $this->message = $this->result->messages[0] ?? null;
    }

    /** A value that is typed. */
    public function typed(string $key, string $label, ?string $value = null): string
    {
        $value ??= $key === 'regions' ? $this->regions() : $this->step->text($key);

        return sprintf('<input class="val%s" id="%s" name="%s" value="%s" aria-label="%s" autocomplete="off" spellcheck="false" maxlength="120" size="%d"%s>',
            $this->wrong($key) ? ' bad' : '', $this->id($key), $this->name($key), e($value), e($label), max(2, min(18, mb_strlen($value) + 1)), $this->aria($key));
    }

    /** A value that is chosen. @param array<string, string>|null $options */
    public function chosen(string $key, ?array $options = null, ?string $label = null, ?string $value = null): string
    {
        $value ??= $this->step->text($key);
        $field = $this->step->kind->fields()[$key] ?? null;
        $html = sprintf('<select class="val word%s" id="%s" name="%s" aria-label="%s"%s>', $this->wrong($key) ? ' bad' : '', $this->id($key), $this->name($key), e($label ?? $field->label ?? ''), $this->aria($key));
        foreach ($options ?? $field->options ?? [] as $k => $words) {
            $html .= sprintf('<option value="%s"%s>%s</option>', e((string) $k), (string) $k === $value ? ' selected' : '', e($words));
        }

        return "$html</select>";
    }

    public function place(): string
    {
        $fields = $this->step->kind->fields();

        return implode(', ', array_map(fn (string $k): string => $this->typed($k, $fields[$k]->label), ['x', 'y', 'z']));
    }

    public function body(): string
    {
        $chosen = $this->step->text('body');
        $options = ['all' => 'the whole part'];
        foreach ($this->bodies as $b) {
            [$id, $piece] = explode('.', $b) + [1 => null];
            $name = $this->document->step($id)->name ?? $id;
            $options[$b] = $piece === null ? "the piece of $name" : "piece $piece of $name";
        }
        $options[$chosen] ??= 'the piece of ' . ($this->document->step(explode('.', $chosen)[0])->name ?? $chosen);

        return $this->chosen('body', $options);
    }

    public function sketch(): string
    {
        $options = [];
        foreach ($this->document->steps as $s) {
            if ($s->id === $this->step->id) {
                break;
            }
            if ($s->kind === StepKind::Sketch) {
                $options[$s->id] = $s->name;
            }
        }
        $chosen = $this->step->text('sketch');

        return $this->chosen('sketch', isset($options[$chosen]) ? $options : [$chosen => 'pick a sketch'] + $options);
    }

    /** The flat faces there are, by their words. */
    public function face(): string
    {
        $faces = $this->state->isEmpty() ? [] : FacePlane::faces($this->state->part(), $this->document);
        // what comes after a sketch is not there yet when it is drawn
        $before = [];
        foreach ($this->document->steps as $s) {
            if ($s->id === $this->step->id) {
                break;
            }
            $before[$s->id] = true;
        }
        $faces = array_filter($faces, static fn (string $name): bool => isset($before[explode(':', $name)[0]]), ARRAY_FILTER_USE_KEY);
        $chosen = $this->step->text('face');

        return $this->chosen('face', isset($faces[$chosen]) ? $faces : [$chosen => $chosen === '' ? 'pick a face' : 'a face that is gone'] + $faces);
    }

    public function direction(): string
    {
        $plane = SketchPlane::tryFrom($this->document->step($this->step->text('sketch'))?->text('plane') ?? '') ?? SketchPlane::Ground;

        $onFace = $this->document->step($this->step->text('sketch'))?->text('plane') === 'face';

        return $this->chosen('direction', $onFace ? ['up' => 'out of the face', 'down' => 'into the part'] : $plane->directions());
    }

    private function regions(): string
    {
        return implode(', ', RegionPicks::numbers($this->step, $this->regionsOfSketch()) ?? ['all']);
    }

    /** @return list<Region> what an extrude may take of */
    public function regionsOfSketch(): array
    {
        return $this->state->results[$this->step->text('sketch')]->regions ?? [];
    }

    /** @return list<int> numbers of the regions that are taken */
    public function taken(): array
    {
        $regions = $this->regionsOfSketch();

        return array_values(array_filter(RegionPicks::numbers($this->step, $regions) ?? array_map(static fn (Region $r): int => $r->number, $regions), is_int(...)));
    }

    /** One outline of a sketch. @param array<string, string> $s */
    public function outline(int $k, array $s): string
    {
        $letter = Letters::small($k);
        [$right, $up] = match ($this->step->text('plane')) {
            'front' => ['right', 'up'],
            'side' => ['back', 'up'],
            default => ['right', 'back'],
        };
        $typed = fn (string $key, string $label): string => $this->typed("shapes.$k.$key", "$label, outline $letter", $s[$key]);
        $shape = $s['kind'] === 'rectangle'
            ? 'rectangle ' . $typed('width', 'width') . ' by ' . $typed('height', 'height') . ', ' . $this->chosen("shapes.$k.from", ['middle' => 'middle', 'corner' => 'low left corner'], "placed by, outline $letter", $s['from'])
            : 'circle ' . $this->chosen("shapes.$k.by", ['diameter' => 'diameter', 'radius' => 'radius'], "round given by, outline $letter", $s['by']) . ' ' . $typed('round', $s['by']) . ', middle';

        return "<b class=\"num\">$letter</b> $shape at " . $typed('u', $right) . ', ' . $typed('v', $up) . ' '
            . '<button class="link small" ' . $this->sends('drop-shape', ['index' => $k]) . " aria-label=\"Remove outline $letter\">remove</button>";
    }

    /** What a button needs to send an edit of this step. @param array<string, int|string> $more */
    public function sends(string $do, array $more = []): string
    {
        return 'type="button" hx-post="' . $this->address . '" hx-target="#work" hx-swap="innerMorph" hx-sync="#bench-sync:queue all" hx-vals="' . e((string) json_encode(['do' => $do] + $more)) . '"';
    }

    private function wrong(string $key): bool
    {
        return $this->message?->field === $key;
    }

    private function aria(string $key): string
    {
        return $this->wrong($key) ? ' aria-invalid="true" aria-describedby="' . $this->step->id . '-why"' : '';
    }

    private function id(string $key): string
    {
        return $this->step->id . '-' . str_replace('.', '-', $key);
    }

    private function name(string $key): string
    {
        return 'values[' . str_replace('.', '][', $key) . ']';
    }
}
