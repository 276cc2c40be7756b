<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Workings\Row;
use KeenMargin\Core\Workings\Workings;

/** The dotted line between the last actual and the first forecast period. */
final class ClosingLine
{
    /**
     * Where it stands across the bands; none where the chart has only one of the two.
     *
     * @param list<Row> $rows
     */
    public static function maybeAt(Workings $workings, array $rows, BandAxis $axis): ?float
    {
        foreach ($rows as $i => $row) {
            if (null !== $workings->forecast && true === $row->period?->isAfter($workings->closing)) {
                return $i > 0 ? $axis->end($i - 1) : null;
            }
        }

        return null;
    }

    public static function draw(
        Board $board,
        Plane $plane,
        float $across,
        float $from,
        float $to,
        bool $isNamed,
    ): void {
        [$closed, $open] =
            Plane::Upright === $plane
                ? [[$across - 6.0, $from + 9.0, 'end'], [$across + 6.0, $from + 9.0, 'start']]
                : [[$to, $across - 4.0, 'end'], [$to, $across + 12.0, 'end']];
        $names = [
            Board::text(
                $closed[0],
                $closed[1],
                'closed',
                $closed[2],
                Ink::Accent,
                Type::SMALL,
                role: 'closing-label',
            ),
            Board::text(
                $open[0],
                $open[1],
                Scenario::Forecast->word(),
                $open[2],
                Ink::Accent,
                Type::SMALL,
                role: 'closing-label',
            ),
        ];
        foreach ($isNamed && $board->isFree($names[0]) && $board->isFree($names[1]) ? $names : [] as $name) {
            $board->write('closing', $name);
        }
        $board->add('closing', $plane->line($across, $from, $across, $to, Ink::Accent, 1.2, '1.5 3', 'closing'));
    }
}
