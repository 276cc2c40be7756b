<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading;

/** Finds what separates the cells of a text table. */
final class Delimiter
{
    private const USUAL = ["\t", ';', ',', '|'];

    /**
     * The one that cuts the first lines into the most cells, equally many in each; where none cuts, a comma.
     *
     * @param string $text the beginning is enough
     *
     * @return non-empty-string
     */
    public static function infer(string $text): string
    {
        $best = [',', 0.0];
        foreach (self::USUAL as $delimiter) {
            $counts = [];
            foreach (CsvRows::of(substr($text, 0, 64_000), $delimiter) as $cells) {
                if ('' !== trim(implode('', $cells))) {
                    $counts[] = \count($cells);
                }
                if (\count($counts) >= 20) {
                    break;
                }
            }
            $counts = \count($counts) > 2 && \strlen($text) > 64_000 ? \array_slice($counts, 0, -1) : $counts;
            $cells = $counts[0] ?? 1;
            $alike = \count(array_keys($counts, $cells, true)) / max(1, \count($counts));
            $score = $cells > 1 ? $alike * $alike * log($cells) : 0.0;
            if ($score > $best[1]) {
                $best = [$delimiter, $score];
            }
        }

        return $best[0];
    }
}
