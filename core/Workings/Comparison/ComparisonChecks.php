<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Comparison;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Workings\Arithmetic\Comparison;
use KeenMargin\Core\Workings\Arithmetic\LeftOut;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Checks\CurrencyCheck;
use KeenMargin\Core\Workings\Checks\OpenMonthChecks;
use KeenMargin\Core\Workings\Checks\RowChecks;
use KeenMargin\Core\Workings\Checks\RowSums;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Rows\Landing;
use KeenMargin\Core\Workings\Rows\Scope;
use KeenMargin\Core\Workings\Words\PeriodsOfRows;

/** What can be proved, or has to be said, of a comparison with references. */
final readonly class ComparisonChecks
{
    public function __construct(private Scope $scope, private Comparison $comparison) {}

    /**
     * @param list<Row> $rows
     * @param ?Total $total null where adding up says nothing
     * @param ?Check $net whether lines come to their result; null: rows are no such lines
     * @param list<Reference> $references
     * @param ?Landing $landing null where nothing is said about it
     *
     * @return list<Check>
     */
    public function of(array $rows, ?Total $total, ?Check $net, array $references, ?Landing $landing): array
    {
        $question = $this->scope->question;
        $forecast = $question->forecast;
        $isOpen =
            [] !==
            array_filter($rows, fn (Row $row): bool => true === $row->own?->last()?->isAfter($this->scope->closing));

        return array_values(
            array_filter([
                null === $total
                    ? $net ?? RowChecks::noTotal($this->scope)
                    : (new RowSums($this->scope, $this->comparison))->check($rows, $total),
                RowChecks::missing($this->scope, $rows, $this->comparison->showsAny(...)),
                ...RowChecks::absent($this->scope, $rows, $references, $question->scenario->word()),
                $this->partForecast($rows),
                null === $landing || $landing->isWhole()
                    ? null
                    : new Check(
                        'landing-complete',
                        false,
                        "Neither actual nor forecast has {$landing->missing()}, so that the year is said without",
                    ),
                [] === $references
                    ? new Check(
                        'no-reference', false, 'There is nothing to compare with: choose a reference in the question',
                    )
                    : null,
                ...array_map(
                    $this->uncovered(...),
                    array_values(array_filter([...$question->against, $isOpen ? $forecast : null])),
                ),
                ...array_map(
                    fn (Scenario $reference): ?Check => null === $total ? null : $this->leftOut($reference, $total),
                    $question->against,
                ),
                \in_array(Scenario::PriorYear, [...$question->against, $question->scenario], true)
                    ? $this->priorYear()
                    : null,
                ...(new OpenMonthChecks($this->scope, $this->comparison))->of($question->against),
                CurrencyCheck::maybe($this->scope),
                ...RowChecks::notices($this->scope),
            ]),
        );
    }

    /**
     * A period within which the books were closed is part actual and part forecast.
     *
     * @param list<Row> $rows
     */
    private function partForecast(array $rows): ?Check
    {
        foreach ($rows as $row) {
            if (null !== $row->period && null !== $row->closedTo) {
                return new Check(
                    'part-forecast',
                    true,
                    "{$row->label} is actual to ".PeriodNames::withinYear($row->closedTo).' and forecast after it',
                );
            }
        }

        return null;
    }

    /** A scenario that covers none of the periods. */
    private function uncovered(Scenario $scenario): ?Check
    {
        foreach ($this->scope->fine->list as $period) {
            $isWanted = $scenario !== $this->scope->question->forecast || $period->isAfter($this->scope->closing);
            if ($isWanted && $this->comparison->coverage->covers($scenario, $period)) {
                return null;
            }
        }

        return new Check(
            'absent-'.strtolower($scenario->value), false, "There are no {$scenario->word()} figures for these periods",
        );
    }

    /** Periods that only one side has. Where the reference has none at all, that is said by another check. */
    private function leftOut(Scenario $reference, Total $total): ?Check
    {
        $leftOut = $this->comparison->leftOutBesidesOpenMonth(
            $reference,
            $total->leftOut[$reference->value] ?? new LeftOut(),
        );
        if ($leftOut->isEmpty() || null !== $this->uncovered($reference)) {
            return null;
        }
        $shown =
            null === $this->scope->question->forecast
                ? $this->scope->question->scenario->word()
                : 'actual or forecast';
        $says = (new PeriodsOfRows($this->scope))->leftOut($leftOut, $shown, $reference->word());

        return new Check('left-out-'.strtolower($reference->value), false, "$says, so not compared");
    }

    /** Which prior years came in, and which are derived. */
    private function priorYear(): ?Check
    {
        $covered = $this->scope->fine->only(
            fn ($period): bool => $this->comparison->coverage->covers(Scenario::PriorYear, $period),
        );
        $derived = $covered->only($this->comparison->coverage->isDerived(...));
        if ($derived->isEmpty()) {
            return null;
        }
        if (\count($derived->list) === \count($covered->list)) {
            return new Check('prior-year-derived', true, 'Prior year is the actual of one year earlier');
        }
        $names = (new PeriodsOfRows($this->scope))->names($derived->list);

        return new Check(
            'prior-year-derived',
            true,
            "Prior year came in for some periods; for $names it is the actual of one year earlier",
        );
    }
}
