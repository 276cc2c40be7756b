<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Month;

use KeenMargin\App\Http\Contract\Month\ExpectedFiguresJson;
use KeenMargin\App\Http\Contract\Month\MonthDatasetJson;
use KeenMargin\App\Http\Contract\Month\MonthHeadlinePartJson;
use KeenMargin\App\Http\Contract\Sources\ArrivalJson;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Arrival\ExpectedState;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;

/** How a month and its datasets stand, in words. */
final class MonthPhrases
{
    /**
     * `August waits for one file and two decisions.`.
     *
     * @param list<MonthDatasetJson> $datasets
     *
     * @return list<MonthHeadlinePartJson>
     */
    public static function headline(Period $month, array $datasets): array
    {
        $name = explode(' ', PeriodNames::spelledOut($month))[0];
        $expected = array_merge(...array_map(static fn (MonthDatasetJson $one): array => $one->expected, $datasets));
        $late = self::count($expected, ExpectedState::Late);
        $open = self::count($expected, ExpectedState::Expected);
        $decisions = array_sum(array_map(static fn (MonthDatasetJson $one): int => \count($one->waiting), $datasets));
        $parts = [];
        if ($late > 0) {
            $parts[] = new MonthHeadlinePartJson(self::some($late, 'file', 'files'), 'files');
        }
        if ($decisions > 0) {
            $parts[] = new MonthHeadlinePartJson(self::some($decisions, 'decision', 'decisions'), 'decisions');
        }
        $closed = array_filter($datasets, static fn (MonthDatasetJson $one): bool => $one->isClosed);
        if ([] === $parts) {
            return [new MonthHeadlinePartJson(match (true) {
                [] === $datasets => 'There are no figures yet.',
                \count($closed) === \count($datasets) => "$name is closed.",
                $open > 0 => "$name waits for nothing yet; ".self::some($open, 'file is', 'files are').' expected.',
                [] === $expected => "Nothing is expected for $name. Say of each dataset what comes, by when.",
                default => "$name has all that it waited for.",
            }, '')];
        }

        return [
            new MonthHeadlinePartJson("$name waits for ", ''),
            ...2 === \count($parts) ? [$parts[0], new MonthHeadlinePartJson(' and ', ''), $parts[1]] : $parts,
            new MonthHeadlinePartJson('.', ''),
        ];
    }

    /**
     * @param list<ExpectedFiguresJson> $expected
     * @param list<ArrivalJson> $waiting
     * @param ?int $failing checks; null: they were not made since the last change
     * @param bool $expects whether the dataset expects anything in any month
     *
     * @return array{'holds'|'look'|'quiet', string} tone, and what there is to say
     */
    public static function dataset(array $expected, array $waiting, ?int $failing, bool $expects): array
    {
        $late = self::maybeFirst($expected, ExpectedState::Late);
        $next = self::maybeFirst($expected, ExpectedState::Expected);
        $missed = self::maybeFirst($expected, ExpectedState::NotComing);

        return match (true) {
            [] !== $waiting => ['look', self::waits($waiting)],
            null !== $late => [
                'look',
                self::what($expected, $late).Wording::count($late->late, 'day late', 'days late').self::from($late),
            ],
            (int) $failing > 0 => ['look', Wording::count((int) $failing, 'check fails', 'checks fail')],
            null !== $next => [
                'quiet',
                self::what($expected, $next).'expected by the '.Wording::nth($next->workingDay).' working day'.
                    self::from($next),
            ],
            null !== $missed => [
                'quiet',
                self::what($expected, $missed).'does not come'.('' === $missed->why ? '' : ": $missed->why"),
            ],
            [] !== $expected => ['holds', null === $failing ? 'came' : 'came, every check holds'],
            $expects => ['quiet', 'nothing is due this month'],
            default => ['quiet', 'nothing is expected'],
        };
    }

    /** @param list<ArrivalJson> $waiting */
    private static function waits(array $waiting): string
    {
        $closed = array_filter(
            $waiting,
            static fn (ArrivalJson $one): bool => ($one->counts->inClosedPeriods ?? 0) > 0,
        );
        $unread = array_filter($waiting, static fn (ArrivalJson $one): bool => null === $one->counts);

        return match (true) {
            [] !== $unread => 'cannot be read; waits for you',
            [] !== $closed => 'closed periods restated; waits for you',
            default => 'came with changes; waits for you',
        };
    }

    /** @param list<ExpectedFiguresJson> $expected */
    private static function what(array $expected, ExpectedFiguresJson $one): string
    {
        $scenario = Scenario::from($one->scenario);

        return 1 === \count($expected) && Scenario::Actual === $scenario ? '' : mb_strtolower($scenario->word()).' ';
    }

    private static function from(ExpectedFiguresJson $one): string
    {
        $whom = '' === $one->whom ? $one->sourceName : $one->whom;

        return '' === $whom ? '' : ", $whom";
    }

    /** @param list<ExpectedFiguresJson> $expected */
    private static function maybeFirst(array $expected, ExpectedState $state): ?ExpectedFiguresJson
    {
        foreach ($expected as $one) {
            if ($one->state === $state->value) {
                return $one;
            }
        }

        return null;
    }

    /** @param list<ExpectedFiguresJson> $expected */
    private static function count(array $expected, ExpectedState $state): int
    {
        return \count(
            array_filter($expected, static fn (ExpectedFiguresJson $one): bool => $one->state === $state->value),
        );
    }

    private static function some(int $count, string $one, string $many): string
    {
        return Wording::number($count).' '.(1 === $count ? $one : $many);
    }
}
