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
    /** the total that a waterfall starts from */
    case Start = 'start';
    /** a change of the running total */
    case Step = 'step';
    /** the running total, or a total between start and end */
    case Subtotal = 'subtotal';
    /** the total that a waterfall ends at */
    case End = 'end';
    /** a step for what the others do not account for */
    case Unexplained = 'unexplained';
    /** a step for figures that only one side has, and that are not compared */
    case OneSided = 'one-sided';
    /** members that only the end has */
    case New = 'new';
    /** members that only the start has */
    case Gone = 'gone';

    /** Whether the row counts when rows are added up. */
    public function isPart(): bool
    {
        return self::Row === $this || self::Other === $this || $this->isStep();
    }

    /** Whether the row stands apart from the others, at their end. */
    public function isApart(): bool
    {
        return self::Total === $this || self::Landing === $this;
    }

    public function isSum(): bool
    {
        return self::Group === $this || $this->isWhole();
    }

    /** Whether the row is of all members. */
    public function isWhole(): bool
    {
        return match ($this) {
            self::Total, self::Landing, self::Start, self::Subtotal, self::End => true,
            default => false,
        };
    }

    /** Whether the row changes a running total; what is gathered may, too. */
    public function isStep(): bool
    {
        return match ($this) {
            self::Step, self::Unexplained, self::OneSided, self::New, self::Gone => true,
            default => false,
        };
    }
}
