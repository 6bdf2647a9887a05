<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Recipe;
use App\Support\BenchEdits;
use App\Support\SentEdit;
use Cubo\Budget\Limits;
use Cubo\Recipe\Edit\Edit;
use Cubo\Recipe\Edit\Rule as InputRule;
use Cubo\Recipe\Edit\RuleType;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** An edit as a bench sends it: what it does, to what, and which edit of which window it is. Its values follow the rules of the edit itself. */
final class BenchEdit extends FormRequest
{
    public const BACK_AND_FORTH = ['undo', 'redo'];

    /** @var array<string, Edit>|null */
    private ?array $edits = null;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $rules = [
            'version' => ['required', 'integer', 'between:0,2000000000'],
            'line' => ['nullable', 'string', 'max:' . SentEdit::LONGEST_LINE],
            'number' => ['nullable', 'integer', 'between:1,100000000'],
            'own' => ['nullable', 'array', 'max:' . SentEdit::MOST_LINES],
            'own.*' => ['string', 'max:' . SentEdit::LONGEST_LINE],
            'brief' => ['nullable', Rule::in(['1', '2'])],
            'do' => ['required', 'string', Rule::in([...array_keys($this->edits()), ...self::BACK_AND_FORTH])],
            'step' => ['nullable', 'string', 'max:' . Limits::ID],
            'trial' => ['nullable', 'boolean'],
        ];
        foreach ($this->sentEdit()?->rules() ?? [] as $key => $rule) {
            $rules[$key] = ['nullable', ...self::of($rule)];
            if ($rule->type === RuleType::Names) {
                $rules["$key.*"] = ['nullable', 'string', 'max:' . (int) $rule->most];
            }
        }

        return $rules;
    }

    /** The edit that was sent; null for one that goes back or forth. */
    public function sentEdit(): ?Edit
    {
        $do = $this->input('do');

        return is_string($do) ? $this->edits()[$do] ?? null : null;
    }

    /** @return array<string, Edit> */
    private function edits(): array
    {
        /** @var Recipe $recipe */
        $recipe = $this->route('recipe');

        return $this->edits ??= app(BenchEdits::class)->all($recipe);
    }

    /** @return list<mixed> */
    private static function of(InputRule $rule): array
    {
        return match ($rule->type) {
            RuleType::Text => ['string', 'max:' . (int) $rule->most],
            RuleType::Choice => ['string', Rule::in($rule->choices)],
            RuleType::Whole => ['integer', 'between:' . (int) $rule->least . ',' . (int) $rule->most],
            RuleType::Real => ['numeric', "between:$rule->least,$rule->most"],
            RuleType::Flag => ['boolean'],
            RuleType::Several => ['array', 'max:' . (int) $rule->most],
            RuleType::Names => [],
        };
    }

    protected function prepareForValidation(): void
    {
        // one name or a list of them
        $of = $this->input('of');
        if (
            (is_array($of) && count($of) > 3) ||
            (!is_array($of) && !is_string($of) && $of !== null) ||
            (is_string($of) && strlen($of) > Limits::NAME)
        ) {
            $this->merge(['of' => [[]]]);
        }
    }

    public function sent(): SentEdit
    {
        return SentEdit::of($this->all());
    }
}
