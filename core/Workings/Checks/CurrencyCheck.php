<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Checks;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Number\Currency;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Rows\Scope;

/**
 * Amounts in several currencies that stand in a breakdown of their own are only added up where nobody keeps them apart.
 */
final class CurrencyCheck
{
    private const NAMED = 4;

    /** Null where no currencies are added. */
    public static function maybe(Scope $scope): ?Check
    {
        foreach ($scope->dataset->breakdowns as $breakdown) {
            $currencies = self::currencies($breakdown, $scope);
            if (\count($currencies) < 2 || $scope->question->each === $breakdown->name) {
                continue;
            }
            $names = Wording::some($currencies, self::NAMED);
            $isTotal = $scope->question->breakdown() === $breakdown->name;

            return new Check(
                'currencies',
                false,
                ($isTotal ? "The total adds up $names" : "Amounts in $names are added up").
                    ": choose one $breakdown->name",
            );
        }

        return null;
    }

    /** @return list<string> those that the question lets through; none where members are other things, too */
    private static function currencies(Breakdown $breakdown, Scope $scope): array
    {
        $named = array_values(array_filter($breakdown->members, static fn (string $member): bool => '' !== $member));
        foreach ($named as $member) {
            if (!Currency::isOne($member)) {
                return [];
            }
        }
        foreach ($scope->question->where as $filter) {
            if ($filter instanceof MemberFilter && $filter->breakdown === $breakdown->name) {
                $named = array_values(array_filter($named, $filter->letsText(...)));
            }
        }

        return $named;
    }
}
