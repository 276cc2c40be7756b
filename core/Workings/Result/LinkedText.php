<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Result;

use KeenMargin\Core\Question\Part\RowKey;

/** A number or a name within a statement, and where it stands in the workings. */
final readonly class LinkedText
{
    /**
     * @param string $text as it is said: `48`
     * @param string $column id of a column; none for the name of a row
     * @param string $is as the workings have it: `+48`
     * @param string $exact in the measure's own unit, as messages keep it
     */
    public function __construct(
        public string $text,
        public RowKey $row,
        public string $column = '',
        public string $is = '',
        public string $exact = '',
    ) {}

    /** @return array<string, string|array<string, string|true|int|list<string>>> */
    public function toArray(): array
    {
        return '' === $this->column
            ? ['text' => $this->text, 'row' => $this->row->id]
            : [
                'text' => $this->text,
                'row' => $this->row->id,
                'ref' => $this->row->toJson(),
                'column' => $this->column,
                'is' => $this->is,
                'exact' => $this->exact,
            ];
    }
}
