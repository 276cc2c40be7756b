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
    private const INDENT = 12.0;
    private const BULLET = 1.6;

    /** @var list<Mark> */
    private array $marks = [];
    private float $x;
    private float $y;

    /**
     * @param float $line height of a line
     * @param 400|500 $weight of what is not emphasised
     * @param string $key that marks of numbers bear, followed by which of the text's numbers they are
     * @param list<int> $stale which numbers have changed since the text was written
     */
    private function __construct(
        private readonly float $left,
        private readonly float $top,
        private readonly float $width,
        private readonly float $size,
        private readonly float $line,
        private readonly int $weight,
        private readonly string $key,
        private readonly array $stale,
        private readonly Ink $ink,
    ) {
        $this->x = $left;
        $this->y = $top;
    }

    /**
     * @param list<Paragraph> $paragraphs
     * @param 400|500 $weight
     * @param list<int> $stale
     */
    public static function of(
        array $paragraphs,
        float $left,
        float $top,
        float $width,
        float $size,
        float $line,
        int $weight = 400,
        string $key = '',
        array $stale = [],
        Ink $ink = Ink::Ink,
        float $between = 0.0,
    ): LaidText {
        $layout = new self(
            left: $left,
            top: $top,
            width: $width,
            size: $size,
            line: $line,
            weight: $weight,
            key: $key,
            stale: $stale,
            ink: $ink,
        );
        $wasEntry = false;
        foreach ($paragraphs as $i => $paragraph) {
            // Entries of one list stand close to one another.
            $layout->y += 0 === $i ? 0.0 : ($wasEntry && $paragraph->isEntry ? 0.35 : 1.0) * $between;
            $layout->paragraph($paragraph);
            $wasEntry = $paragraph->isEntry;
        }

        return new LaidText($layout->marks, $layout->y - $top);
    }

    private function paragraph(Paragraph $paragraph): void
    {
        $indent = $paragraph->isEntry ? self::INDENT : 0.0;
        $this->x = $this->left + $indent;
        $this->y += $this->line;
        if ($paragraph->isEntry) {
            $this->marks[] = new Circle(
                x: $this->left + 4.0,
                y: $this->y - 0.34 * $this->size,
                radius: self::BULLET,
                fill: Ink::Quiet->value,
                role: 'entry',
            );
        }
        foreach ($paragraph->runs as $run) {
            $this->run($run, $this->left + $indent);
        }
    }

    /** Words of a run, each line of them as one text; a number is not broken. */
    private function run(TextRun $run, float $start): void
    {
        $weight = $run->isStrong ? 600 : $this->weight;
        $pieces =
            null === $run->number
                ? preg_split('/(?<= )(?! )/u', $run->text, -1, \PREG_SPLIT_NO_EMPTY) ?: []
                : [$run->text];
        $line = '';
        foreach ($pieces as $piece) {
            $needed = TextMeasure::width($line.rtrim($piece), $this->size, $weight);
            if ($this->x + $needed > $this->left + $this->width && $this->x + ('' === $line ? 0.0 : 1.0) > $start) {
                $this->write($line, $weight, $run);
                $this->x = $start;
                $this->y += $this->line;
                $line = '';
                $piece = ltrim($piece);
            }
            foreach ($this->fitting($piece, $weight) as $i => $part) {
                if ($i > 0) {
                    $this->write($line, $weight, $run);
                    $this->x = $start;
                    $this->y += $this->line;
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
        return TextMeasure::width(rtrim($piece), $this->size, $weight) <= $this->width
            ? [$piece]
            : TextMeasure::lines($piece, $this->width - self::INDENT, $this->size, $weight);
    }

    /** @param 400|500|600 $weight */
    private function write(string $text, int $weight, TextRun $run): void
    {
        if ('' === $text) {
            return;
        }
        $width = TextMeasure::width($text, $this->size, $weight);
        $isStale = null !== $run->number && \in_array($run->number, $this->stale, true);
        $this->marks[] = new Text(
            x: $this->x,
            y: $this->y,
            text: $text,
            size: $this->size,
            fill: $this->ink->value,
            width: $width,
            weight: $weight,
            role: null === $run->number ? 'text' : ($isStale ? 'stale-number' : 'live-number'),
            key: null === $run->number ? null : "{$this->key}:{$run->number}",
        );
        $this->x += $width;
    }
}
