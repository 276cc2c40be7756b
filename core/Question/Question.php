<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question;

use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Near\Bands;
use KeenMargin\Core\Question\Near\Goal;
use KeenMargin\Core\Question\Near\Target;
use KeenMargin\Core\Question\Part\Between;
use KeenMargin\Core\Question\Part\Capacity;
use KeenMargin\Core\Question\Part\Cumulation;
use KeenMargin\Core\Question\Part\Flag;
use KeenMargin\Core\Question\Part\Order;
use KeenMargin\Core\Question\Table\TableColumn;
use KeenMargin\Core\Question\Table\TableSort;
use KeenMargin\Core\Question\Waterfall\BalanceBridge;
use KeenMargin\Core\Question\Waterfall\Drivers;
use KeenMargin\Core\Question\Waterfall\OpenedStep;
use KeenMargin\Core\Question\Waterfall\PeriodBridge;
use KeenMargin\Core\Question\Waterfall\ScenarioBridge;
use KeenMargin\Core\Question\Waterfall\StepRole;
use KeenMargin\Core\Question\Waterfall\Subtotals;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\Span;

/** What is compared with what. The first of `against` is the reference. */
final readonly class Question
{
    /**
     * @param ?string $measure none: the dataset's first
     * @param ?Scenario $forecast shown after the closing period
     * @param list<Scenario> $against
     * @param Grain|string|null $by periods, or a breakdown by its name; null: all together, in one row
     * @param ?Period $closedThrough none: the dataset's own
     * @param list<MemberFilter|NumberFilter> $where
     * @param ?Better $better none: as the measure says, else more
     * @param ?Order $order none: calendar, given
     * @param ?int $top keeps so many of the largest members, and gathers the others
     * @param ?string $each a breakdown: the same chart for each of its members
     * @param ?Between $between of a hat graph
     * @param ?Capacity $capacity of a capacity fill
     * @param ?Target $target what is to be reached; of a capacity fill its rate, in percent
     * @param ?Bands $bands null: those that came with the figures
     * @param list<TableColumn> $columns of a comparison table; none: the usual ones
     * @param ?TableSort $sort of a comparison table; null: as `order` and `sequence` say
     * @param list<string> $sequence members in the order that the reader gave them, others after them; where `order`
     *                               tells none
     * @param bool $landing whether a row at the end shows where the fiscal year will end
     * @param ScenarioBridge|PeriodBridge|BalanceBridge|Between|null $bridge of a bridge: from what to what
     * @param ?Drivers $drivers of a bridge whose steps are what drives a value
     * @param list<OpenedStep> $opened steps that show their own steps
     * @param array<string|int, StepRole> $roles of rows of a list, by their names, where these do not tell them
     * @param bool $isProRata whether a figure of a month that is not over is taken by the days that have passed
     */
    public function __construct(
        public ?string $measure = null,
        public Scenario $scenario = Scenario::Actual,
        public ?Scenario $forecast = null,
        public array $against = [],
        public Grain|string|null $by = Grain::Month,
        public ?Span $span = null,
        public ?Period $closedThrough = null,
        public array $where = [],
        public ?Better $better = null,
        public Flag $flag = new Flag(),
        public ?Order $order = null,
        public ?Cumulation $cumulate = null,
        public ?int $top = null,
        public ?string $each = null,
        public ?Between $between = null,
        public ?Capacity $capacity = null,
        public ?Target $target = null,
        public ?Bands $bands = null,
        public Goal $goal = new Goal(),
        public array $columns = [],
        public ?TableSort $sort = null,
        public array $sequence = [],
        public bool $landing = false,
        public ScenarioBridge|PeriodBridge|BalanceBridge|Between|null $bridge = null,
        public ?Drivers $drivers = null,
        public array $opened = [],
        public Subtotals $subtotals = new Subtotals(),
        public array $roles = [],
        public bool $isProRata = false,
    ) {}

    /**
     * The same question in other respects; what is not told stays.
     *
     * @param ?list<Scenario> $against
     */
    public function asking(
        Grain|string|null $by = null,
        ?array $against = null,
        ?Between $between = null,
        ?Capacity $capacity = null,
    ): self {
        return With::of($this, [
            'against' => $against ?? $this->against,
            'by' => $by ?? $this->by,
            'between' => $between ?? $this->between,
            'capacity' => $capacity ?? $this->capacity,
        ]);
    }

    /** The periods that rows are; none where they are members of a breakdown. */
    public function grain(): ?Grain
    {
        return $this->by instanceof Grain ? $this->by : null;
    }

    /** The breakdown whose members rows are; none where they are periods. */
    public function breakdown(): ?string
    {
        return $this->by instanceof Grain ? null : $this->by;
    }

    /** Whether all is taken together, in one row. */
    public function isWhole(): bool
    {
        return null === $this->by;
    }
}
