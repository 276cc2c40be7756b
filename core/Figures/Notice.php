<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

/** Something that the reading of the figures found and every chart of them repeats as a check. */
final readonly class Notice
{
    public function __construct(public string $id, public bool $holds, public string $says)
    {
    }
}
