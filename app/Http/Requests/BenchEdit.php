<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Support\SentEdit;
use Cubo\Budget\Limits;
use Cubo\Quantity\DensityUnit;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** An edit as a bench sends it: what it does, to what, and which edit of which window it is. */
final class BenchEdit extends FormRequest
{
    public const KINDS = ['add', 'set', 'pick', 'delete', 'shift', 'switch', 'add-shape', 'drop-shape', 'region', 'sizes', 'size', 'material', 'paint', 'pin', 'align', 'drop', 'undo', 'redo', 'nudge', 'spin', 'put-at', 'ground', 'one-more', 'around', 'group', 'ungroup', 'set-free', 'place', 'take', 'open', 'close', 'group-name', 'lock', 'forget', 'renew', 'anew', 'leave'];

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'version' => ['required', 'integer', 'between:0,2000000000'],
            'line' => ['nullable', 'string', 'max:' . SentEdit::LONGEST_LINE],
            'number' => ['nullable', 'integer', 'between:1,100000000'],
            'own' => ['nullable', 'array', 'max:' . SentEdit::MOST_LINES],
            'own.*' => ['string', 'max:' . SentEdit::LONGEST_LINE],
            'brief' => ['nullable', Rule::in(['1', '2'])],
            'do' => ['required', 'string', Rule::in(self::KINDS)],
            'step' => ['nullable', 'string', 'max:12'],
            'kind' => ['nullable', 'string', 'max:20'],
            'name' => ['nullable', 'string', 'max:' . Limits::WORD],
            'value' => ['nullable', 'string', 'max:' . (Limits::TYPED + 1)],
            'note' => ['nullable', 'string', 'max:' . Limits::NOTE],
            'heading' => ['nullable', 'string', 'max:' . Limits::WORD],
            'after' => ['nullable', 'string', 'max:12'],
            'trial' => ['nullable', 'boolean'],
            'key' => ['nullable', 'string', 'max:20'],
            'on' => ['nullable', 'boolean'],
            'letter' => ['nullable', 'string', 'max:2'],
            'of' => ['nullable'],
            'of.*' => ['nullable', 'string', 'max:' . Limits::NAME],
            'what' => ['nullable', 'string', 'max:10'],
            'by' => ['nullable', 'array', 'size:3'],
            'degrees' => ['nullable', 'numeric', 'between:-360,360'],
            'face' => ['nullable', 'string', 'max:' . Limits::NAME],
            'count' => ['nullable', 'integer', 'between:1,50'],
            'group' => ['nullable', 'string', 'max:12'],
            'part' => ['nullable', 'integer', 'between:0,2000000000'],
            'steps' => ['nullable', 'array', 'max:60'],
            'against' => ['nullable', 'string', 'max:12'],
            'how' => ['nullable', 'string', 'max:12'],
            'way' => ['nullable', 'string', 'max:1'],
            'colour' => ['nullable', 'string', 'max:20'],
            'places' => ['nullable', 'integer', 'between:-200,200'],
            'index' => ['nullable', 'integer', 'between:0,200'],
            'values' => ['nullable', 'array', 'max:40'],
            'sizes' => ['nullable', 'array', 'max:80'],
            'material' => ['nullable', 'string', 'max:30'],
            'density' => ['nullable', 'string', 'max:40'],
            'density_unit' => ['nullable', 'string', Rule::enum(DensityUnit::class)],
        ];
    }

    protected function prepareForValidation(): void
    {
        // one name or a list of them
        $of = $this->input('of');
        if (is_array($of) && count($of) > 3 || (! is_array($of) && ! is_string($of) && $of !== null) || (is_string($of) && strlen($of) > Limits::NAME)) {
            $this->merge(['of' => [[]]]);
        }
    }

    public function sent(): SentEdit
    {
        return SentEdit::of($this->all());
    }
}
