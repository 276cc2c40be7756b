<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Row;
use KeenMargin\Core\Workings\Workings;

/**
 * Tiers on one band axis, with titles, names, the closing line and highlighted rows: what most kinds are made of.
 * Columns for periods, bars for members, unless the reader turns it; one chart, or the same one several times on one
 * scale.
 */
final readonly class TierChart
{
    /** groups of marks from back to front */
    private const LAYERS = [
        'highlight',
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
    private const LEAST_STRETCH = 0.3;

    /**
     * @param callable(list<Row>): list<Tier> $tiers of one chart, from top to bottom
     * @param list<SeriesKey> $keys of what stands on the axis
     * @param list<string> $marks what the subtitle explains
     * @param bool $mayTurn whether time can run downwards
     */
    public static function scene(
        Workings $workings,
        Finish $finish,
        callable $tiers,
        array $keys,
        array $marks = [],
        bool $mayTurn = true,
    ): Scene {
        $draw = static fn (float $stretch): Scene => self::stretched(
            $stretch,
            $workings,
            $finish,
            $tiers,
            $keys,
            $marks,
            $mayTurn,
        );
        $scene = $draw(1.0);

        return null === $finish->height ? $scene : self::high($scene, (float) $finish->height, $draw);
    }

    /**
     * As high as asked, or as little higher as labels need: heights grow in a line with lengths where nothing else is
     * in the way.
     *
     * @param callable(float): Scene $draw
     */
    private static function high(Scene $scene, float $height, callable $draw): Scene
    {
        [$from, $stretch] = [1.0, $height > $scene->height ? 1.5 : 0.6];
        for ($try = 0; $try < 3 && abs($scene->height - $height) >= 1.0; ++$try) {
            $next = $draw($stretch);
            $slope = ($next->height - $scene->height) / ($stretch - $from);
            [$from, $scene] = [$stretch, $next];
            if ($slope < 1.0) {
                break;
            }
            $stretch = max(self::LEAST_STRETCH, $from + ($height - $scene->height) / $slope);
            if (abs($stretch - $from) < 0.001) {
                break;
            }
        }

        return $scene->height < $height ? $scene->high($height) : $scene;
    }

    /**
     * @param callable(list<Row>): list<Tier> $tiers
     * @param list<SeriesKey> $keys
     * @param list<string> $marks
     */
    private static function stretched(
        float $stretch,
        Workings $workings,
        Finish $finish,
        callable $tiers,
        array $keys,
        array $marks,
        bool $mayTurn,
    ): Scene {
        $board = new Board($finish->width);
        array_map($board->reserve(...), self::LAYERS);
        $title = TitleBlock::of($workings, $marks, $finish->title);
        $top = $title->write($board, Words::message($board, $finish->message)) + 4.0;
        $panels = $workings->panels();
        $charts = array_map($tiers, $panels);
        $plane = self::plane($workings, $panels, $finish, $mayTurn);
        $drawn =
            Plane::Upright === $plane
                ? new UprightPanels($board, $workings, $finish, $keys, $stretch)
                : new LyingPanels($board, $workings, $finish, $keys, $stretch);
        $bottom = $drawn->draw($panels, array_values($charts), $top);
        NoteDiscs::draw($board, $workings->notes, Plane::Lying === $plane);
        Words::below($board, $workings->writesNotes ? $workings->notes : [], $finish->footnote);

        return new Scene(
            $finish->width,
            max($bottom, $board->bottom()) + 4.0,
            $title->oneLine(),
            implode(' ', \array_slice($workings->reading->texts(), 0, 2)),
            $board->groups(),
            Plane::Lying === $plane,
            $finish->colours->value,
        );
    }

    /** @param array<string, list<Row>> $panels */
    private static function plane(Workings $workings, array $panels, Finish $finish, bool $mayTurn): Plane
    {
        $isUpright = $workings->isOverTime() !== ($finish->turn && $mayTurn);

        return $isUpright && ($workings->isOverTime() || UprightPanels::hasRoom($panels, $finish->width))
            ? Plane::Upright
            : Plane::Lying;
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
