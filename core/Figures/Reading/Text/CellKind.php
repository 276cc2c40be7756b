<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Text;

/** What a cell looks like before anything is known of its column. */
enum CellKind
{
    case Blank;
    /** `1,234.50`, `-`, `12 %` */
    case Number;
    /** `2026`, which may be a year as well as an amount */
    case Year;
    case Text;

    public static function of(string $cell): self
    {
        return match (true) {
            '' === $cell => self::Blank,
            1 === preg_match('/^(19|20|21)\d\d$/D', $cell) => self::Year,
            NumberReader::isMissing($cell),
            null !== (new NumberReader(NumberStyle::Point))->maybe($cell),
            null !== (new NumberReader(NumberStyle::Comma))->maybe($cell) => 1 === preg_match(
                '/^\d{1,2}[.\/]\d{4}$/D', $cell,
            )
                ? self::Text
                : self::Number,
            default => self::Text,
        };
    }
}
