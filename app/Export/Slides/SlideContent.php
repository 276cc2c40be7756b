<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides;

use KeenMargin\App\Export\Slides\Shape\Placed;

/** What stands on a slide. */
final readonly class SlideContent
{
    /**
     * @param string $id of the page of the report
     * @param string $name in outlines
     * @param list<Placed> $nodes in reading order, from back to front
     */
    public function __construct(public string $id, public string $name, public array $nodes) {}
}
