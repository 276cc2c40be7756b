<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Part;

/** Two members of one breakdown that are compared with each other. */
final readonly class Between
{
    public function __construct(public string $field, public string $first, public string $second) {}
}
