<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Frame;

use KeenMargin\Core\Chart\Canvas\Orientation;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Workings\Result\Workings;

/** A chart that lays itself out instead of putting tiers on an axis: half rings, tubes, tables. */
abstract class FreeChart implements ChartBody
{
    /** groups of marks from back to front */
    private const LAYERS = [
        'highlight', 'rules', 'bands', 'references', 'values', 'variances', 'pins', 'lines', 'axis', 'marks', 'points',
        'names', 'title', 'labels', 'notes', 'words',
    ];

    public function __construct(
        protected readonly Workings $workings,
        protected readonly Finish $finish,
        protected readonly ChartOptions $options,
    ) {}

    /** Title and notes around what draw() puts between them. */
    public function frame(): Frame
    {
        return new Frame(
            workings: $this->workings,
            finish: $this->finish,
            options: $this->options,
            body: $this,
            orientation: Orientation::Horizontal,
            layers: self::LAYERS,
        );
    }
}
