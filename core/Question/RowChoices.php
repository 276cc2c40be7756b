<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question;

use KeenMargin\Core\Document\With;

/** Which rows a kind can have for a question. */
final readonly class RowChoices
{
    /**
     * @param bool $hasMembers whether rows may be members of a breakdown; else they are periods
     * @param ?string $taken a breakdown that neither rows nor panels may be of; null: any
     * @param bool $canOrder whether members may stand in another order, and the smallest be gathered
     * @param bool $isWaterfall whether rows are steps: these have subtotals, and are no running totals besides
     * @param bool $canLand whether a row may show where the fiscal year will end
     * @param bool $canBeWhole whether all may be taken together, in one row, and is where a recipe does not say
     */
    public function __construct(
        public bool $hasMembers = true,
        public ?string $taken = null,
        public bool $canLand = false,
        public bool $isWaterfall = false,
        public bool $canOrder = true,
        public bool $canBeWhole = false,
    ) {}

    /** A question whose rows are periods, with all of them together in one row; others stay as they are. */
    public static function together(Question $question): Question
    {
        return null === $question->grain() ? $question : With::of($question, ['by' => null]);
    }
}
