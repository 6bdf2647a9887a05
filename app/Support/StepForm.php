<?php

declare(strict_types=1);

namespace App\Support;

use Cubo\Quantity\Expression;
use Cubo\Quantity\Unit;
use Cubo\Quantity\UnreadableExpression;
use Cubo\Recipe\PartNames;
use Cubo\Recipe\FieldType;
use Cubo\Recipe\Group;
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

    /** @var list<Message> */
    public readonly array $messages;

    /** @var array<string, true>|null ids of the steps before this one */
    private ?array $before = null;

    /**
     * @param list<string> $bodies names of the bodies the part has now
     * @param array{faces: array<string, string>, edges: array<string, string>, corners: array<string, string>} $names words for what can be picked
     * @param list<Message> $more what else there is to say about the step
     * @param bool $reading whether the values are only read
     */
    public function __construct(
        public readonly Step $step,
        private readonly Document $document,
        private readonly PartState $state,
        private readonly array $bodies,
        public readonly Unit $unit,
        private readonly array $names = ['faces' => [], 'edges' => [], 'corners' => []],
        array $more = [],
        public readonly bool $reading = false,
    ) {
        $this->result = $state->results[$step->id] ?? null;
        $this->message = $this->result->messages[0] ?? null;
        $this->messages = [...($this->result->messages ?? []), ...$more];
    }

    /** A value that is typed. */
    public function typed(string $key, string $label, ?string $value = null): string
    {
        $value ??= $key === 'regions' ? $this->regions() : $this->step->text($key);
        if ($this->reading) {
            return '<span class="v num">' . e($value) . '</span>';
        }

        return sprintf('<input class="val%s" id="%s" name="%s" value="%s" aria-label="%s" autocomplete="off" spellcheck="false" maxlength="120" size="%d"%s%s>',
            $this->wrong($key) ? ' bad' : '', $this->id($key), $this->name($key), e($value), e($label), max(2, min(18, mb_strlen($value) + 1)), $this->amount($value), $this->aria($key));
    }

    /** For a value such as 7/2 that stands for one number and nothing else: that number, so that it can be slid and drawn. */
    private function amount(string $typed): string
    {
        if (! preg_match('#^[\d\s.,/*+()-]*[/*+()\s][\d\s.,/*+()-]*$#', $typed)) {
            return '';
        }
        try {
            return ' data-amount="' . round(Expression::number($typed), 6) . '"';
        } catch (UnreadableExpression) {
            return '';
        }
    }

    /** A value that is chosen. @param array<string, string>|null $options */
    public function chosen(string $key, ?array $options = null, ?string $label = null, ?string $value = null): string
    {
        $value ??= $this->step->text($key);
        $field = $this->step->kind->fields()[$key] ?? null;
        if ($this->reading) {
            return '<span class="v">' . e(($options ?? $field->options ?? [])[$value] ?? $value) . '</span>';
        }
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

    /** A round size, given by diameter or radius. */
    public function round(): string
    {
        return $this->chosen('by') . ' ' . $this->typed('round', $this->step->text('by'));
    }

    /** Where a ready solid stands. @param string $what of it lies at a typed place */
    public function stands(string $what): string
    {
        $f = $this->step->kind->fields();
        $leans = $this->step->text('leans') !== 'none';
        $turned = ', turned by ' . $this->typed('facing', 'turn about its middle in degrees') . '°, ' . $this->chosen('leans') . ($leans ? ' by ' . $this->typed('lean', 'leaning by, in degrees') . '°' : '');
        $u = $this->unit->value;

        return match ($this->step->text('stand')) {
            'ground' => 'standing ' . $this->chosen('stand') . ' at ' . $this->typed('x', $f['x']->label) . ', ' . $this->typed('y', $f['y']->label) . ', lifted by ' . $this->typed('z', 'lifted by') . " $u$turned",
            'face' => 'standing ' . $this->chosen('stand') . ' ' . $this->face('on') . ', ' . $this->chosen('alignx') . ' ' . $this->typed('x', 'further to the right') . ' and ' . $this->chosen('aligny') . ' ' . $this->typed('y', 'further to the back') . ', sunk by ' . $this->typed('sink', 'sunk by') . " $u$turned",
            'point' => 'standing ' . $this->chosen('stand') . ' ' . $this->spot('at', true, true) . ', ' . $this->side('alignx', 'left', 'right') . ' ' . $this->typed('x', 'further to the right') . ' to the right and ' . $this->side('aligny', 'front', 'back') . ' ' . $this->typed('y', 'further to the back') . ' to the back of it, lifted by ' . $this->typed('z', 'lifted by') . " $u$turned",
            default => $what . $this->chosen('stand') . ' ' . $this->place() . ($this->step->text('facing') === '0' && ! $leans ? '' : $turned),
        };
    }

    /** Which part of a solid's base lies at a point. */
    private function side(string $key, string $low, string $high): string
    {
        $now = $this->step->text($key);

        return $this->chosen($key, ['origin' => 'its middle', 'low' => "its $low side", 'high' => "its $high side"], null, $now === 'middle' ? 'origin' : $now);
    }

    /** Which group is placed, and the sizes of it that can be set here. */
    public function group(): string
    {
        $options = array_map(static fn (Group $g): string => $g->name(), $this->document->groups);
        $chosen = $this->step->text('group');
        $html = $this->chosen('group', isset($options[$chosen]) ? $options : [$chosen => 'pick a group'] + $options);
        $group = $this->document->groups[$chosen] ?? null;
        $set = $this->step->sizes();
        $sizes = [];
        foreach ($group === null ? [] : $group->settable() as $name => $value) {
            $name = (string) $name;
            $sizes[] = e($name) . ' ' . str_replace('<input ', '<input placeholder="' . e($value) . '" ', $this->typed("set.$name", "$name of this one", $set[$name] ?? ''));
        }

        return $html . ($sizes === [] ? '' : ' with ' . implode(', ', $sizes) . ($group?->recipe->unit === $this->unit ? '' : " {$group?->recipe->unit->value}"));
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

        return str_replace('<select ', '<select data-picks="body" ', $this->chosen('body', $options));
    }

    public function sketch(string $key = 'sketch'): string
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
        $chosen = $this->step->text($key);
        if ($this->step->kind->fields()[$key]->type === FieldType::MaybeSketch) {
            return $this->chosen($key, ['' => 'nothing'] + $options + [$chosen => 'a sketch that is not there']);
        }

        return $this->chosen($key, isset($options[$chosen]) ? $options : [$chosen => 'pick a sketch'] + $options);
    }

    /** One edge of the part, or a corner or an edge, or also a flat face. */
    public function spot(string $key, bool $corners = true, bool $faces = false): string
    {
        $there = array_filter($this->names['edges'] + ($corners ? $this->names['corners'] : []) + ($faces && ! $this->state->isEmpty() ? PartNames::faces($this->state->part(), $this->document, true) : []), $this->isBefore(...), ARRAY_FILTER_USE_KEY);
        asort($there, SORT_NATURAL);
        $chosen = $this->step->text($key);
        $empty = $corners ? ($faces ? 'pick a corner, an edge or a face' : 'pick a corner or an edge') : 'pick an edge';
        $html = $this->chosen($key, isset($there[$chosen]) ? $there : [$chosen => $chosen === '' ? $empty : PartNames::any($chosen, $this->document)] + $there);

        return str_replace('<select ', '<select data-picks="' . ($corners ? 'spot' : 'edge') . '" ' . ($faces ? 'data-faces ' : ''), $html);
    }

    /** The id of the field in which something lost is picked anew; nothing where that is not what is wrong. */
    public function picksAnew(Message $m): string
    {
        $type = ($this->step->kind->fields()[$m->field ?? ''] ?? null)?->type;

        return in_array($type, [FieldType::Face, FieldType::Faces, FieldType::Edge, FieldType::Edges, FieldType::Spot, FieldType::Sketch, FieldType::Step, FieldType::Body], true) ? $this->id((string) $m->field) : '';
    }

    /** Whether nothing is picked in a field. */
    public function isEmpty(string $key): bool
    {
        return $this->step->text($key) === '' && $this->step->names($key) === [];
    }

    /** A button that takes over what a message offers. */
    public function offer(Message $m): string
    {
        if ($m->offer === null) {
            return '';
        }
        $values = [];
        foreach ($m->offer['values'] as $key => $value) {
            $values['values'][$key] = $value;
        }

        return '<button class="btn s" ' . $this->sends('set', $values) . '>' . e($m->offer['words']) . '</button>';
    }

    /** A flat face, chosen from those there are; a click on the stage chooses one too. */
    public function face(string $key = 'face'): string
    {
        $faces = array_filter($this->state->isEmpty() ? [] : PartNames::faces($this->state->part(), $this->document, true), $this->isBefore(...), ARRAY_FILTER_USE_KEY);
        $chosen = $this->step->text($key);
        $html = $this->chosen($key, isset($faces[$chosen]) ? $faces : [$chosen => $chosen === '' ? 'pick a face' : PartNames::face($chosen, $this->document)] + $faces);

        return str_replace('<select ', '<select data-picks="face" data-flat ', $html);
    }

    /** Faces or edges that are picked, each to be taken out again, and a list to pick more from. */
    public function picks(string $key, string $of): string
    {
        $there = match ($of) {
            'edge' => $this->names['edges'],
            'sketch' => array_column(array_map(static fn (Step $s): array => [$s->id, $s->name], array_filter($this->document->steps, static fn (Step $s): bool => $s->kind === StepKind::Sketch)), 1, 0),
            default => $this->names['faces'],
        };
        $name = "values[$key][]";
        $html = '';
        $all = [];
        $picked = $this->step->names($key);
        foreach ($picked as $one) {
            $words = match ($of) {
                'edge' => PartNames::edge($one, $this->document),
                'sketch' => $this->document->step($one)->name ?? $one,
                default => PartNames::face($one, $this->document),
            };
            $all[] = $words;
            $html .= sprintf('<label class="pick" title="Take it out"><input type="checkbox" id="%s" name="%s" value="%s" data-pick="%s" checked>%s</label> ', $this->id($key) . '-' . substr(sha1($one), 0, 8), $name, e($one), $key, e($words));
        }
        if ($this->reading) {
            return implode(', ', array_map(static fn (string $one): string => '<span class="v">' . e($one) . '</span>', $all)) ?: 'nothing';
        }
        $more = array_filter(array_diff_key($there, array_flip($picked)), $this->isBefore(...), ARRAY_FILTER_USE_KEY);
        asort($more, SORT_NATURAL);
        $list = '';
        foreach ($more as $one => $words) {
            $list .= sprintf('<option value="%s">%s</option>', e((string) $one), e($words));
        }

        return $html . sprintf('<select class="val word%s" id="%s" name="%s" data-picks="%s" data-pick="%s" aria-label="%s"%s><option value="">%s</option>%s</select>',
            $this->wrong($key) ? ' bad' : '', $this->id($key), $name, $of, $key, $picked === [] ? "pick $of" : "pick another $of", $this->aria($key), $picked === [] ? ($of === 'edge' ? 'pick an edge' : "pick a $of") : 'and another', $list);
    }

    /** Picked edges, and faces all of whose edges are meant. */
    public function edgesAndFaces(): string
    {
        $edges = $this->picks('edges', 'edge');
        $faces = 'around ' . $this->picks('faces', 'face');
        if ($this->reading && ($this->step->names('edges') === [] || $this->step->names('faces') === [])) {
            return $this->step->names('faces') === [] ? $edges : $faces;
        }

        return "$edges and $faces";
    }

    /** The steps before this one that make something. */
    public function source(): string
    {
        $options = [];
        foreach ($this->document->steps as $s) {
            if ($s->id === $this->step->id) {
                break;
            }
            if ($s->kind->makes()) {
                $options[$s->id] = $s->name;
            }
        }
        $chosen = $this->step->text('source');

        return $this->chosen('source', isset($options[$chosen]) ? $options : [$chosen => 'pick a step'] + $options);
    }

    /** What a mirror or repeat is of. */
    public function of(): string
    {
        return $this->chosen('of') . ' ' . ($this->step->text('of') === 'step' ? $this->source() : $this->body());
    }

    public function plane(): string
    {
        return $this->chosen('plane') . ($this->step->text('plane') === 'face' ? ' ' . $this->face() : '') . ', ' . $this->typed('offset', 'distance from the plane') . " {$this->unit->value} from it";
    }

    /** Whether a face or edge can be there before this step: no later step had a hand in it. */
    private function isBefore(string $name): bool
    {
        $this->before ??= $this->stepsBefore();
        foreach (explode(' / ', $name) as $face) {
            if (! isset($this->before[explode(':', $face)[0]])) {
                return false;
            }
        }

        return true;
    }

    /** @return array<string, true> */
    private function stepsBefore(): array
    {
        $out = [];
        foreach ($this->document->steps as $s) {
            if ($s->id === $this->step->id) {
                break;
            }
            $out[$s->id] = true;
        }

        return $out;
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
    public function outline(string $letter, array $s): string
    {
        $k = $letter;
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
            . '<button class="link small" ' . $this->sends('drop-shape', ['letter' => $letter]) . " aria-label=\"Remove outline $letter\">remove</button>";
    }

    /** What a button needs to send an edit of this step. @param array<string, int|string|array<string, string>> $more */
    public function sends(string $do, array $more = []): string
    {
        return 'type="button" data-edit="' . e((string) json_encode(['do' => $do] + $more)) . '"';
    }

    private function wrong(string $key): bool
    {
        return $this->message?->field === $key && ! $this->message->warning;
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
