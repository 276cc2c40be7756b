<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Frame;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Canvas\Orientation;
use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Result\Workings;

/**
 * Tiers on one band axis, with names, the closing line and highlighted rows: what most kinds are made of.
 * Columns for periods, bars for members, unless the reader turns it; one panel, or several on one scale.
 */
final class TierChart
{
    /** groups of marks from back to front */
    private const LAYERS = [
        'highlight',
        'bands',
        'closing',
        'totals',
        'references',
        'values',
        'breaks',
        'variances',
        'gaps',
        'blocks',
        'pins',
        'lines',
        'axis',
        'brims',
        'marks',
        'points',
        'names',
        'title',
        'labels',
        'notes',
        'words',
    ];

    public static function scene(Workings $workings, Finish $finish, ChartOptions $options, TierPlan $plan): Scene
    {
        $panels = $workings->table->panels();
        $tiers = array_map($plan->tiers, $panels);
        $orientation = self::orientation($workings, $finish, $plan);
        $draw = static function (Canvas $canvas, float $top, float $stretch) use (
            $workings,
            $finish,
            $options,
            $plan,
            $panels,
            $tiers,
            $orientation,
        ): float {
            $parts = [$canvas, $workings, $finish, $options, $plan->keys, $stretch];
            $drawn =
                Orientation::Vertical === $orientation
                    ? new VerticalPanels(...$parts)
                    : new HorizontalPanels(...$parts);

            return $drawn->draw($panels, $tiers, $top);
        };

        return (new Frame($workings, $finish, $options, $plan->explanations))->scene(
            $orientation,
            self::LAYERS,
            $draw,
        );
    }

    /** Columns for periods, and for members where their names have room below; bars otherwise. */
    private static function orientation(Workings $workings, Finish $finish, TierPlan $plan): Orientation
    {
        if ($plan->isHorizontal) {
            return Orientation::Horizontal;
        }
        $isOverTime = $workings->context->isOverTime();
        $isVertical = $isOverTime !== ($finish->turn && $plan->mayTurn);
        $hasRoom = $isOverTime || VerticalPanels::hasRoom($workings->table->panels(), $finish->width);

        return $isVertical && $hasRoom ? Orientation::Vertical : Orientation::Horizontal;
    }
}
