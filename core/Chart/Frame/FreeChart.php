<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Frame;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Canvas\Orientation;
use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Result\Workings;

/** A chart that lays itself out instead of putting tiers on an axis: half rings, tubes, tables. */
abstract readonly class FreeChart
{
    /** groups of marks from back to front */
    private const LAYERS = [
        'highlight',
        'rules',
        'bands',
        'references',
        'values',
        'variances',
        'pins',
        'lines',
        'axis',
        'marks',
        'points',
        'names',
        'title',
        'labels',
        'notes',
        'words',
    ];

    public function __construct(
        protected Workings $workings,
        protected Finish $finish,
        protected ChartOptions $options,
    ) {
    }

    /** The whole scene: title and notes around what draw() puts between them. */
    public function scene(): Scene
    {
        $draw = fn (Canvas $canvas, float $top, float $stretch): float => $this->draw($canvas, $top, $stretch);

        return (new Frame($this->workings, $this->finish, $this->options))->scene(
            Orientation::Horizontal,
            self::LAYERS,
            $draw,
        );
    }

    /**
     * Puts the marks below a height.
     *
     * @param float $stretch of lengths
     *
     * @return float the lowest y that was used
     */
    abstract protected function draw(Canvas $canvas, float $top, float $stretch): float;
}
