<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Result;

/** What a row of the workings is. */
enum RowRole: string
{
    case Row = 'row';
    /** members that are not shown one by one */
    case Other = 'other';
    /** the sum of the rows that stand in a group */
    case Group = 'group';
    /** the sum of all rows */
    case Total = 'total';
    /** where the year will end: actual to date and forecast for the rest */
    case Landing = 'landing';

    /** Whether the row counts when rows are added up. */
    public function isPart(): bool
    {
        return self::Row === $this || self::Other === $this;
    }

    /** Whether the row stands apart from the others, at their end. */
    public function isApart(): bool
    {
        return self::Total === $this || self::Landing === $this;
    }

    public function isSum(): bool
    {
        return self::Group === $this || $this->isApart();
    }
}
