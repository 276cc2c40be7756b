<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Frame;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Question\Finish\Message;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Workings\Result\RowNote;

/** What the reader wrote: the message above the title, notes and a footnote below the chart. */
final readonly class Words
{
    private const MESSAGE = 21.0;
    private const LINE = 15.0;
    private const INDENT = 20.0;
    private const ABOVE = 6.0;
    private const ABOVE_FOOTNOTE = 4.0;

    /** @return float the y below it */
    public static function message(Canvas $canvas, ?Message $message): float
    {
        $y = 0.0;
        foreach (
            null === $message
                ? []
                : TextMeasure::lines($message->text, $canvas->width - 2 * Canvas::MARGIN, Type::MESSAGE, 600) as $line
        ) {
            $y += self::MESSAGE;
            $canvas->write(
                'title',
                Canvas::text(Canvas::MARGIN, $y - 4.0, $line, size: Type::MESSAGE, weight: 600, role: 'message'),
            );
        }

        return 0.0 === $y ? 0.0 : $y + 5.0;
    }

    /**
     * How far notes and a footnote reach below what stands over them.
     *
     * @param list<RowNote> $notes
     */
    public static function height(float $width, array $notes, ?string $footnote): float
    {
        $lines = 0;
        $room = $width - 2 * Canvas::MARGIN;
        foreach ($notes as $note) {
            $lines += \count(self::wrapped($note->text, $room - self::INDENT));
        }
        $lines += null === $footnote ? 0 : \count(self::wrapped($footnote, $room));
        $between = [] === $notes || null === $footnote ? 0.0 : self::ABOVE_FOOTNOTE;

        return 0 === $lines ? 0.0 : self::ABOVE + self::LINE * $lines + $between + 0.22 * Type::LABEL;
    }

    /** @param list<RowNote> $notes */
    public static function below(Canvas $canvas, array $notes, ?string $footnote): void
    {
        $y = $canvas->bottom() + self::LINE + self::ABOVE;
        foreach ($notes as $note) {
            $canvas->write(
                'words',
                Canvas::text(
                    Canvas::MARGIN, $y, (string) $note->number, weight: 600, ink: Ink::Accent, role: 'note-text',
                ),
            );
            $y = self::lines(
                canvas: $canvas, text: $note->text, ink: Ink::Ink, indent: self::INDENT, role: 'note-text', y: $y,
            );
        }
        if (null !== $footnote) {
            self::lines(
                canvas: $canvas,
                text: $footnote,
                ink: Ink::Quiet,
                indent: 0.0,
                role: 'footnote',
                y: [] === $notes ? $y : $y + self::ABOVE_FOOTNOTE,
            );
        }
    }

    private static function lines(
        Canvas $canvas,
        string $text,
        Ink $ink,
        float $indent,
        string $role,
        float $y,
    ): float {
        $x = Canvas::MARGIN + $indent;
        foreach (self::wrapped($text, $canvas->width - Canvas::MARGIN - $x) as $line) {
            '' === $line || $canvas->write('words', Canvas::text($x, $y, $line, ink: $ink, role: $role));
            $y += self::LINE;
        }

        return $y;
    }

    /** @return list<string> lines of its paragraphs */
    private static function wrapped(string $text, float $width): array
    {
        $lines = [];
        foreach (preg_split('/\R/u', $text) ?: [] as $paragraph) {
            array_push($lines, ...TextMeasure::lines(trim($paragraph), $width, Type::LABEL));
        }

        return $lines;
    }
}
