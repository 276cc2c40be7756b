<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Period;

/** One row of the workings: a period with all its numbers. */
final readonly class Row
{
    /**
     * @param array<string, ?BigDecimal> $values        by scenario code
     * @param ?Scenario                  $shownScenario none where the shown amount is missing
     * @param array<string, ?Variance>   $variances     by the reference's code
     */
    public function __construct(
        public Period $period,
        public string $key,
        public string $label,
        public array $values,
        public ?BigDecimal $shown,
        public ?Scenario $shownScenario,
        public array $variances,
    ) {
    }
}
