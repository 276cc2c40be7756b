<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Text;

use Brick\Math\BigDecimal;

/**
 * Reads numbers as people write them: `1,234.50`, `(120)`, `120-`, `€ 1 234`, `12.5 %`. Every digit is kept.
 */
final readonly class NumberReader
{
    private const MISSING = ['', '-', "\u{2013}", "\u{2014}", 'n/a', 'na', 'n.a.', 'null', 'none', '.', '–'];
    /** Signs that stand for a minus: the true one, dashes, and those of other scripts. */
    private const MINUSES = ["\u{2212}", "\u{2013}", "\u{2012}", "\u{2010}", "\u{2011}", "\u{FE63}", "\u{FF0D}"];
    private const SPACES = ["\u{00A0}", "\u{202F}", "\u{2009}"];
    private const CURRENCY = '(?:[A-Z]{3}|[€$£¥]|kr\.?|Fr\.?)';

    public function __construct(private NumberStyle $style) {}

    public static function isMissing(string $text): bool
    {
        return \in_array(strtolower(trim($text)), self::MISSING, true);
    }

    /** The amount, or none where this is not a number. */
    public function maybe(string $text): ?BigDecimal
    {
        $text = trim(str_replace('’', "'", str_replace(self::SPACES, ' ', str_replace(self::MINUSES, '-', $text))));
        $negative = false;
        if (1 === preg_match('/^\((.+)\)$/', $text, $inner)) {
            $text = trim($inner[1]);
            $negative = true;
        }
        $shape =
            '/^(?<sign>[-+]?)\s*(?:'.
            self::CURRENCY.
            ')?\s*(?<inner>[-+]?)\s*(?<digits>[\d.,\' ]*\d)\s*(?:%|'.
            self::CURRENCY.
            ')?\s*(?<after>[-+]?)$/u';
        if (1 !== preg_match($shape, $text, $part)) {
            return null;
        }
        $signs = $part['sign'].$part['inner'].$part['after'];
        if (\strlen($signs) > 1 || ($negative && '' !== $signs)) {
            return null;
        }
        $plain = $this->maybePlain($part['digits']);
        if (null === $plain) {
            return null;
        }

        return BigDecimal::of(($negative || '-' === $signs ? '-' : '').$plain);
    }

    /** Digits with their groups taken out, a point before the fraction. */
    private function maybePlain(string $digits): ?string
    {
        $point = $this->style->value;
        $group = NumberStyle::Point === $this->style ? ',' : '.';
        $parts = explode($point, $digits, 2);
        $whole = $parts[0];
        $fraction = $parts[1] ?? null;
        if (null !== $fraction && 1 !== preg_match('/^\d+$/', $fraction)) {
            return null;
        }
        if (
            1 !==
                preg_match('/^(?:\d*|\d{1,3}(?:(?<by>['.preg_quote($group, '/')."' ])\d{3})(?:\k<by>\d{3})*)$/", $whole)
            || ('' === $whole && null === $fraction)
        ) {
            return null;
        }
        $whole = str_replace([$group, "'", ' '], '', $whole);

        return ('' === $whole ? '0' : $whole).(null === $fraction ? '' : '.'.$fraction);
    }
}
