<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question;

use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\MemberFilter;
use KeenMargin\Core\Figures\NumberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\Span;

/** What is compared with what. The first of `against` is the reference. */
final readonly class Question
{
    /**
     * @param ?string                         $measure       none: the dataset's first
     * @param ?Scenario                       $forecast      shown after the closing period
     * @param list<Scenario>                  $against
     * @param ?Period                         $closedThrough none: the dataset's own
     * @param list<MemberFilter|NumberFilter> $where
     * @param ?Better                         $better        none: as the measure says, else more
     */
    public function __construct(
        public ?string $measure = null,
        public Scenario $scenario = Scenario::Actual,
        public ?Scenario $forecast = null,
        public array $against = [],
        public Grain $by = Grain::Month,
        public ?Span $span = null,
        public ?Period $closedThrough = null,
        public array $where = [],
        public ?Better $better = null,
        public Flag $flag = new Flag(),
    ) {
    }
}
