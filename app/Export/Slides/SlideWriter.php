<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides;

use KeenMargin\App\Export\Slides\Part\Speech;

/** Writes slides one after the other into a deck. */
interface SlideWriter
{
    /** @param list<Speech> $speeches what is said under it */
    public function add(SlideContent $page, array $speeches): void;

    /** A page of the report that the deck leaves out: it is no new one later. */
    public function leaveOut(string $page): void;

    /** The deck as a file. */
    public function bytes(): string;
}
