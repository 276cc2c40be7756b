<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Mapping;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Reading\Table\FileTable;
use KeenMargin\Core\Figures\Reading\Text\Limits;
use KeenMargin\Core\Figures\Reading\Text\PeriodReader;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;

/** Whether a mapping makes sense of a sheet at all. */
final class MappingFit
{
    /** @throws RefusedFigures */
    public static function insist(FileTable $sheet, Mapping $mapping): void
    {
        $amounts = $mapping->of(Role::Amount);
        if ([] === $amounts) {
            throw RefusedFigures::whole('No column holds amounts. Say which one does.');
        }
        $spread = array_filter($amounts, static fn (ColumnRole $column): bool => null !== $column->period);
        if ([] === $mapping->of(Role::Period) && [] !== $spread && \count($spread) < \count($amounts)) {
            throw RefusedFigures::whole(\sprintf(
                'Some columns of amounts stand for a period, %s does not. Say which period it is, or ignore it.',
                Wording::some(
                    array_map(
                        static fn (string $name): string => "\"$name\"",
                        array_keys(array_diff_key($amounts, $spread)),
                    ),
                    3,
                ),
            ));
        }
        foreach ($spread as $name => $column) {
            $isPart = PeriodReader::lacksYear((string) $column->period) && [] !== $mapping->of(Role::Period);
            if (!$isPart && null === $mapping->periods()->maybe((string) $column->period)) {
                throw RefusedFigures::whole(
                    "The column \"$name\" is said to be the period "
                        ."\"{$column->period}\", which is not a period. Write it like 2026-08.",
                );
            }
        }
        if (\count($mapping->of(Role::Breakdown)) > Limits::BREAKDOWNS) {
            throw RefusedFigures::whole(\sprintf(
                'There are %d breakdowns; up to %d can be kept. Ignore some of the columns.',
                \count($mapping->of(Role::Breakdown)),
                Limits::BREAKDOWNS,
            ));
        }
        foreach ([Role::Scenario, Role::Measure, Role::Unit] as $role) {
            if (\count($mapping->of($role)) > 1) {
                throw RefusedFigures::whole(\sprintf(
                    '%s are both said to be the %s. Choose one.',
                    implode(' and ', array_keys($mapping->of($role))),
                    $role->value,
                ));
            }
        }
    }
}
