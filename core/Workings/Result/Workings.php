<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Result;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Workings\Arithmetic\Effect;
use KeenMargin\Core\Workings\Arithmetic\Total;

/** Every number behind a chart, what it is about, what it says, and what was checked. */
final readonly class Workings
{
    /** What the sums are called that sentences name. */
    public const SUMS = ['total' => 'Total', 'toDate' => 'Year to date', 'landing' => 'Year with forecast'];

    /** @param list<Check> $checks */
    public function __construct(
        public WorkingsTable $table,
        public Context $context,
        public Summary $summary,
        public array $checks,
    ) {}

    /** A number of a row or a total as readers see it. */
    public function told(Column $column, Row|Total $of): string
    {
        return $this->context->displayOf($column)->told($column, $of);
    }

    /** How the number of a row is coloured; null where it is no variance or there is none. */
    public function effectOf(Column $column, Row $row): ?Effect
    {
        return $this->context->displayOf($column)->effectOf($column, $row->variances[$column->key] ?? null);
    }

    /** A number that a column may hold, as it would be written now. */
    public function written(Column $column, BigDecimal $number): string
    {
        return $this->context->displayOf($column)->cell($column->form, $number);
    }
}
