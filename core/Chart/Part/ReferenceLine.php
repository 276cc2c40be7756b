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
            null === $reference->scenario || \in_array($reference->scenario, [Scenario::Budget, Scenario::Target], true)
        ) {
            $stage->canvas->add(
                'axis',
                $stage->orientation->tick(
                    from: $axis->start,
                    to: $axis->stop,
                    along: $along - 1.25,
                    ink: Ink::Ink,
                    thickness: 0.9,
                    role: 'reference-line',
                ),
            );
            $stage->canvas->add(
                'axis',
                $stage->orientation->tick(
                    from: $axis->start,
                    to: $axis->stop,
                    along: $along + 1.25,
                    ink: Ink::Ink,
                    thickness: 0.9,
                    role: 'reference-line',
                ),
            );

            return;
        }
        $stage->canvas->add(
            'axis',
            $stage->orientation->bar(
                centre: ($axis->start + $axis->stop) / 2,
                thickness: $axis->stop - $axis->start,
                from: $along - 1.5,
                to: $along + 1.5,
                style: Style::scenario($reference->scenario),
                role: 'reference-line',
            ),
        );
    }
}
