<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Checks;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Figures\OverMembers;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Arithmetic\Side;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Rows\Scope;

/**
 * Checks that rows of every kind have: what is missing, what counts as nothing, what the figures themselves have to
 * say.
 */
final class RowChecks
{
    private const NAMED = 3;

    /** Why the rows are not added up. */
    public static function noTotal(Scope $scope): Check
    {
        $measure = $scope->measure;
        $says = match (true) {
            OverMembers::Never !== $measure->overMembers => 'Lines that add and lines that take away are not added up',
            $measure->isInPercent() => 'There is no '
                ."total: {$measure->name} cannot be put together, as its parts are not known",
            default => "There is no total: {$measure->name} of several members is never put together",
        };

        return new Check('no-total', true, $says);
    }

    /** @return list<Check> what the reading of the figures has to say about charts of them */
    public static function notices(Scope $scope): array
    {
        $ofCharts = array_filter($scope->dataset->notices, static fn (Notice $notice): bool => $notice->isOfCharts());

        return array_values(array_map(
            static fn (Notice $notice): Check => new Check($notice->id, $notice->holds, $notice->says),
            $ofCharts,
        ));
    }

    /**
     * Rows without a figure of what is shown. Where a measure is added up over members, who has none in a period that
     * is covered has nothing there, and is not missing.
     *
     * @param list<Row> $rows
     * @param callable(FinePeriods): bool $isCovered whether what is shown covers any of the periods
     */
    public static function missing(Scope $scope, array $rows, callable $isCovered): Check
    {
        $mayBeNothing = $scope->measure->isAddedOverMembers() && null === $scope->question->cumulate;
        $isMissing = static fn (Row $row): bool => null === $row->shown
            && !($mayBeNothing && null !== $row->own && $isCovered($row->own));
        $missing = array_values(array_filter($rows, $isMissing));
        if ([] === $missing) {
            return new Check('none-missing', true, "No {$scope->rowWord()} is missing");
        }
        $what = null !== $scope->question->forecast ? 'Actual or forecast' : 'The shown figure';

        return new Check(
            'none-missing',
            false,
            "$what is missing for ".
                Wording::some(array_map(static fn (Row $row): string => $row->label, $missing), self::NAMED),
        );
    }

    /**
     * How many rows have a figure on one side only: `3 customers have budget and no actual`.
     *
     * @param list<Row> $rows
     * @param list<Reference> $references
     * @param string $shown what is shown, within a sentence
     *
     * @return list<Check>
     */
    public static function absent(Scope $scope, array $rows, array $references, string $shown): array
    {
        $checks = [];
        foreach ($references as $reference) {
            foreach (Side::cases() as $side) {
                $absent = array_filter(
                    $rows,
                    static fn (Row $row): bool => $row->role->isPart() && $side === $row->variance($reference)?->absent,
                );
                if ([] !== $absent) {
                    [$has, $lacks] = Side::Shown === $side ? [$reference->word, $shown] : [$shown, $reference->word];
                    $count = Wording::count(\count($absent), $scope->rowWord(), $scope->rowsWord());
                    $verb = 1 === \count($absent) ? 'has' : 'have';
                    $checks[] = new Check(
                        'absent-'.strtolower($reference->key).'-'.$side->value,
                        true,
                        "$count $verb $has and no $lacks, counted as nothing",
                    );
                }
            }
        }

        return $checks;
    }
}
