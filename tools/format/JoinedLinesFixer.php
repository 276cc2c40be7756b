<?php

declare(strict_types=1);

namespace KeenMargin\Tools\format;

use PhpCsFixer\AbstractFixer;
use PhpCsFixer\FixerDefinition\CodeSample;
use PhpCsFixer\FixerDefinition\FixerDefinition;
use PhpCsFixer\FixerDefinition\FixerDefinitionInterface;
use PhpCsFixer\Tokenizer\CT;
use PhpCsFixer\Tokenizer\Token;
use PhpCsFixer\Tokenizer\Tokens;

/**
 * Puts on one line what fits into 120 columns: calls, arrays, signatures, conditions, whole statements. The outermost
 * part that fits is joined first. Parts with a block, a comment or a text of several lines stay as they are.
 *
 * What does not fit stays one argument a line; a call whose only argument is broken itself shares its brackets' lines:
 * `array_values(array_filter(` … `));`.
 */
final class JoinedLinesFixer extends AbstractFixer
{
    private const COLUMNS = 120;

    public function getName(): string
    {
        return 'KeenMargin/joined_lines';
    }

    public function getDefinition(): FixerDefinitionInterface
    {
        return new FixerDefinition(
            'What fits into 120 columns stands on one line.', [new CodeSample("<?php\nfoo(\n    1,\n    2,\n);\n")],
        );
    }

    /** Before the fixers of braces, which look at whether a signature has one line. */
    public function getPriority(): int
    {
        return 30;
    }

    public function isCandidate(Tokens $tokens): bool
    {
        return true;
    }

    protected function applyFix(\SplFileInfo $file, Tokens $tokens): void
    {
        foreach (Regions::of($tokens) as $region) {
            $this->join($tokens, $region);
        }
        $tokens->clearEmptyTokens();
        $openings = [];
        $brackets = array_filter(Regions::of($tokens), static fn (Region $region): bool => $region->isBracket);
        foreach ($brackets as $region) {
            $openings[$region->last] = $region->first;
        }
        foreach ($brackets as $region) {
            $this->hug($tokens, $region, $openings);
        }
        $tokens->clearEmptyTokens();
        foreach (Regions::of($tokens) as $region) {
            if ($region->isBracket && $this->isBroken($tokens, $region->first)) {
                $this->fill($tokens, $region);
            }
        }
    }

    private function join(Tokens $tokens, Region $region): void
    {
        $joined = '';
        $breaks = [];
        for ($i = $region->first; $i <= $region->last; ++$i) {
            $text = $tokens[$i]->getContent();
            if ($tokens[$i]->isWhitespace() && str_contains($text, "\n")) {
                $text = $this->space($tokens, $i);
                $breaks[$i] = $text;
            } elseif ($this->keepsLines($tokens, $i)) {
                return;
            } elseif (',' === $text && $this->isTrailing($tokens, $i)) {
                $breaks[$i] = '';
                $text = '';
            }
            $joined .= $text;
        }
        $after = $this->after($tokens, $region->last);
        // an empty body comes to stand on the same line
        $after .= str_ends_with($after, '{') ? '}' : '';
        $line = $this->before($tokens, $region->first).$joined.$after;
        if ([] === $breaks || mb_strlen($line) > self::COLUMNS) {
            return;
        }
        foreach ($breaks as $i => $text) {
            '' === $text ? $tokens->clearAt($i) : $tokens[$i] = new Token([\T_WHITESPACE, $text]);
        }
    }

    private function keepsLines(Tokens $tokens, int $i): bool
    {
        $isLabel = $tokens[$i]->isGivenKind([\T_CASE, \T_DEFAULT])
            && $tokens[$tokens->getNextMeaningfulToken($i) ?? 0]->equalsAny([':', [\T_CONSTANT_ENCAPSED_STRING]]);

        return $isLabel
            || $tokens[$i]->equals('{')
            || $tokens[$i]->isComment()
            || str_contains($tokens[$i]->getContent(), "\n");
    }

    /** Whether a comma is the last before a bracket on the next line. */
    private function isTrailing(Tokens $tokens, int $comma): bool
    {
        return str_contains($tokens[$comma + 1]->getContent(), "\n")
            && $tokens[$tokens->getNextMeaningfulToken($comma) ?? 0]->equalsAny(
                [')', [CT::T_ARRAY_SQUARE_BRACE_CLOSE], [CT::T_ATTRIBUTE_CLOSE]],
            );
    }

