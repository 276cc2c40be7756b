<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Workings\Arithmetic\Reference;

/** The nought of a variance tier, drawn as the reference that it stands for. */
final class ReferenceLine
{
    public static function draw(Stage $stage, Reference $reference): void
    {
        $axis = $stage->axis;
        $along = $stage->scale->zero;
        if (
            null === $reference->scenario
            || \in_array($reference->scenario, [Scenario::Budget, Scenario::Target], true)
        ) {
            $stage->canvas->add(
                'axis',
                $stage->orientation->tick($axis->start, $axis->stop, $along - 1.25, Ink::Ink, 0.9, 'reference-line'),
            );
            $stage->canvas->add(
                'axis',
                $stage->orientation->tick($axis->start, $axis->stop, $along + 1.25, Ink::Ink, 0.9, 'reference-line'),
            );

            return;
        }
        $stage->canvas->add(
            'axis',
            $stage->orientation->bar(
                ($axis->start + $axis->stop) / 2,
                $axis->stop - $axis->start,
                $along - 1.5,
                $along + 1.5,
                Style::scenario($reference->scenario),
                'reference-line',
            ),
        );
    }
}
