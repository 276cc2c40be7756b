<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Table;

/** An amount in a table, with every digit: a number where the format can hold it exactly, else a text. */
final readonly class ExactCell
{
    /** Workbooks keep this many digits of a number. */
    private const SURE_DIGITS = 15;

    public function __construct(public string $digits) {}

    public function fitsANumber(): bool
    {
        return \strlen(ltrim(str_replace(['-', '.'], '', $this->digits), '0')) <= self::SURE_DIGITS;
    }
}
