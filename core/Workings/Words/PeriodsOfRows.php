<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Words;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodRuns;
use KeenMargin\Core\Workings\Arithmetic\LeftOut;
use KeenMargin\Core\Workings\Rows\Scope;

/** Names finest periods of a question: with their years only where the question is about several. */
final readonly class PeriodsOfRows
{
    private const NAMED = 3;

    private bool $namesYears;

    public function __construct(private Scope $scope)
    {
        $ends = array_values(array_filter([$scope->fine->first(), $scope->fine->last()]));
        $this->namesYears = PeriodRuns::areOfSeveralYears(...$ends);
    }

    /**
     * `Sep–Dec`, `Mar and May`.
     *
     * @param list<Period> $periods
     */
    public function names(array $periods): string
    {
        return Wording::some(PeriodRuns::named($periods, $this->scope->fine->list, $this->namesYears), self::NAMED);
    }

    /** `Feb: budget only; Apr: actual only` */
    public function leftOut(LeftOut $leftOut, string $shown, string $reference): string
    {
        $of = static fn (string $names, string $word): string => "$names: $word only";

        return implode(
            '; ',
            array_filter([
                [] === $leftOut->reference ? '' : $of($this->names($leftOut->reference), $reference),
                [] === $leftOut->shown ? '' : $of($this->names($leftOut->shown), $shown),
            ]),
        );
    }
}
