<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Rows;

use KeenMargin\Core\Figures\Reading\Table\Cell;
use KeenMargin\Core\Figures\Reading\Text\Limits;
use KeenMargin\Core\Figures\Reading\Text\NumberReader;
use KeenMargin\Core\Figures\Reading\Text\Refusals;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;

/**
 * Amounts that are not written as plain digits: grouped, signed behind, with a currency, missing, or no number at all.
 */
final readonly class SlowAmounts
{
    private const SHOWN = 60;

    public function __construct(
        private NumberReader $numbers,
        public Currencies $currencies,
        private Refusals $refusals,
    ) {}

    /**
     * @param list<string> $cells of the row
     *
     * @return array{int, int}|null the amount without its point, and its decimals; none where it is missing or refused
     *
     * @throws RefusedFigures
     */
    public function maybe(int $row, string $column, string $text, array $cells): ?array
    {
        $text = Cell::clean($text);
        if (NumberReader::isMissing($text)) {
            return null;
        }
        $amount = $this->numbers->maybe($text);
        $digits = $amount?->getUnscaledValue()->toString() ?? '';
        $isLong = \strlen(ltrim($digits, '-0')) > Limits::DIGITS;
        if (null === $amount || $isLong) {
            $what = match (true) {
                $isLong => 'has more than '.Limits::DIGITS.' digits',
                1 === preg_match('/^#[A-Z0-9\/!?]+$|^Err:\d+$/', $text) => 'is a formula\'s error',
                default => 'is not a number',
            };
            $shown = mb_strlen($text) > self::SHOWN ? mb_substr($text, 0, self::SHOWN).'…' : $text;
            $this->refusals->add($row, $column, "\"$shown\" $what. Mend it in the file, or leave the row out.");

            return null;
        }

        $refusal = $this->currencies->maybeRefusal($column, $text, $cells);
        if (null !== $refusal) {
            $this->refusals->add($row, $column, $refusal);

            return null;
        }

        return [(int) $digits, $amount->getScale()];
    }
}
