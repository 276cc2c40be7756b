<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Checks;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\EarlyClosing;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Workings\Arithmetic\Comparison;
use KeenMargin\Core\Workings\Arithmetic\OpenMonth;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Rows\Scope;

/** What has to be said of figures by day whose last month is not over, or was said to be over too early. */
final readonly class OpenMonthChecks
{
    public function __construct(private Scope $scope, private Comparison $comparison) {}

    /**
     * @param list<Scenario> $references
     *
     * @return list<Check>
     */
    public function of(array $references): array
    {
        return array_values(
            array_filter([
                $this->closedEarly(),
                ...array_map($this->notCut(...), $references),
                $this->forecast(),
                $this->proRata($references),
            ]),
        );
    }

    /**
     * Those of the references whose figure of the month that is not over is taken by the days that have passed.
     *
     * @param list<Scenario> $references
     *
     * @return list<Scenario>
     */
    public function taken(array $references): array
    {
        return array_values(array_filter($references, $this->comparison->takesProRata(...)));
    }

    /**
     * `BU pro rata, 10 of 31 days of Jan`, for the subtitle; null where nothing is taken pro rata.
     *
     * @param list<Scenario> $references
     */
    public function subtitle(array $references): ?string
    {
        $taken = array_map(static fn (Scenario $one): string => $one->value, $this->taken($references));
        $open = $this->scope->open;

        return null === $open || [] === $taken
            ? null
            : Wording::and($taken)." pro rata, {$open->elapsed} of {$open->days} days of ".
                    PeriodNames::withinYear($open->month);
    }

    /** `January has actuals to the 10th only`: the books were closed before the month was over. */
    private function closedEarly(): ?Check
    {
        $last = $this->comparison->coverage->lastActualDay;
        $closing = $this->scope->closing;
        $isAbout = null !== $last
            && [] !== array_filter(
                [$this->scope->question->scenario, ...$this->scope->question->against],
                static fn (Scenario $one): bool => Scenario::Actual === $one,
            )
            && $this->scope->range->firstDay <= $closing->lastDay()
            && $this->scope->range->lastDay >= $last->lastDay();

        return $isAbout && EarlyClosing::is($last, $closing)
            ? new Check('closed-early', false, EarlyClosing::text($last))
            : null;
    }

    private function notCut(Scenario $reference): ?Check
    {
        $open = $this->scope->open;

        return null === $open || !$this->comparison->leavesOutOpenMonth($reference) || !$this->isAboutIt($open)
            ? null
            : new Check(
                'month-not-over-'.strtolower($reference->value),
                false,
                self::monthName($open)." is not over; the {$reference->word()} is by month, so it is not compared",
            );
    }

    /** A forecast of the whole month beside its first days would count them twice. */
    private function forecast(): ?Check
    {
        [$open, $forecast] = [$this->scope->open, $this->scope->question->forecast];
        $isLeftAway =
            null !== $open
            && null !== $forecast
            && $open->isWhole
            && !$this->comparison->coverage->isProRata
            && $this->comparison->coverage->knowsMonthOnly(
                $forecast, Period::ofStart(Grain::Day, $open->month->firstDay()),
            );

        return $isLeftAway
            ? new Check(
                'month-not-over-forecast',
                false,
                self::monthName($open)." is not over; the {$forecast->word()} is by month, so none of it is shown",
            )
            : null;
    }

    /** @param list<Scenario> $references */
    private function proRata(array $references): ?Check
    {
        $taken = array_map(static fn (Scenario $one): string => $one->word(), $this->taken($references));
        $open = $this->scope->open;

        return null === $open || [] === $taken || !$this->isAboutIt($open)
            ? null
            : new Check(
                'pro-rata',
                true,
                ucfirst(Wording::and($taken)).' of '.self::monthName($open).
                    " is taken pro rata: {$open->elapsed} of {$open->days} days",
            );
    }

    private function isAboutIt(OpenMonth $open): bool
    {
        return $this->scope->range->firstDay <= $open->month->lastDay()
            && $this->scope->range->lastDay >= $open->month->firstDay();
    }

    private static function monthName(OpenMonth $open): string
    {
        return PeriodNames::spelledOut($open->month);
    }
}
