<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Frame;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Question\Message;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Workings\Result\RowNote;

/** What the reader wrote: the message above the title, notes and a footnote below the chart. */
final readonly class Words
{
    private const MESSAGE = 21.0;
    private const LINE = 15.0;
    private const INDENT = 20.0;

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

    /** @param list<RowNote> $notes */
    public static function below(Canvas $canvas, array $notes, ?string $footnote): void
    {
        $y = $canvas->bottom() + self::LINE + 6.0;
        foreach ($notes as $note) {
            $canvas->write(
                'words',
                Canvas::text(
                    Canvas::MARGIN,
                    $y,
                    (string) $note->number,
                    weight: 600,
                    ink: Ink::Accent,
                    role: 'note-text',
                ),
            );
            $y = self::lines(
                canvas: $canvas,
                text: $note->text,
                ink: Ink::Ink,
                indent: self::INDENT,
                role: 'note-text',
                y: $y,
            );
        }
        if (null !== $footnote) {
            self::lines(
                canvas: $canvas,
                text: $footnote,
                ink: Ink::Quiet,
                indent: 0.0,
                role: 'footnote',
                y: [] === $notes ? $y : $y + 4.0,
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
        $width = $canvas->width - Canvas::MARGIN - $x;
        foreach (preg_split('/\R/u', $text) ?: [] as $paragraph) {
            foreach (TextMeasure::lines(trim($paragraph), $width, Type::LABEL) as $line) {
                '' === $line || $canvas->write('words', Canvas::text($x, $y, $line, ink: $ink, role: $role));
                $y += self::LINE;
            }
        }

        return $y;
    }
}
