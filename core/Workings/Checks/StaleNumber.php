<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Checks;

use KeenMargin\Core\Question\Part\RowKey;

/** A number of a message that is another one in the workings by now. */
final readonly class StaleNumber
{
    /**
     * @param string $said as the message writes it
     * @param string $now as it would be written now; where there is none any more, a few words that say so
     * @param ?string $exact in the measure's own unit; null where there is none any more
     */
    public function __construct(
        public string $said,
        public string $now,
        public RowKey $row,
        public string $column,
        public ?string $exact,
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'said' => $this->said,
            'now' => $this->now,
            'row' => $this->row->id,
            'ref' => $this->row->toJson(),
            'column' => $this->column,
            'exact' => $this->exact,
        ];
    }
}
