<?php

declare(strict_types=1);

namespace App\Support\Edits;

use App\Models\Person;
use App\Support\Library;
use Closure;
use Cubo\Budget\Limits;
use Cubo\Recipe\Edit\Bench;
use Cubo\Recipe\Edit\Edit;
use Cubo\Recipe\Edit\Input;
use Cubo\Recipe\Edit\Rule;
use Cubo\Recipe\Message;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\StepProblem;

/** A part taken from the library. */
final class Take extends Edit
{
    /** @param Closure(): Person $owner of the recipe */
    public function __construct(private readonly Library $library, private readonly Closure $owner) {}

    public function rules(): array
    {
        return ['part' => Rule::whole(0, 2_000_000_000), 'after' => Rule::text(Limits::ID)];
    }

    public function makesStep(): bool
    {
        return true;
    }

    public function triesStep(): bool
    {
        return true;
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        // what is not there, or not shared with whoever asks, is told the same way
        $part =
            Library::seenBy(($this->owner)())->find($in->whole('part')) ??
            throw new StepProblem(
                new Message(
                    'no-part',
                    'This part is not in the library any more.',
                    'It was removed or is not shared with you now. Look for another one.',
                ),
            );

        return $this->library->take($r, $part, $in->after($r));
    }
}
