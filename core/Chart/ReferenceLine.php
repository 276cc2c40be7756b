<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Rect;

/** The nought of a variance tier, drawn as the reference that it stands for. */
final class ReferenceLine
{
    public static function draw(Board $board, BandAxis $axis, float $y, Scenario $reference): void
    {
        $width = $axis->right() - $axis->left;
        if (\in_array($reference, [Scenario::Budget, Scenario::Target], true)) {
            $board->add('axis', new Line($axis->left, $y - 1.25, $axis->right(), $y - 1.25, Ink::Ink->value, 0.9, role: 'reference-line'));
            $board->add('axis', new Line($axis->left, $y + 1.25, $axis->right(), $y + 1.25, Ink::Ink->value, 0.9, role: 'reference-line'));

            return;
        }
        $style = Style::scenario($reference);
        $board->add('axis', new Rect($axis->left, $y - 1.5, $width, 3.0, $style->fill->value, $style->stroke?->value, 'reference-line'));
    }
}
