<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Text;

/**
 * Reads the few signs of a text: a line is a paragraph, one that begins with `- ` an entry of a list, `**` turns
 * emphasis on and off. Everything else is what it is.
 */
final class TextMarkup
{
    private const STRONG = '**';

    /**
     * @param callable(LiveNumber): string $written each number as it is shown
     *
     * @return list<Paragraph> without empty ones
     */
    public static function paragraphs(LiveText $text, callable $written): array
    {
        $paragraphs = [];
        $runs = [];
        $isStrong = false;
        $number = 0;
        foreach ($text->parts as $part) {
            if ($part instanceof LiveNumber) {
                $runs[] = new TextRun($written($part), $isStrong, $number++);
                continue;
            }
            foreach (explode("\n", str_replace(["\r\n", "\r"], "\n", $part)) as $i => $line) {
                if ($i > 0) {
                    $paragraphs[] = self::paragraph($runs);
                    [$runs, $isStrong] = [[], false];
                }
                foreach (explode(self::STRONG, $line) as $n => $piece) {
                    $isStrong = $n > 0 ? !$isStrong : $isStrong;
                    '' === $piece || ($runs[] = new TextRun($piece, $isStrong));
                }
            }
        }
        $paragraphs[] = self::paragraph($runs);

        return array_values(array_filter($paragraphs, static fn (Paragraph $one): bool => [] !== $one->runs));
    }

    /** @param list<TextRun> $runs */
    private static function paragraph(array $runs): Paragraph
    {
        $first = $runs[0] ?? null;
        if (null === $first || null !== $first->number || 1 !== preg_match('/^\s*[-•]\s+/u', $first->text, $found)) {
            return new Paragraph($runs);
        }
        $rest = substr($first->text, \strlen($found[0]));

        return new Paragraph(
            [...'' === $rest ? [] : [new TextRun($rest, $first->isStrong)], ...\array_slice($runs, 1)],
            true,
        );
    }
}
