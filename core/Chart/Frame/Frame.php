<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Frame;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Canvas\Orientation;
use KeenMargin\Core\Chart\Part\NoteDiscs;
use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Result\Workings;

/** The page of a chart of whatever kind: message and title above, notes and footnote below, at the height asked for. */
final readonly class Frame
{
    private const LEAST_STRETCH = 0.3;

    /** @param list<string> $explanations what the subtitle says besides what the question is about */
    public function __construct(
        private Workings $workings,
        private Finish $finish,
        private ChartOptions $options,
        private array $explanations = [],
    ) {
    }

    /**
     * The whole scene around what a kind draws.
     *
     * @param Orientation $orientation which way lengths run
     * @param list<string> $layers groups of marks from back to front
     * @param \Closure(Canvas, float, float): float $draw below a given y, with lengths stretched by a factor; gives the
     *                                                    lowest y that was used
     */
    public function scene(Orientation $orientation, array $layers, \Closure $draw): Scene
    {
        $stretched = fn (float $stretch): Scene => $this->stretched($stretch, $orientation, $layers, $draw);
        $scene = $stretched(1.0);

        return null === $this->finish->height
            ? $scene
            : self::high($scene, (float) $this->finish->height, $stretched);
    }

    /**
     * @param list<string> $layers
     * @param \Closure(Canvas, float, float): float $draw
     */
    private function stretched(float $stretch, Orientation $orientation, array $layers, \Closure $draw): Scene
    {
        $canvas = new Canvas($this->finish->width);
        array_map($canvas->reserve(...), $layers);
        $title = TitleBlock::of($this->workings, $this->explanations, $this->finish->title);
        $top = $title->write($canvas, Words::message($canvas, $this->finish->message)) + 4.0;
        $bottom = $draw($canvas, $top, $stretch);
        [$x, $y] = Orientation::Horizontal === $orientation ? [36.0, 4.0] : [5.0, 24.0];
        $regions = $canvas->regions($x, $y);
        NoteDiscs::draw($canvas, $this->options->notes, Orientation::Horizontal === $orientation);
        Words::below($canvas, $this->options->areNotesWritten ? $this->options->notes : [], $this->finish->footnote);

        return new Scene(
            width: $this->finish->width,
            height: max($bottom, $canvas->bottom()) + 4.0,
            title: $title->oneLine(),
            description: implode(' ', \array_slice($this->workings->summary->texts(), 0, 2)),
            groups: $canvas->groups(),
            isHorizontal: Orientation::Horizontal === $orientation,
            colours: $this->finish->colours->value,
            regions: $regions,
            handles: $canvas->handles(),
            paging: $canvas->maybePaging(),
        );
    }

    /**
     * As high as asked, or as little higher as labels need. Heights grow linearly with lengths where nothing else is
     * in the way, so that a secant search finds the stretch in a few tries.
     *
     * @param \Closure(float): Scene $stretched
     */
    private static function high(Scene $scene, float $height, \Closure $stretched): Scene
    {
        [$from, $stretch] = [1.0, $height > $scene->height ? 1.5 : 0.6];
        for ($try = 0; $try < 3 && abs($scene->height - $height) >= 1.0; ++$try) {
            $next = $stretched($stretch);
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
}
