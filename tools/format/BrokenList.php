<?php

declare(strict_types=1);

namespace KeenMargin\Tools\format;

use PhpCsFixer\Tokenizer\CT;
use PhpCsFixer\Tokenizer\Tokens;

/** Arguments of a call, or elements of a list without keys, each on a line of its own. */
final readonly class BrokenList
{
    private const PLAIN = [
        ',',
        '-',
        [\T_CONSTANT_ENCAPSED_STRING],
        [\T_LNUMBER],
        [\T_DNUMBER],
        [\T_STRING],
        [\T_DOUBLE_COLON],
        [\T_WHITESPACE],
        [CT::T_CLASS_CONSTANT],
    ];
    private const KEEPS = [
        '?', '{', [\T_FN], [\T_FUNCTION], [\T_MATCH], [\T_BOOLEAN_AND], [\T_BOOLEAN_OR], [\T_COALESCE], [\T_ELLIPSIS],
    ];

    /**
     * @param array<int, int> $elements length of each with its comma, by its first token
     * @param int $length of all on one line
     * @param bool $isPlain whether there are only words, numbers and constants
     */
    private function __construct(public array $elements, public int $length, public bool $isPlain) {}

    /** @return ?self null: something in it needs a line of its own, or it is no list */
    public static function maybe(Tokens $tokens, Region $region): ?self
    {
        $isList = $tokens[$region->first]->equals([CT::T_ARRAY_SQUARE_BRACE_OPEN]);
        if (!$isList && !self::isCall($tokens, $region->first)) {
            return null;
        }
        $elements = [];
        $start = $region->first + 2;
        $depth = 0;
        $isPlain = true;
        for ($i = $region->first + 2; $i < $region->last; ++$i) {
            $token = $tokens[$i];
            $isBreak = $token->isWhitespace() && str_contains($token->getContent(), "\n");
            if ($isBreak && $tokens[$i - 1]->equals(',') && 0 === $depth) {
                $start = $i + 1;
                continue;
            }
            $keeps = $isBreak || $token->isComment() || $token->equalsAny(self::KEEPS);
            if ($keeps || (0 === $depth && $token->equals([\T_DOUBLE_ARROW]))) {
                return null;
            }
            $depth += match (true) {
                $token->equalsAny(['(', '[', [CT::T_ARRAY_SQUARE_BRACE_OPEN]]) => 1,
                $token->equalsAny([')', ']', [CT::T_ARRAY_SQUARE_BRACE_CLOSE]]) => -1,
                default => 0,
            };
            $isPlain = $isPlain && $token->equalsAny(self::PLAIN);
            $elements[$start] = ($elements[$start] ?? 0) + mb_strlen($token->getContent());
        }
        $count = \count($elements);

        return $count < 2 ? null : new self($elements, array_sum($elements) + $count - 1, $isPlain && $count > 3);
    }

    private static function isCall(Tokens $tokens, int $open): bool
    {
        $before = $tokens->getPrevMeaningfulToken($open) ?? 0;
        $isNamed = $tokens[$before]->equalsAny([[\T_STRING], [\T_VARIABLE], [\T_STATIC], ')', ']']);
        $isDeclared = $tokens[$tokens->getPrevMeaningfulToken($before) ?? 0]->equals([\T_FUNCTION]);

        return $tokens[$open]->equals('(') && $isNamed && !$isDeclared;
    }
}
