<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Table;

use KeenMargin\Core\Document\PlainText;

/** The text of one cell without what nobody sees: spaces around and doubled, control characters. */
final class Cell
{
    public static function clean(string $cell): string
    {
        if ('' === $cell || 1 === preg_match('/^[\x21-\x7E]+(?: [\x21-\x7E]+)*$/D', $cell)) {
            return self::unguarded($cell);
        }

        return self::unguarded(
            PlainText::of(trim(preg_replace('/[\s\x00-\x1F\x7F\x{00A0}\x{202F}\x{FEFF}]+/u', ' ', $cell) ?? $cell)),
        );
    }

    /** Whether a cell stands behind the apostrophe that keeps its text from being run. */
    public static function isGuarded(string $cell): bool
    {
        return 1 === preg_match('/^[\s\x00]*\'+[=+\-@]/', $cell);
    }

    /** Text that a program might run as a formula is exported behind an apostrophe, which is taken off again here. */
    private static function unguarded(string $cell): string
    {
        return str_starts_with($cell, "'") && 1 === preg_match("/^'+[=+\\-@]/", $cell) ? substr($cell, 1) : $cell;
    }
}
