<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Row;
use KeenMargin\Core\Workings\Workings;

/**
 * Tiers on one band axis, with titles, names, the closing line and highlighted rows: what most kinds are made of. Columns for
 * periods, bars for members, unless the reader turns it; one chart, or the same one several times on one scale.
 */
final readonly class TierChart
{
    /** groups of marks from back to front */
    private const LAYERS = ['highlight', 'closing', 'totals', 'references', 'values', 'breaks', 'variances', 'gaps', 'blocks', 'pins', 'lines', 'axis', 'brims', 'marks', 'points', 'names', 'title', 'labels'];

    /**
     * @param callable(list<Row>): list<Tier> $tiers   of one chart, from top to bottom
     * @param list<SeriesKey>                 $keys    of what stands on the axis
     * @param list<string>                    $marks   what the subtitle explains
     * @param bool                            $mayTurn whether time can run downwards
     */
    public static function scene(Workings $workings, Finish $finish, callable $tiers, array $keys, array $marks = [], bool $mayTurn = true): Scene
    {
        $board = new Board($finish->width);
        array_map($board->reserve(...), self::LAYERS);
        $title = TitleBlock::of($workings, $marks);
        $top = $title->write($board) + 4.0;
        $panels = $workings->panels();
        $charts = array_map($tiers, $panels);
        $isTurned = $finish->turn && $mayTurn;
        $plane = $workings->isOverTime() !== $isTurned ? Plane::Upright : Plane::Lying;
        if (Plane::Upright === $plane && !$workings->isOverTime() && !UprightPanels::hasRoom($panels, $finish->width)) {
            $plane = Plane::Lying;
        }
        $drawn = Plane::Upright === $plane ? new UprightPanels($board, $workings, $finish, $keys) : new LyingPanels($board, $workings, $finish, $keys);
        $bottom = $drawn->draw($panels, array_values($charts), $top);

        return new Scene($finish->width, max($bottom, $board->bottom()) + 4.0, $title->oneLine(), implode(' ', \array_slice($workings->reading->texts(), 0, 2)), $board->groups(), Plane::Lying === $plane);
    }

    /**
     * @param list<Row> $rows
     *
     * @return list<bool> whether each stands apart from the one before
     */
    public static function apart(array $rows): array
    {
        return array_map(static fn (Row $row): bool => $row->role->isApart(), $rows);
    }
}
