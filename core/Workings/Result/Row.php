<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Result;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodRuns;
use KeenMargin\Core\Workings\Arithmetic\BandScale;
use KeenMargin\Core\Workings\Arithmetic\Effect;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Arithmetic\GoalEstimate;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Arithmetic\Side;
use KeenMargin\Core\Workings\Arithmetic\Variance;

/** One row of the workings: a period or a member with all its numbers. */
final readonly class Row
{
    /** Unbroken runs of periods that are told by name. */
    private const NAMED = 4;

    /**
     * @param string $label in full
     * @param string $name as it stands beside its like
     * @param array<string, ?BigDecimal> $values by scenario code, or by what they are
     * @param ?BigDecimal $shown null where there is no figure
     * @param ?Scenario $shownScenario null where there is neither a shown amount nor a variance
     * @param array<string, ?Variance> $variances by the reference's key; null where there is none
     * @param int $depth groups that the row stands in
     * @param string $panel what stands over its panel; blank where there is one panel only
     * @param BigDecimal|Fraction|null $exact what is shown before it is rounded; null where it is not a fraction
     * @param ?FinePeriods $fine finest periods that its numbers are of; null where they do not matter
     * @param ?FinePeriods $own those of the row itself, where its numbers are running totals
     * @param bool $lacksPart whether one of its amounts has no figure beside another, and counts as nothing
     * @param ?Period $closedTo of a row that is part forecast the last closed period with a figure
     * @param ?RowKey $parent the opened step that it is a step of; null: none
     * @param ?Effect $effect of a step that is no variance; null where its variances tell it, or it has none
     * @param list<MemberFilter|NumberFilter>|null $where all filters that its numbers are of; null: those of the
     *                                                    question and of its key
     * @param ?BandScale $bands that what is shown is judged by; null: none
     * @param ?GoalEstimate $estimate of when its goal will be reached; null: there is none
     * @param ?Trend $trend what is shown of it in each period of the span; null: it was not asked for
     * @param bool $isLimit whether its goal is a limit: less is better, and it is told how much of it is used
     * @param string $does what it does in a statement: `+`, `−`, `=`; blank: it is not in one
     */
    public function __construct(
        public RowKey $key,
        public string $label,
        public string $name,
        public array $values,
        public ?BigDecimal $shown,
        public ?Scenario $shownScenario,
        public array $variances,
        public RowRole $role = RowRole::Row,
        public ?Period $period = null,
        public int $depth = 0,
        public string $panel = '',
        public ?Extreme $extreme = null,
        public BigDecimal|Fraction|null $exact = null,
        public ?FinePeriods $fine = null,
        public ?FinePeriods $own = null,
        public ?Period $closedTo = null,
        public bool $lacksPart = false,
        public ?RowKey $parent = null,
        public ?Effect $effect = null,
        public ?array $where = null,
        public string $does = '',
        public ?BandScale $bands = null,
        public ?GoalEstimate $estimate = null,
        public ?Trend $trend = null,
        public bool $isLimit = false,
    ) {}

    public function variance(?Reference $reference): ?Variance
    {
        return null === $reference ? null : $this->variances[$reference->key] ?? null;
    }

    public function value(?Reference $reference): ?BigDecimal
    {
        return null === $reference ? null : $this->values[$reference->key] ?? null;
    }

    /**
     * A number of the row by the id of its column: `shown`, `BU`, `variance:BU`, `percent:BU`.
     *
     * @return ?BigDecimal in the measure's own unit, or in percent; null where there is none
     */
    public function number(string $column): ?BigDecimal
    {
        [$form, $key] = [...explode(':', $column, 2), ''];
        $variance = $this->variances[$key] ?? null;

        return match (true) {
            'variance' === $form && '' !== $key => $variance?->amount,
            'percent' === $form && '' !== $key => $variance?->percent(),
            'shown' === $column => $this->shown,
            default => $this->values[$column] ?? null,
        };
    }

    /** Whether one of its amounts has no figure, and counts as nothing in its variances. */
    public function isAbsent(): bool
    {
        return $this->lacksPart
            || [] !==
                array_filter($this->variances, static fn (?Variance $variance): bool => null !== $variance?->absent);
    }

    /**
     * Whether an amount that the row has no figure of counts as nothing where it is compared, instead of being missing.
     *
     * @param string $key of the amount: a scenario's code, `shown`, or what it is
     */
    public function countsAsNothing(string $key): bool
    {
        $reference = $this->variances[$key] ?? null;
        $isReference = \array_key_exists($key, $this->variances);
        $lacksShown = static fn (?Variance $variance): bool => Side::Shown === $variance?->absent;

        return match (true) {
            $isReference => Side::Reference === $reference?->absent,
            $this->lacksPart => true,
            default => [] !== array_filter($this->variances, $lacksShown),
        };
    }

    /** `Apr only`: the periods that a comparison is of, where the row has others; null where it is of all of them. */
    public function comparesOnly(string $reference): ?string
    {
        $only = ($this->variances[$reference] ?? null)->only ?? [];
        if ([] === $only) {
            return null;
        }
        $among = $this->fine->list ?? $only;
        $namesYears = PeriodRuns::areOfSeveralYears($among[0], $among[\count($among) - 1]);

        return Wording::some(PeriodRuns::named($only, $among, $namesYears), self::NAMED).' only';
    }

    /** Whether all its finest periods are closed. */
    public function isClosedThrough(Period $closing): bool
    {
        $last = $this->own?->last();

        return null !== $last && !$last->isAfter($closing);
    }

    /**
     * The same row in a panel, at its place in a running total. What is shown of a step is its change.
     *
     * @param array<string, ?BigDecimal> $values besides those that it has
     */
    public function placed(RowKey $key, string $panel, array $values): self
    {
        return With::of($this, [
            'key' => $key,
            'panel' => $panel,
            'label' => '' === $panel ? $this->label : "$panel: {$this->label}",
            'values' => [...$this->values, ...$values],
            'shown' => $this->shown ?? ($values['change'] ?? ($values['to'] ?? null)),
        ]);
    }

    /** The name of the band that it is in; null where it has none, or nothing is shown. */
    public function band(): ?string
    {
        $value = $this->exact ?? $this->shown;

        return null === $value ? null : $this->bands?->name($value);
    }

    public function marked(?Extreme $extreme): self
    {
        return With::of($this, ['extreme' => $extreme]);
    }
}
