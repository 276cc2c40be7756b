<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Result;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Near\Bands;
use KeenMargin\Core\Question\Near\Target;
use KeenMargin\Core\Question\Part\Cumulation;
use KeenMargin\Core\Question\Table\TableColumn;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodRange;

/** What the numbers of the workings are about, and how they are formatted. */
final readonly class Context
{
    /**
     * @param string $kind id of the kind
     * @param string $who whose figures they are, with the filters that narrow them
     * @param string $subject what is shown, by name
     * @param non-empty-list<Measure> $measures that rows are made of; amounts are in the unit of the first
     * @param ?Scenario $forecast null where no row shows it
     * @param Grain|string|null $by periods, or a breakdown by its name; null: all together, in one row
     * @param ?Period $from the first period that rows are about; null where they are about no time
     * @param ?Period $to the last one
     * @param Display $display how amounts are written
     * @param ?Display $rates how rates beside the amounts are written; null where there are none
     * @param list<MemberFilter|NumberFilter> $where what rows are narrowed to besides the question's filters
     * @param list<string> $explanations what the kind's marks stand for, as the subtitle says it
     * @param ?string $says which amounts are shown, in the subtitle's words; null: scenarios and references tell it
     * @param ?Target $aim target or goal of the question; null: that of the figures
     * @param ?Bands $bands of the question; null: those that came with the figures
     * @param list<BigDecimal> $milestones marked on the way to goals, in percent of them
     * @param list<TableColumn> $columns of a comparison table
     * @param ?TableColumn $sorted that its rows are in order by
     * @param ?string $proRata what is taken by the days that have passed, as the subtitle says it; null: nothing
     * @param array<string, string> $unlike which members variances are of, in the subtitle's words, by the reference's
     *                                      key: `without Cid`
     * @param bool $namesReference whether the subtitle says what is compared with
     */
    public function __construct(
        public string $kind,
        public string $who,
        public string $subject,
        public array $measures,
        public Better $better,
        public Scenario $scenario,
        public ?Scenario $forecast,
        public Grain|string|null $by,
        public Period $closing,
        public PeriodRange $range,
        public ?Period $from,
        public ?Period $to,
        public Display $display,
        public ?Display $rates = null,
        public ?Cumulation $cumulate = null,
        public array $where = [],
        public array $explanations = [],
        public bool $namesReference = true,
        public ?string $says = null,
        public ?Target $aim = null,
        public ?Bands $bands = null,
        public array $milestones = [],
        public array $columns = [],
        public ?TableColumn $sorted = null,
        public ?string $proRata = null,
        public array $unlike = [],
    ) {}

    /** The same where rows are about several spans of time, which are named otherwise. */
    public function timeless(): self
    {
        return With::of($this, ['from' => null, 'to' => null]);
    }

    /** The one whose unit amounts are in. */
    public function measure(): Measure
    {
        return $this->measures[0];
    }

    /** `AC`; `FC` where all that is shown is forecast; `AC/FC` where a part of it is */
    public function shownCode(): string
    {
        return match (true) {
            null === $this->forecast => $this->scenario->value,
            $this->isAllForecast() => $this->forecast->value,
            default => "{$this->scenario->value}/{$this->forecast->value}",
        };
    }

    public function isOverTime(): bool
    {
        return $this->by instanceof Grain;
    }

    /** Whether all that is shown lies after the closing period. */
    public function isAllForecast(): bool
    {
        return null !== $this->forecast && null !== $this->from && $this->from->firstDay() > $this->closing->lastDay();
    }

    /** How the numbers of a column are written. */
    public function displayOf(Column $column): Display
    {
        $isOfRates = \in_array($column->form, [ColumnForm::Rate, ColumnForm::Points], true);

        return $isOfRates ? $this->rates ?? $this->display : $this->display;
    }
}
