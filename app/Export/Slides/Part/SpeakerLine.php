<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Part;

/** A paragraph of the notes under a slide. */
final readonly class SpeakerLine
{
    /** @param ?string $link id of the relation to an address; null: none */
    public function __construct(public string $text, public bool $isHead = false, public ?string $link = null) {}
}
