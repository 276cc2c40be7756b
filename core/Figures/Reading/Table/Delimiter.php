<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Table;

use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;

/** Finds what separates the cells of a text table. */
final class Delimiter
{
    private const USUAL = ["\t", ';', ',', '|'];
    private const ROWS = 40;

    /**
     * The one that cuts the first rows into the most cells, equally many in most of them; where none cuts, a comma.
     *
     * @param resource $stream
     *
     * @return non-empty-string
     *
     * @throws RefusedFigures
     */
    public static function infer(mixed $stream): string
    {
        $best = [',', 0.0];
        foreach (self::USUAL as $delimiter) {
            $counts = [];
            foreach ((new DelimitedRows($stream, $delimiter))->rows() as $cells) {
                if ('' !== trim(implode('', $cells))) {
                    $counts[] = \count($cells);
                }
                if (\count($counts) >= self::ROWS) {
                    break;
                }
            }
            $often = array_count_values($counts);
            arsort($often);
            $cells = (int) (array_key_first($often) ?? 1);
            $alike = ($often[$cells] ?? 0) / max(1, \count($counts));
            $score = $cells > 1 ? $alike * $alike * log($cells) : 0.0;
            if ($score > $best[1]) {
                $best = [$delimiter, $score];
            }
        }

        return $best[0];
    }
}
