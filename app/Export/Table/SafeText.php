<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Table;

/**
 * Text that a program would run as a formula stands behind an apostrophe, as does text that begins with one before such
 * a sign.
 */
final class SafeText
{
    public static function of(string $text): string
    {
        return 1 === preg_match('/^\'*[=+\-@\t\r]/', $text) ? "'".$text : $text;
    }
}
