<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Rows;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Question\Part\SumKey;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Time\PeriodRuns;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Result\RowRole;

/**
 * Where the closing period's fiscal year will end: actual to date and forecast for the rest, as far as these cover it.
 */
final readonly class Landing
{
    private const NAMED = 4;

    /**
     * @param FinePeriods $fine of the whole year
     * @param FinePeriods $shown those of them that actual or forecast cover
     * @param Period $year the fiscal year
     */
    public function __construct(
        public Total $total,
        public FinePeriods $fine,
        private FinePeriods $shown,
        private Period $year,
    ) {}

    public function isWhole(): bool
    {
        return \count($this->fine->list) === \count($this->shown->list);
    }

    /** `2026`, `2026 without May and June` */
    public function name(): string
    {
        $year = PeriodNames::full($this->year);

        return $this->isWhole() ? $year : $year.' without '.$this->missing();
    }

    /** `May and June`: what neither actual nor forecast covers */
    public function missing(): string
    {
        $missing = $this->fine->without($this->shown);

        return Wording::some(PeriodRuns::spelledOut($missing->list, $this->fine->list), self::NAMED);
    }

    /** The same of other sums, as a row. */
    public function slice(Sums $sums): Slice
    {
        return new Slice(
            key: RowKey::sum(SumKey::Landing),
            label: "Landing {$this->name()}",
            name: PeriodNames::full($this->year),
            role: RowRole::Landing,
            fine: $this->fine,
            own: $this->fine,
            sums: $sums,
        );
    }
}
