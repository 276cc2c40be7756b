<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Question\Message;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Workings\RowNote;

/** What the reader wrote: the message above the title, notes and a footnote below the chart. */
final readonly class Words
{
    private const MESSAGE = 21.0;
    private const LINE = 15.0;
    private const INDENT = 20.0;

    /** @return float the y below it */
    public static function message(Board $board, ?Message $message): float
    {
        $y = 0.0;
        foreach (
            null === $message
                ? []
                : TextMeasure::lines($message->text, $board->width - 2 * Board::MARGIN, Type::MESSAGE, 600) as $line
        ) {
            $y += self::MESSAGE;
            $board->write(
                'title',
                Board::text(Board::MARGIN, $y - 4.0, $line, size: Type::MESSAGE, weight: 600, role: 'message'),
            );
        }

        return 0.0 === $y ? 0.0 : $y + 5.0;
    }

    /** @param list<RowNote> $notes */
    public static function below(Board $board, array $notes, ?string $footnote): void
    {
        $y = $board->bottom() + self::LINE + 6.0;
        foreach ($notes as $note) {
            $board->write(
                'words',
                Board::text(
                    Board::MARGIN,
                    $y,
                    (string) $note->number,
                    weight: 600,
                    ink: Ink::Accent,
                    role: 'note-text',
                ),
            );
            $y = self::lines($board, $note->text, Ink::Ink, self::INDENT, 'note-text', $y);
        }
        if (null !== $footnote) {
            self::lines($board, $footnote, Ink::Quiet, 0.0, 'footnote', [] === $notes ? $y : $y + 4.0);
        }
    }

    private static function lines(Board $board, string $text, Ink $ink, float $indent, string $role, float $y): float
    {
        foreach (preg_split('/\R/u', $text) ?: [] as $paragraph) {
            foreach (
                TextMeasure::lines(trim($paragraph), $board->width - 2 * Board::MARGIN - $indent, Type::LABEL) as $line
            ) {
                '' === $line
                    || $board->write('words', Board::text(Board::MARGIN + $indent, $y, $line, ink: $ink, role: $role));
                $y += self::LINE;
            }
        }

        return $y;
    }
}
