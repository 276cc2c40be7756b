<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Period;

/** One row of the workings: a period or a member with all its numbers. */
final readonly class Row
{
    /**
     * @param string                     $key           of its own in the whole chart; with panels `PANEL/KEY`
     * @param string                     $label         in full
     * @param string                     $name          as it stands beside its like
     * @param array<string, ?BigDecimal> $values        by scenario code, or by what they are
     * @param ?Scenario                  $shownScenario none where the shown amount is missing, or is of no one scenario
     * @param array<string, ?Variance>   $variances     by the reference's key
     * @param int                        $depth         groups that the row stands in
     * @param string                     $panel         of several charts of a kind, the one that it stands in
     */
    public function __construct(
        public string $key,
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
    ) {
    }

    public function variance(?Reference $reference): ?Variance
    {
        return null === $reference ? null : $this->variances[$reference->key] ?? null;
    }

    public function value(?Reference $reference): ?BigDecimal
    {
        return null === $reference ? null : $this->values[$reference->key] ?? null;
    }

    public function marked(?Extreme $extreme): self
    {
        return new self($this->key, $this->label, $this->name, $this->values, $this->shown, $this->shownScenario, $this->variances, $this->role, $this->period, $this->depth, $this->panel, $extreme);
    }
}
