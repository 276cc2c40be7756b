<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Part;

/** Rows and numbers of the workings that are sums over others, and no period or member. */
enum SumKey: string
{
    /** members that are not shown one by one */
    case Other = 'other';
    case Total = 'total';
    /** of the closed periods of the closing period's fiscal year */
    case ToDate = 'toDate';
    /** where that year will end */
    case Landing = 'landing';
    /** the total that a waterfall starts from */
    case Start = 'start';
    /** the total that it ends at */
    case End = 'end';
    /** a total between the two, of a scenario */
    case Through = 'through';
    /** the running total after a step */
    case Subtotal = 'subtotal';
    /** what the steps do not account for */
    case Unexplained = 'unexplained';
    /** what figures that only one side has move it by */
    case OneSided = 'one-sided';
    /** drivers of a value */
    case Volume = 'volume';
    case Mix = 'mix';
    case Rate = 'rate';
    case Currency = 'currency';
    case New = 'new';
    case Gone = 'gone';

    /** Whether recipes write it by its word alone; others are written as objects, so that members may bear the word. */
    public function isPlain(): bool
    {
        return \in_array($this, [self::Other, self::Total, self::ToDate, self::Landing], true);
    }

    /** The sum that recipes mean by a word alone; null: none. */
    public static function maybePlain(string $word): ?self
    {
        $sum = self::tryFrom($word);

        return true === $sum?->isPlain() ? $sum : null;
    }
}
