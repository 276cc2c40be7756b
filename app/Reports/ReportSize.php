<?php

declare(strict_types=1);

namespace KeenMargin\App\Reports;

use KeenMargin\App\Storage\Record\ReportRecord;
use KeenMargin\Core\Report\Block\Block;

/** How long work on a whole report is, counted in figures, as other long work is. */
final class ReportSize
{
    /** Drawing a chart takes about as long as bringing so many figures in. */
    private const FIGURES_A_BLOCK = 1_000;

    public static function of(ReportRecord $record): int
    {
        $blocks = array_filter(
            OpenReports::read($record->document)->blocks(),
            static fn (Block $block): bool => !$block->isEmpty(),
        );

        return self::FIGURES_A_BLOCK * \count($blocks);
    }
}
