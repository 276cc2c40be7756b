<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Tier;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Finish\StepColours;
use KeenMargin\Core\Question\Finish\StepLabels;

/** How the steps of a waterfall are coloured and labelled, and which running total it is. */
final readonly class WaterfallLooks
{
    /**
     * @param string $share column of the share that labels and dots show
     * @param string $of before the columns from, to and change, where it is not the first running total
     * @param string $name beside nought, or above it; blank: none
     * @param ?Scenario $scenario whose fill totals have; null: their own
     */
    public function __construct(
        public StepColours $colours,
        public StepLabels $labels,
        public string $share,
        public bool $hasDots = false,
        public string $of = '',
        public string $name = '',
        public ?Scenario $scenario = null,
    ) {}
}
