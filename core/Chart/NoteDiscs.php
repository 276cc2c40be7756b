<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Scene\Box;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Workings\RowNote;

/** Numbered discs that tie notes to the marks of their rows, where nothing is in their way. */
final readonly class NoteDiscs
{
    private const RADIUS = 8.0;
    private const GAP = 3.0;
    private const STEP = 4.0;
    /** Which of a row's marks a note is about, the likeliest first. */
    private const MARKS = [
        'variance',
        'change',
        'gap',
        'value',
        'value-cut',
        'used',
        'used-cut',
        'point',
        'reference',
    ];

    /** @param list<RowNote> $notes */
    public static function draw(Board $board, array $notes, bool $isLying): void
    {
        foreach ($notes as $note) {
            $box = $board->maybeBox($note->row, self::MARKS);
            [$x, $y] =
                null === $box
                    ? [Board::MARGIN + self::RADIUS, $board->bottom() + self::RADIUS + self::GAP]
                    : self::place($board, $box, $isLying);
            $board->add(
                'notes',
                new Circle(
                    $x,
                    $y,
                    self::RADIUS,
                    Ink::Accent->value,
                    role: 'note',
                    key: $note->row,
                    of: (string) $note->number,
                ),
            );
            $board->addBehind(
                'notes',
                Board::text(
                    $x,
                    $y + 3.8,
                    (string) $note->number,
                    'middle',
                    Ink::Panel,
                    Type::LABEL,
                    600,
                    'note-number',
                    $note->row,
                ),
            );
        }
    }

    /** @return array{float, float} beside the mark, else along its band, else below all */
    private static function place(Board $board, Box $box, bool $isLying): array
    {
        $away = self::RADIUS + self::GAP;
        [$x, $y] = [($box->left + $box->right) / 2, ($box->top + $box->bottom) / 2];
        $near = [
            [$box->right + $away, $box->top + self::RADIUS],
            [$box->left - $away, $box->top + self::RADIUS],
            [$box->right + $away, $box->bottom - self::RADIUS],
            [$box->left - $away, $box->bottom - self::RADIUS],
        ];
        $far = $isLying
            ? max($board->width - $box->right, $box->left)
            : max($board->bottom() - $box->bottom, $box->top);
        for ($by = $away; $by < $far; $by += self::STEP) {
            array_push(
                $near,
                ...$isLying
                    ? [[$box->right + $by, $y], [$box->left - $by, $y]]
                    : [[$x, $box->top - $by], [$x, $box->bottom + $by]],
            );
        }
        foreach ($near as [$left, $top]) {
            if (
                $board->hasRoom(
                    new Box($left - self::RADIUS, $top - self::RADIUS, $left + self::RADIUS, $top + self::RADIUS),
                )
            ) {
                return [$left, $top];
            }
        }

        return [
            max(Board::MARGIN + self::RADIUS, min($board->width - Board::MARGIN - self::RADIUS, $x)),
            $board->bottom() + $away,
        ];
    }
}
