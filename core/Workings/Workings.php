<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodRange;

/** Every number behind a chart, row by row in the order in which they are drawn. */
final readonly class Workings
{
    /**
     * @param list<Scenario> $against
     * @param ?Scenario      $forecast none where no row shows it
     * @param list<Row>      $rows
     * @param ?Total         $toDate   of the closed periods of the closing period's fiscal year within the rows; none where there are none
     * @param ?Total         $landing  of the closing period's fiscal year: actual to date and forecast for the rest
     * @param list<Check>    $checks
     */
    public function __construct(
        public string $kind,
        public string $who,
        public Measure $measure,
        public Better $better,
        public Scenario $scenario,
        public ?Scenario $forecast,
        public array $against,
        public Grain $grain,
        public Period $closing,
        public PeriodRange $range,
        public array $rows,
        public Total $total,
        public ?Total $toDate,
        public ?Total $landing,
        public Display $display,
        public array $checks,
        public Reading $reading,
    ) {
    }

    public function reference(): ?Scenario
    {
        return $this->against[0] ?? null;
    }
}
