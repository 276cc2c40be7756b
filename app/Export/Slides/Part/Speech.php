<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Part;

/** What is said of one chart. */
final readonly class Speech
{
    /**
     * @param list<string> $said sentences
     * @param ?string $address of the chart; null: it has none
     */
    public function __construct(public string $title, public array $said, public ?string $address) {}
}
