<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Text;

use KeenMargin\Core\Figures\Scenario;

/** The words by which files call scenarios. */
final class ScenarioWords
{
    private const WORDS = [
        'AC' => ['ac', 'act', 'actual', 'actuals', 'ist'],
        'BU' => ['bu', 'bud', 'budget', 'budgeted', 'plan', 'planned', 'pl', 'soll'],
        'FC' => ['fc', 'fcst', 'forecast', 'outlook', 'prognose'],
        'TG' => ['tg', 'target', 'targets', 'ziel'],
        'PY' => ['py', 'prior year', 'previous year', 'last year', 'vorjahr', 'ly'],
    ];

    public static function maybe(string $text): ?Scenario
    {
        $text = mb_strtolower(trim($text));
        foreach (self::WORDS as $code => $words) {
            if (\in_array($text, $words, true)) {
                return Scenario::from($code);
            }
        }

        return null;
    }

    /** A scenario within a column's name, and what is left of the name: `Fuel cost, budget` is BU and `Fuel cost`. */
    public static function maybeWithin(string $header): ?ScenarioInName
    {
        $text = mb_strtolower($header);
        foreach (self::WORDS as $code => $words) {
            usort($words, static fn (string $a, string $b): int => \strlen($b) <=> \strlen($a));
            foreach ($words as $word) {
                if (
                    1 ===
                    preg_match(
                        '/(?<![\pL\d])'.preg_quote($word, '/').'(?![\pL\d])/u', $text, $match, \PREG_OFFSET_CAPTURE,
                    )
                ) {
                    $rest =
                        substr($header, 0, $match[0][1]).
                        ' '.
                        substr($header, $match[0][1] + \strlen($match[0][0]));

                    return new ScenarioInName(
                        Scenario::from($code),
                        trim((string) preg_replace(['/\(\s*\)|\[\s*\]/', '/\s+/'], [' ', ' '], $rest), " \t-–_,:;/|"),
                    );
                }
            }
        }

        return null;
    }
}
