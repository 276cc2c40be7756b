<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Tier;

use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Scene\Scale;

/** One of the pictures that share a band axis: values, variances, percentages, a rate. */
interface Tier
{
    /** Tiers of one unit have one length per unit. */
    public function unit(): Scale;

    /** How far the tier reaches, in its unit. */
    public function extent(): Extent;

    /** Its name beside nought, or above it where bars lie; none where its marks are named instead. */
    public function name(): string;

    /** Room that its labels want beside the ends of bars. */
    public function labelWidths(): LabelWidths;

    public function draw(Stage $stage): void;
}
