<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Frame;

use KeenMargin\Core\Chart\Canvas\Orientation;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Workings\Result\Workings;

/**
 * Tiers on one band axis, with names, the closing line and highlighted rows: what most kinds are made of.
 * Columns for periods, bars for members, unless the reader turns it; one panel, or several on one scale.
 */
final class TierChart
{
    /** groups of marks from back to front */
    private const LAYERS = [
        'highlight', 'bands', 'closing', 'totals', 'references', 'values', 'breaks', 'variances', 'gaps', 'blocks',
        'pins', 'lines', 'axis', 'brims', 'marks', 'points', 'names', 'title', 'labels', 'notes', 'words',
    ];

    public static function frame(Workings $workings, Finish $finish, ChartOptions $options, TierPlan $plan): Frame
    {
        $panels = $workings->table->panels();
        $orientation = self::orientation($workings, $finish, $plan);
        $parts = [$workings, $finish, $plan->keys, $panels, array_map($plan->tiers, $panels)];

        return new Frame(
            workings: $workings,
            finish: $finish,
            options: $options,
            body: Orientation::Vertical === $orientation
                ? new VerticalPanels(...$parts)
                : new HorizontalPanels(...$parts, below: $plan->below),
            orientation: $orientation,
            layers: self::LAYERS,
            explanations: $plan->explanations,
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
