<?php

declare(strict_types=1);

namespace App\Support\Bench;

use Cubo\Quantity\Expression;
use Cubo\Quantity\Unit;
use Cubo\Quantity\UnreadableExpression;
use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Kind\Piece;
use Cubo\Recipe\Message;
use Cubo\Recipe\PartState;
use Cubo\Recipe\Recipe as Document;
use Cubo\Recipe\RegionPicks;
use Cubo\Recipe\Step;
use Cubo\Recipe\StepResult;
use Cubo\Sketch\Area\Region;

/** One step as a sentence with its values as fields, for the view. */
final class StepForm
{
    /** A sum or fraction: plain numbers with something to work out between them. */
    private const SUM = '#^[\d\s.,/*+()-]*[/*+()\s][\d\s.,/*+()-]*$#';

    public readonly ?StepResult $result;

    public readonly ?Message $message;

    /** @var list<Message> */
    public readonly array $messages;

    private readonly Pickable $pickable;

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
        array $bodies,
        public readonly Unit $unit,
        array $names = ['faces' => [], 'edges' => [], 'corners' => []],
        array $more = [],
        public readonly bool $reading = false,
    ) {
        $this->result = $state->results[$step->id] ?? null;
        $this->message = $this->result->messages[0] ?? null;
        $this->messages = [...$this->result->messages ?? [], ...$more];
        $this->pickable = new Pickable($step, $document, $state, $bodies, $names);
    }

    /**
     * The sentence in order; a Piece is the step's name.
     *
     * @return list<string|Piece|FieldForm>
     */
    public function pieces(): array
    {
        $out = [];
        foreach ($this->step->sentence($this->reading) as $piece) {
            $out[] = match (true) {
                is_string($piece) || $piece->key === 'name' => $piece,
                $piece->key === 'unit' => $this->unit->value,
                $piece->key === 'set' => $this->sizes() ?? '',
                default => $this->field($piece),
            };
        }

        return $out;
    }

    /** What the step does to the part, where that is chosen. */
    public function effect(): ?FieldForm
    {
        return $this->step->kind->has('effect') ? $this->field(new Piece('effect')) : null;
    }

    private function field(Piece $piece): FieldForm
    {
        $key = $piece->key;
        $field = $this->step->kind->fields()[$key];
        $label = $piece->label === '' ? $field->label() : $piece->label;
        $value =
            $field->type === FieldType::Regions
                ? implode(', ', RegionPicks::numbers($this->step, $this->regionsOfSketch()) ?? ['all'])
                : $this->step->text($key);
        if ($field->type->isList()) {
            return $this->listed($field, $key);
        }
        if ($field->type->isChoice()) {
            $options = $field->options($field->type === FieldType::Direction ? $this->planeOfSketch() : $piece->variant);

            return $this->made($key, $label, isset($options[$value]) ? $value : (string) array_key_first($options), [
                'options' => $options,
            ]);
        }
        if ($field->type->isPicked() || in_array($field->type, [FieldType::MaybeSketch, FieldType::Group], true)) {
            return $this->made($key, $label, $value, [
                'options' => $this->pickable->one($field),
                'picks' => self::picksOnPart($field->type),
                'flat' => $field->type === FieldType::Face,
                'faces' => $this->pickable->takesFaces($field),
            ]);
        }

        return $this->made($key, $label, $value, ['amount' => self::amount($value)]);
    }

    /** A list of picked faces, edges or sketches, and what more can be picked. */
    private function listed(Field $field, string $key): FieldForm
    {
        $of = match ($field->type) {
            FieldType::Edges => 'edge',
            FieldType::Sketches => 'sketch',
            default => 'face',
        };
        $picked = array_map(
            fn(string $one): array => [
                'id' => $this->id($key) . '-' . substr(sha1($one), 0, 8),
                'value' => $one,
                'words' => $this->pickable->words($field, $one),
            ],
            $this->step->names($key),
        );
        $none = $picked === [];
        $empty = $none ? ($of === 'edge' ? 'pick an edge' : "pick a $of") : 'and another';

        return $this->made($key, $none ? "pick $of" : "pick another $of", '', [
            'options' => ['' => $empty] + $this->pickable->many($field),
            'picks' => $of,
            'picked' => $picked,
        ]);
    }

    /** The sizes of a group that can be set where it is placed. */
    private function sizes(): ?FieldForm
    {
        $group = $this->document->groups[$this->step->text('group')] ?? null;
        $set = $this->step->sizes();
        $more = [];
        foreach ($group?->settable() ?? [] as $name => $value) {
            $name = (string) $name;
            $more[] = [
                $name,
                $this->made("set.$name", "$name of this one", $set[$name] ?? '', [
                    'amount' => self::amount($set[$name] ?? ''),
                    'hint' => $value,
                ]),
            ];
        }

        return $group === null || $more === []
            ? null
            : $this->made('set', '', '', [
                'more' => $more,
                'after' => $group->recipe->unit === $this->unit ? '' : $group->recipe->unit->value,
            ]);
    }

    /**
     * One outline of a sketch.
     *
     * @param array<string, string> $s
     * @return list<string|FieldForm>
     */
    public function outline(string $letter, array $s): array
    {
        [$right, $up] = match ($this->step->text('plane')) {
            'front' => ['right', 'up'],
            'side' => ['back', 'up'],
            default => ['right', 'back'],
        };
        $typed = fn(string $key, string $label): FieldForm => $this->made("shapes.$letter.$key", "$label, outline $letter", $s[$key], [
            'amount' => self::amount($s[$key]),
        ]);
        $chosen = fn(string $key, string $label, array $options): FieldForm => $this->made(
            "shapes.$letter.$key",
            "$label, outline $letter",
            $s[$key],
            ['options' => $options],
        );
        $at = [' at ', $typed('u', $right), ', ', $typed('v', $up)];

        return $s['kind'] === 'rectangle'
            ? [
                'rectangle ',
                $typed('width', 'width'),
                ' by ',
                $typed('height', 'height'),
                ', ',
                $chosen('from', 'placed by', ['middle' => 'middle', 'corner' => 'low left corner']),
                ...$at,
            ]
            : [
                'circle ',
                $chosen('by', 'round given by', ['diameter' => 'diameter', 'radius' => 'radius']),
                ' ',
                $typed('round', $s['by']),
                ', middle',
                ...$at,
            ];
    }

    /** @param array<string, mixed> $more what is particular about it */
    private function made(string $key, string $label, string $value, array $more): FieldForm
    {
        return new FieldForm(
            $key,
            $this->id($key),
            'values[' . str_replace('.', '][', $key) . ']' . (isset($more['picked']) ? '[]' : ''),
            $label,
            $value,
            $this->wrong($key),
            ...$more,
        );
    }

    private static function picksOnPart(FieldType $type): string
    {
        return match ($type) {
            FieldType::Body => 'body',
            FieldType::Face => 'face',
            FieldType::Edge => 'edge',
            FieldType::Spot => 'spot',
            default => '',
        };
    }

    /** For a value such as 7/2 that stands for one number and nothing else: that number. */
    private static function amount(string $typed): ?float
    {
        if (preg_match(self::SUM, $typed) !== 1) {
            return null;
        }
        try {
            return round(Expression::number($typed), 6);
        } catch (UnreadableExpression) {
            return null;
        }
    }

    /** The plane whose words for both directions are told. */
    private function planeOfSketch(): string
    {
        return $this->document->step($this->step->text('sketch'))?->text('plane') ?: 'ground';
    }

    /** The id of the field in which something lost is picked anew; nothing where that is not what is wrong. */
    public function picksAnew(Message $m): string
    {
        return $this->step->kind->field($m->field ?? '')?->type->isPicked() === true ? $this->id((string) $m->field) : '';
    }

    /** Whether nothing is picked in a field. */
    public function isEmpty(string $key): bool
    {
        return $this->step->text($key) === '' && $this->step->names($key) === [];
    }

    /** @return list<Region> what an extrude may take of */
    public function regionsOfSketch(): array
    {
        return $this->step->kind->has('regions') ? $this->state->results[$this->step->text('sketch')]->regions ?? [] : [];
    }

    /** @return list<int> numbers of the regions that are taken */
    public function taken(): array
    {
        $regions = $this->regionsOfSketch();

        return array_values(
            array_filter(
                RegionPicks::numbers($this->step, $regions) ?? array_map(static fn(Region $r): int => $r->number, $regions),
                is_int(...),
            ),
        );
    }

    /**
     * An edit of this step, as a button sends it.
     *
     * @param array<string, mixed> $more
     */
    public function edit(string $do, array $more = []): string
    {
        return (string) json_encode(['do' => $do] + $more);
    }

    private function wrong(string $key): bool
    {
        return $this->message?->field === $key && !$this->message->warning;
    }

    private function id(string $key): string
    {
        return $this->step->id . '-' . str_replace('.', '-', $key);
    }
}
