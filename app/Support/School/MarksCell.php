<?php

declare(strict_types=1);

namespace App\Support\School;

use App\Models\HandIn;
use Cubo\School\Marks\TryHandedIn;

/** One pupil at one exercise in the marks book. */
final readonly class MarksCell
{
    /**
     * @param list<HandIn> $handIns all tries that were measured, in their order
     * @param TryHandedIn|null $counted the one that counts, with what it is worth
     * @param list<string> $states of what is asked, in the try that counts
     */
    public function __construct(
        public array $handIns,
        public ?TryHandedIn $counted,
        public ?string $mark,
        public array $states,
        public bool $works,
        public ?int $checks,
        public string $note,
    ) {}

    /** The hand-in behind the try that counts. */
    public function handIn(): ?HandIn
    {
        foreach ($this->handIns as $h) {
            if ($h->attempt === $this->counted?->number) {
                return $h;
            }
        }

        return null;
    }

    public function isAccepted(): bool
    {
        return $this->handIn()?->state === 'accepted';
    }
}
