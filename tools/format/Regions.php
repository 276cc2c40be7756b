<?php

declare(strict_types=1);

namespace KeenMargin\Tools\format;

use PhpCsFixer\Tokenizer\CT;
use PhpCsFixer\Tokenizer\Tokens;

/** Finds the regions of a file. */
final class Regions
{
    private const OPENING = [
        '(',
        '[',
        [CT::T_ARRAY_SQUARE_BRACE_OPEN],
        [CT::T_DESTRUCTURING_SQUARE_BRACE_OPEN],
        [CT::T_BRACE_CLASS_INSTANTIATION_OPEN],
        [\T_ATTRIBUTE],
    ];
    private const CLOSING = [
        ')',
        ']',
        [CT::T_ARRAY_SQUARE_BRACE_CLOSE],
        [CT::T_DESTRUCTURING_SQUARE_BRACE_CLOSE],
        [CT::T_BRACE_CLASS_INSTANTIATION_CLOSE],
        [CT::T_ATTRIBUTE_CLOSE],
    ];

    /** @return list<Region> outer before inner */
    public static function of(Tokens $tokens): array
    {
        $regions = [];
        $starts = [0];
        $opens = [];
        foreach ($tokens as $i => $token) {
            if ($token->equals('{') || $token->equalsAny(self::OPENING)) {
                if ($token->equals('{')) {
                    self::add($tokens, $regions, end($starts) ?: 0, $i - 1);
                }
                $opens[] = $i;
                $starts[] = $i + 1;
            } elseif ($token->equals('}') || $token->equalsAny(self::CLOSING)) {
                self::add($tokens, $regions, (int) array_pop($starts), $i - 1);
                $open = (int) array_pop($opens);
                if ($token->equalsAny(['}', [CT::T_ATTRIBUTE_CLOSE]])) {
                    $starts[\count($starts) - 1] = $i + 1;
                }
                if (!$token->equals('}')) {
                    $regions[] = new Region($open, $i, true);
                }
            } elseif ($token->equalsAny([',', ';', [\T_OPEN_TAG]])) {
                self::add($tokens, $regions, end($starts) ?: 0, $token->equals(';') ? $i : $i - 1);
                $starts[\count($starts) - 1] = $i + 1;
            }
        }
        usort($regions, static fn (Region $one, Region $two): int => [$one->first, -$one->last]
            <=> [$two->first, -$two->last]);

        return $regions;
    }

    /** @param list<Region> $regions */
    private static function add(Tokens $tokens, array &$regions, int $first, int $last): void
    {
        while ($first <= $last && ($tokens[$first]->isWhitespace() || $tokens[$first]->isComment())) {
            ++$first;
        }
        while ($last >= $first && $tokens[$last]->isWhitespace()) {
            --$last;
        }
        if ($first < $last) {
            $regions[] = new Region($first, $last, false);
        }
    }
}
