<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Text;

/** A piece of a text that looks the same throughout. */
final readonly class TextRun
{
    /** @param ?int $number which of the text's numbers it is, from 0; null: none */
    public function __construct(public string $text, public bool $isStrong = false, public ?int $number = null) {}
}
