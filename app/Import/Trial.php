<?php

declare(strict_types=1);

namespace KeenMargin\App\Import;

use KeenMargin\Core\Figures\Dimension;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Reading\FactReader;
use KeenMargin\Core\Figures\Reading\Mapping;
use KeenMargin\Core\Figures\Reading\Refusal;
use KeenMargin\Core\Figures\Reading\RefusedFigures;
use KeenMargin\Core\Figures\Reading\RoleGuess;
use KeenMargin\Core\Figures\Reading\Sheet;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\PeriodNames;

/** Reads a sheet without keeping it, and tells what it would bring. */
final class Trial
{
    private const MOST_REFUSALS = 200;

    /** @return array<string, mixed> */
    public static function of(Sheet $sheet, Mapping $mapping): array
    {
        $doubts = RoleGuess::doubts($sheet, $mapping);
        try {
            $table = FactReader::read($sheet, $mapping, 'Trial');
        } catch (RefusedFigures $e) {
            return ['accepted' => false, 'says' => $e->getMessage(), 'refusals' => array_map(static fn (Refusal $r): array => ['row' => $r->row, 'column' => $r->column, 'reason' => $r->sentence()], \array_slice($e->refusals, 0, self::MOST_REFUSALS)), 'refused' => \count($e->refusals), 'doubts' => $doubts];
        }
        $dataset = $table->dataset();
        [$first, $last] = [$dataset->coverage->first(), $dataset->coverage->last()];

        return [
            'accepted' => true,
            'facts' => \count($table->facts),
            'periods' => null === $first || null === $last ? '' : PeriodNames::range($first, $last),
            'grain' => $dataset->grain->value,
            'scenarios' => array_map(static fn (Scenario $scenario): string => $scenario->value, $dataset->coverage->scenarios()),
            'measures' => array_map(static fn (Measure $measure): string => $measure->name, $dataset->measures),
            'breakdowns' => array_map(static fn (Dimension $breakdown): array => ['name' => $breakdown->name, 'members' => \count($breakdown->members)], $dataset->breakdowns),
            'notices' => array_map(static fn ($notice): string => $notice->says, $dataset->notices),
            'doubts' => $doubts,
        ];
    }
}
