<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Text;

/** Month names in English, German and French, whole or cut to three letters or more. */
final class MonthWords
{
    private const NAMES = [
        ['january', 'januar', 'janvier'],
        ['february', 'februar', 'février', 'fevrier'],
        ['march', 'märz', 'maerz', 'mrz', 'mars'],
        ['april', 'avril'],
        ['may', 'mai'],
        ['june', 'juni', 'juin'],
        ['july', 'juli', 'juillet'],
        ['august', 'août', 'aout'],
        ['september', 'septembre', 'sept'],
        ['october', 'oktober', 'octobre'],
        ['november', 'novembre'],
        ['december', 'dezember', 'décembre', 'decembre'],
    ];

    /** The month's number from 1, or none where the word names no month or more than one. */
    public static function maybeNumber(string $word): ?int
    {
        $word = rtrim(mb_strtolower($word), '.');
        if (mb_strlen($word) < 3) {
            return null;
        }
        $found = [];
        foreach (self::NAMES as $i => $names) {
            foreach ($names as $name) {
                if (str_starts_with($name, $word)) {
                    $found[$i + 1] = true;
                }
            }
        }

        return 1 === \count($found) ? array_key_first($found) : null;
    }
}
