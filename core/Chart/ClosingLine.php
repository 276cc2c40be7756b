<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Workings\Workings;

/** The dotted line between the last actual and the first forecast period. */
final class ClosingLine
{
    /** The x at which it stands; none where the chart has only one of the two. */
    public static function maybeX(Workings $workings, BandAxis $axis): ?float
    {
        foreach ($workings->rows as $i => $row) {
            if (null !== $workings->forecast && $row->period->isAfter($workings->closing)) {
                return $i > 0 ? $axis->end($i - 1) : null;
            }
        }

        return null;
    }

    public static function draw(Board $board, float $x, float $top, float $bottom): void
    {
        $board->writeIfFree('closing', Board::text($x - 6.0, $top + 9.0, 'closed', 'end', Ink::Accent, Type::SMALL, role: 'closing-label'));
        $board->writeIfFree('closing', Board::text($x + 6.0, $top + 9.0, Scenario::Forecast->word(), 'start', Ink::Accent, Type::SMALL, role: 'closing-label'));
        $board->add('closing', new Line($x, $top, $x, $bottom, Ink::Accent->value, 1.2, '1.5 3', 'closing'));
    }
}
