<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Layout;

use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Report\Text\Paragraph;
use KeenMargin\Core\Report\Text\TextRun;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Scene\TextMeasure;

/** Breaks paragraphs into lines of texts, each of one weight. */
final class TextLayout
{
    /** Of an entry of a list. */
    public const INDENT = 12.0;
    private const ENTRY_AFTER_ENTRY = 0.35;
    private const BULLET = 1.6;

    /** @var list<Mark> */
    private array $marks = [];
    private float $x;
    private float $y;

    /**
     * @param string $key that marks of numbers bear, followed by which of the text's numbers they are
     * @param list<int> $stale which numbers have changed since the text was written
     */
    private function __construct(
        private readonly PlacedText $text,
        private readonly string $key,
        private readonly array $stale,
    ) {
        $this->x = $text->left;
        $this->y = $text->top;
    }

    /**
     * @param string $key that marks of numbers bear, followed by which of the text's numbers they are
     * @param list<int> $stale which numbers have changed since the text was written
     */
    public static function of(PlacedText $text, string $key = '', array $stale = []): LaidText
    {
        $layout = new self($text, $key, $stale);
        $wasEntry = false;
        foreach ($text->paragraphs as $i => $paragraph) {
            $layout->y += 0 === $i ? 0.0 : self::above($paragraph, $wasEntry) * $text->between;
            $layout->paragraph($paragraph);
            $wasEntry = $paragraph->isEntry;
        }

        return new LaidText($layout->marks, $layout->y - $text->top, [$text]);
    }

    /** Parts of what is left between paragraphs above one of them: entries of one list stand close to one another. */
    public static function above(Paragraph $paragraph, bool $followsEntry): float
    {
        return $followsEntry && $paragraph->isEntry ? self::ENTRY_AFTER_ENTRY : 1.0;
    }

    private function paragraph(Paragraph $paragraph): void
    {
        $indent = $paragraph->isEntry ? self::INDENT : 0.0;
        $this->x = $this->text->left + $indent;
        $this->y += $this->text->line;
        if ($paragraph->isEntry) {
            $this->marks[] = new Circle(
                x: $this->text->left + 4.0,
                y: $this->y - 0.34 * $this->text->size,
                radius: self::BULLET,
                fill: Ink::Quiet->value,
                role: 'entry',
            );
        }
        foreach ($paragraph->runs as $run) {
            $this->run($run, $this->text->left + $indent);
        }
    }

    /** Words of a run, each line of them as one text; a number is not broken. */
    private function run(TextRun $run, float $start): void
    {
        $weight = $run->isStrong ? 600 : $this->text->weight;
        $pieces =
            null === $run->number
                ? preg_split('/(?<= )(?! )/u', $run->text, -1, \PREG_SPLIT_NO_EMPTY) ?: []
                : [$run->text];
        $line = '';
        foreach ($pieces as $piece) {
            $needed = TextMeasure::width($line.rtrim($piece), $this->text->size, $weight);
            $right = $this->text->left + $this->text->width;
            if ($this->x + $needed > $right && $this->x + ('' === $line ? 0.0 : 1.0) > $start) {
                $this->write($line, $weight, $run);
                $this->x = $start;
                $this->y += $this->text->line;
                $line = '';
                $piece = ltrim($piece);
            }
            foreach ($this->fitting($piece, $weight) as $i => $part) {
                if ($i > 0) {
                    $this->write($line, $weight, $run);
                    $this->x = $start;
                    $this->y += $this->text->line;
                    $line = '';
                }
                $line .= $part;
            }
        }
        $this->write($line, $weight, $run);
    }

    /**
     * A word that is wider than a line, cut within.
     *
     * @param 400|500|600 $weight
     *
     * @return non-empty-list<string>
     */
    private function fitting(string $piece, int $weight): array
    {
        return TextMeasure::width(rtrim($piece), $this->text->size, $weight) <= $this->text->width
            ? [$piece]
            : TextMeasure::lines($piece, $this->text->width - self::INDENT, $this->text->size, $weight);
    }

    /** @param 400|500|600 $weight */
    private function write(string $text, int $weight, TextRun $run): void
    {
        if ('' === $text) {
            return;
        }
        $width = TextMeasure::width($text, $this->text->size, $weight);
        $isStale = null !== $run->number && \in_array($run->number, $this->stale, true);
        $this->marks[] = new Text(
            x: $this->x,
            y: $this->y,
            text: $text,
            size: $this->text->size,
            fill: $this->text->ink->value,
            width: $width,
            weight: $weight,
            role: null === $run->number ? 'text' : ($isStale ? 'stale-number' : 'live-number'),
            key: null === $run->number ? null : "{$this->key}:{$run->number}",
        );
        $this->x += $width;
    }
}
