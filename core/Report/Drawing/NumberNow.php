<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Drawing;

use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Report\Text\LiveNumber;

/** A number of a text as the workings have it now. */
final readonly class NumberNow
{
    /**
     * @param ?string $now as the text would write it; null: it cannot be looked up any more
     * @param ?string $exact in the measure's own unit; null as $now
     * @param ?RowKey $row of the workings; null where there is none
     * @param string $says where it is from, or why it cannot be looked up
     */
    public function __construct(
        public LiveNumber $number,
        public ?string $now,
        public ?string $exact,
        public ?RowKey $row,
        public string $says,
    ) {}

    /** Whether it is another number than the text was written with. */
    public function isOther(): bool
    {
        return $this->now !== $this->number->said;
    }

    /** Whether the text as it is shown says something that is no longer so. */
    public function isStale(): bool
    {
        return $this->isOther() && (!$this->number->follows || null === $this->now);
    }

    /** As the text shows it. */
    public function shown(): string
    {
        return $this->number->follows ? $this->now ?? $this->number->said : $this->number->said;
    }
}
