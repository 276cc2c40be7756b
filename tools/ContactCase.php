<?php

declare(strict_types=1);

namespace KeenMargin\Tools;

use KeenMargin\Core\Drawing\Drawing;

/** One picture of the contact sheet. */
final readonly class ContactCase
{
    /**
     * @param string $kind id
     * @param ?Drawing $drawing null: the figures cannot be drawn like that
     * @param string $refusal why not; blank where there is a drawing
     */
    public function __construct(
        public string $kind,
        public string $case,
        public ?Drawing $drawing,
        public string $refusal,
    ) {}
}
