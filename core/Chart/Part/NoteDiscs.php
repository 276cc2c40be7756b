<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Scene\Box;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Workings\Result\RowNote;

/** Numbered discs that tie notes to the marks of their rows, where nothing is in their way. */
final readonly class NoteDiscs
{
    private const RADIUS = 8.0;
    private const GAP = 3.0;
    private const STEP = 4.0;
    /** Which of a row's marks a note is about, the likeliest first. */
    private const MARKS = ['variance', 'change', 'gap', 'value', 'value-cut', 'used', 'used-cut', 'point', 'reference'];

    /** @param list<RowNote> $notes */
    public static function draw(Canvas $canvas, array $notes, bool $isHorizontal): void
    {
        foreach ($notes as $note) {
            $box = $canvas->maybeBox($note->row, self::MARKS);
            [$x, $y] =
                null === $box
                    ? [Canvas::MARGIN + self::RADIUS, $canvas->bottom() + self::RADIUS + self::GAP]
                    : self::place($canvas, $box, $isHorizontal);
            $canvas->add(
                'notes',
                new Circle(
                    $x, $y, self::RADIUS, Ink::Accent->value, role: 'note', key: $note->row, of: (string) $note->number,
                ),
            );
            $canvas->addBehind(
                'notes',
                Canvas::text(
                    x: $x,
                    y: $y + 3.8,
                    text: (string) $note->number,
                    anchor: 'middle',
                    ink: Ink::Panel,
                    size: Type::LABEL,
                    weight: 600,
                    role: 'note-number',
                    key: $note->row,
                ),
            );
        }
    }

    /** @return array{float, float} beside the mark, else along its band, else below all */
    private static function place(Canvas $canvas, Box $box, bool $isHorizontal): array
    {
        $away = self::RADIUS + self::GAP;
        [$x, $y] = [($box->left + $box->right) / 2, ($box->top + $box->bottom) / 2];
        $near = [
            [$box->right + $away, $box->top + self::RADIUS],
            [$box->left - $away, $box->top + self::RADIUS],
            [$box->right + $away, $box->bottom - self::RADIUS],
            [$box->left - $away, $box->bottom - self::RADIUS],
        ];
        $far = $isHorizontal
            ? max($canvas->width - $box->right, $box->left)
            : max($canvas->bottom() - $box->bottom, $box->top);
        for ($by = $away; $by < $far; $by += self::STEP) {
            array_push(
                $near,
                ...$isHorizontal
                    ? [[$box->right + $by, $y], [$box->left - $by, $y]]
                    : [[$x, $box->top - $by], [$x, $box->bottom + $by]],
            );
        }
        foreach ($near as [$left, $top]) {
            if ($canvas->hasRoom(
                new Box($left - self::RADIUS, $top - self::RADIUS, $left + self::RADIUS, $top + self::RADIUS),
            )) {
                return [$left, $top];
            }
        }

        return [
            max(Canvas::MARGIN + self::RADIUS, min($canvas->width - Canvas::MARGIN - self::RADIUS, $x)),
            $canvas->bottom() + $away,
        ];
    }
}
