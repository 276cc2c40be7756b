<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Rolling;

/** A number of a text that will change. */
final readonly class RolledNumber
{
    /**
     * @param string $block of the text; blank: the message
     * @param ?string $becomes null: it will not be there any more
     * @param bool $follows whether the text says it by itself then; else it will be marked
     * @param string $from what it is taken from
     */
    public function __construct(
        public string $block,
        public string $was,
        public ?string $becomes,
        public bool $follows,
        public string $from,
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'block' => $this->block,
            'was' => $this->was,
            'becomes' => $this->becomes,
            'follows' => $this->follows,
            'from' => $this->from,
        ];
    }
}
