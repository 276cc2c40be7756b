<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Canvas\Orientation;
use KeenMargin\Core\Chart\Scale\BandAxis;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

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
            if (null !== $workings->context->forecast && true === $row->period?->isAfter($workings->context->closing)) {
                return $i > 0 ? $axis->end($i - 1) : null;
            }
        }

        return null;
    }

    public static function draw(
        Canvas $canvas,
        Orientation $orientation,
        float $across,
        float $from,
        float $to,
        bool $isNamed,
    ): void {
        [$closed, $open] =
            Orientation::Vertical === $orientation
                ? [[$across - 6.0, $from + 9.0, 'end'], [$across + 6.0, $from + 9.0, 'start']]
                : [[$to, $across - 4.0, 'end'], [$to, $across + 12.0, 'end']];
        $names = [
            Canvas::text(
                x: $closed[0],
                y: $closed[1],
                text: 'closed',
                anchor: $closed[2],
                ink: Ink::Accent,
                size: Type::SMALL,
                role: 'closing-label',
            ),
            Canvas::text(
                x: $open[0],
                y: $open[1],
                text: Scenario::Forecast->word(),
                anchor: $open[2],
                ink: Ink::Accent,
                size: Type::SMALL,
                role: 'closing-label',
            ),
        ];
        foreach ($isNamed && $canvas->isFree($names[0]) && $canvas->isFree($names[1]) ? $names : [] as $name) {
            $canvas->write('closing', $name);
        }
        $canvas->add(
            'closing',
            $orientation->line(
                across1: $across,
                along1: $from,
                across2: $across,
                along2: $to,
                ink: Ink::Accent,
                thickness: 1.2,
                dash: '1.5 3',
                role: 'closing',
            ),
        );
    }
}
