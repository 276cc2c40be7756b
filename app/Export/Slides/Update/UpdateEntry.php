<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Update;

/** One line of the list of what an update of a deck does. */
final readonly class UpdateEntry
{
    /**
     * @param int $slide its number, from 1; nought: the deck
     * @param string $what shape, chart or page that it is about
     */
    public function __construct(public UpdateKind $kind, public int $slide, public string $what, public string $says) {}

    /** `Slide 2: Jul: value label: moved or resized` */
    public function line(): string
    {
        $where = 0 === $this->slide ? 'The deck' : "Slide $this->slide";

        return implode(': ', array_filter([$where, $this->what, $this->says]));
    }
}
