<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Frame;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Canvas\Orientation;
use KeenMargin\Core\Chart\Part\NoteDiscs;
use KeenMargin\Core\Chart\Part\SeriesKey;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

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
        $canvas = new Canvas($finish->width);
        array_map($canvas->reserve(...), self::LAYERS);
        $title = TitleBlock::of($workings, $marks, $finish->title);
        $top = $title->write($canvas, Words::message($canvas, $finish->message)) + 4.0;
        $panels = $workings->panels();
        $charts = array_map($tiers, $panels);
        $orientation = self::orientation($workings, $panels, $finish, $mayTurn);
        $drawn =
            Orientation::Upright === $orientation
                ? new UprightPanels($canvas, $workings, $finish, $keys, $stretch)
                : new LyingPanels($canvas, $workings, $finish, $keys, $stretch);
        $bottom = $drawn->draw($panels, array_values($charts), $top);
        NoteDiscs::draw($canvas, $workings->notes, Orientation::Lying === $orientation);
        Words::below($canvas, $workings->writesNotes ? $workings->notes : [], $finish->footnote);

        return new Scene(
            $finish->width,
            max($bottom, $canvas->bottom()) + 4.0,
            $title->oneLine(),
            implode(' ', \array_slice($workings->reading->texts(), 0, 2)),
            $canvas->groups(),
            Orientation::Lying === $orientation,
            $finish->colours->value,
        );
    }

    /** @param array<string, list<Row>> $panels */
    private static function orientation(Workings $workings, array $panels, Finish $finish, bool $mayTurn): Orientation
    {
        $isUpright = $workings->isOverTime() !== ($finish->turn && $mayTurn);

        return $isUpright && ($workings->isOverTime() || UprightPanels::hasRoom($panels, $finish->width))
            ? Orientation::Upright
            : Orientation::Lying;
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
