<?php

declare(strict_types=1);

namespace KeenMargin\Tools\format;

/** Tokens that may stand on one line: a bracket with what is in it, or a statement, an argument, an arm of a match. */
final readonly class Region
{
    public function __construct(public int $first, public int $last, public bool $isBracket) {}
}