    /** What stands in place of a line's end: nothing beside brackets and before arrows, else a space. */
    private function space(Tokens $tokens, int $i): string
    {
        $before = $tokens[$tokens->getPrevMeaningfulToken($i) ?? 0]->getContent();
        $after = $tokens[$tokens->getNextMeaningfulToken($i) ?? 0]->getContent();

        return \in_array($before, ['(', '[', '#['], true) || \in_array($after, [')', ']', '->', '?->', '::', ';'], true)
            ? ''
            : ' ';
    }

    private function before(Tokens $tokens, int $i): string
    {
        $text = '';
        while (--$i >= 0) {
            $text = $tokens[$i]->getContent().$text;
            if (str_contains($text, "\n")) {
                break;
            }
        }

        return substr((string) strrchr("\n$text", "\n"), 1);
    }

    private function after(Tokens $tokens, int $i): string
    {
        $text = '';
        while (++$i < $tokens->count() && !str_contains($text, "\n")) {
            $text .= $tokens[$i]->getContent();
        }

        return explode("\n", $text)[0];
    }

    /**
     * A bracket with one argument that ends in a broken bracket of its own: both begin and end on the same lines.
     *
     * @param array<int, int> $openings where each bracket opens, by where it closes
     */
    private function hug(Tokens $tokens, Region $outer, array $openings): void
    {
        $open = $tokens[$outer->first + 1];
        if (!$open->isWhitespace() || !str_contains($open->getContent(), "\n")) {
            return;
        }
        $end = $tokens->getPrevMeaningfulToken($outer->last) ?? 0;
        $end = ',' === $tokens[$end]->getContent() ? $tokens->getPrevMeaningfulToken($end) ?? 0 : $end;
        $inner = $openings[$end] ?? null;
        if (null === $inner || $inner <= $outer->first || !$this->isBroken($tokens, $inner)) {
            return;
        }
        $head = '';
        for ($i = $outer->first + 2; $i <= $inner; ++$i) {
            $head .= $tokens[$i]->getContent();
        }
        $isCall = 1 === preg_match('/^(?:\w+: )?(?:new )?(?:static |self::|parent::|\\\\)?[\w\\\\:$>-]*[(\[]$/', $head);
        $line = $this->before($tokens, $outer->first).$tokens[$outer->first]->getContent().$head;
        if (!$isCall || mb_strlen($line) > self::COLUMNS) {
            return;
        }
        for ($i = $outer->first + 1; $i < $outer->last; ++$i) {
            if (!$tokens[$i]->isWhitespace() && str_contains($tokens[$i]->getContent(), "\n")) {
                return;
            }
        }
        for ($i = $inner + 1; $i < $end; ++$i) {
            if ($tokens[$i]->isWhitespace() && str_contains($tokens[$i]->getContent(), "\n    ")) {
                $less = (string) preg_replace('/\n {4}/', "\n", $tokens[$i]->getContent());
                $tokens[$i] = new Token([\T_WHITESPACE, $less]);
            }
        }
        $tokens->clearAt($outer->first + 1);
        for ($i = $end + 1; $i < $outer->last; ++$i) {
            $tokens->clearAt($i);
        }
    }

    /** Arguments share a line if it holds all of them; words and numbers of a list share lines. */
    private function fill(Tokens $tokens, Region $region): void
    {
        $list = BrokenList::maybe($tokens, $region);
        if (null === $list) {
            return;
        }
        $indent = \strlen((string) strrchr($tokens[$region->first + 1]->getContent(), "\n")) - 1;
        $isOneLine = $indent + $list->length <= self::COLUMNS;
        $column = $indent;
        foreach ($list->elements as $i => $length) {
            $isFirst = $i === $region->first + 2;
            if (!$isFirst && ($isOneLine || ($list->isPlain && $column + 1 + $length <= self::COLUMNS))) {
                $tokens[$i - 1] = new Token([\T_WHITESPACE, ' ']);
                $column += 1 + $length;
            } else {
                $column = $indent + $length;
            }
        }
    }

    private function isBroken(Tokens $tokens, int $open): bool
    {
        return $tokens[$open + 1]->isWhitespace() && str_contains($tokens[$open + 1]->getContent(), "\n");
    }
}
