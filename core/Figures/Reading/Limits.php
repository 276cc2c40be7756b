<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading;

/** How large a file may be. Stated in the documentation and in the refusal. */
final class Limits
{
    public const BYTES = 20_000_000;
    public const ROWS = 200_000;
    public const COLUMNS = 200;
    public const CELL = 500;
    public const BREAKDOWNS = 8;
    public const DIGITS = 18;
}
