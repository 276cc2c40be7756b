<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Text;

/** How large a file may be. Stated in the documentation and in the refusal. */
final class Limits
{
    /** Of a text file. */
    public const BYTES = 200_000_000;
    /** Of a workbook as it comes, and of all that is packed in it. */
    public const PACKED_BYTES = 60_000_000;
    public const UNPACKED_BYTES = 600_000_000;
    public const PASTED_BYTES = 20_000_000;
    public const ROWS = 3_000_000;
    public const COLUMNS = 1000;
    /** Letters of a name: of a member, a measure, a column. */
    public const NAME = 500;
    /** Bytes of a whole row of text. */
    public const LINE = 200_000;
    public const BREAKDOWNS = 8;
    public const DIGITS = 18;
    /** Different combinations of members, scenarios and measures. */
    public const COMBINATIONS = 300_000;
    /** Rows that are refused by name; a file with more is refused as a whole. */
    public const REFUSALS = 1000;
}
