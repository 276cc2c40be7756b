<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\Arithmetic\Effect;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Arithmetic\Variance;
use KeenMargin\Core\Workings\Result\RowRole;

/** A change of a running total before its place in it is known. */
final readonly class Step
{
    /**
     * @param string $name as it stands beside its like
     * @param BigDecimal|Fraction $exact the change, before it is rounded
     * @param array<string, ?BigDecimal> $values other numbers of the row, by their keys
     * @param array<string, ?Variance> $variances by the reference's key
     * @param ?string $group the group that it stands in, by which subtotals are made; null: none
     * @param ?Period $period where it is one
     * @param ?Scenario $scenario whose fill it has; null: none
     * @param list<MemberFilter|NumberFilter> $where all filters that its numbers are of
     * @param ?FinePeriods $fine finest periods that its numbers are of
     * @param ?Leg $leg the way that it is a part of, where it can be opened; null: it cannot
     * @param list<self> $steps its own, where it is opened
     * @param array<string, BigDecimal|Fraction> $beside changes of other running totals, by the keys of their columns
     * @param string $does what it does in a statement
     */
    public function __construct(
        public RowKey $key,
        public string $label,
        public string $name,
        public BigDecimal|Fraction $exact,
        public RowRole $role = RowRole::Step,
        public array $values = [],
        public array $variances = [],
        public ?Effect $effect = null,
        public ?string $group = null,
        public ?Period $period = null,
        public ?Scenario $scenario = null,
        public array $where = [],
        public ?FinePeriods $fine = null,
        public ?Leg $leg = null,
        public array $steps = [],
        public array $beside = [],
        public string $does = '',
    ) {}

    /** @param list<self> $steps */
    public function opened(array $steps): self
    {
        return With::of($this, ['steps' => $steps]);
    }

    /** The same as one of the steps of an opened one. */
    public function within(self $opened): self
    {
        return With::of($this, [
            'key' => $this->key->withinStep($opened->key),
            'label' => "{$opened->label}: {$this->label}",
        ]);
    }

    /** @return int -1, 0 or 1 */
    public function sign(): int
    {
        return $this->exact->getSign();
    }

    /** How large the change is, for orders and rankings. */
    public function size(): BigDecimal|Fraction
    {
        return $this->exact->abs();
    }
}
