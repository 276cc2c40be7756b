<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Shape;

/** What stands on a slide: a shape, or a group of them. */
interface Node
{
    public function frame(): SlideFrame;
}
