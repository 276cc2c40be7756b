<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Layout;

use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Report\Text\Paragraph;
use KeenMargin\Core\Report\Text\TextRun;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Scene\TextMeasure;

/** The notes of a page in its margin, each beside its number in a disc. */
final class MarginNotes
{
    private const SIZE = 11.5;
    private const LINE = 15.5;
    private const DISC = 7.5;
    private const INDENT = 22.0;
    private const BETWEEN = 9.0;

    /** @param list<PageNote> $notes */
    public static function laid(array $notes, float $left, float $top, float $width): LaidText
    {
        $marks = $texts = [];
        $y = $top;
        foreach ($notes as $note) {
            $middle = $y + 0.62 * self::LINE;
            $marks[] = new Circle(
                x: $left + self::DISC,
                y: $middle,
                radius: self::DISC,
                fill: Ink::Accent->value,
                role: 'note-disc',
                key: "note:$note->number",
            );
            $number = (string) $note->number;
            $marks[] = new Text(
                x: $left + self::DISC,
                y: $middle + 3.7,
                text: $number,
                size: Type::SMALL,
                fill: Ink::Panel->value,
                width: TextMeasure::width($number, Type::SMALL, 600),
                anchor: 'middle',
                weight: 600,
                role: 'note-number',
                key: "note:$note->number",
            );
            $text = TextLayout::of(new PlacedText(
                paragraphs: array_map(
                    static fn (string $line): Paragraph => new Paragraph([new TextRun($line)]),
                    array_values(array_filter(preg_split('/\R/u', trim($note->text)) ?: [])),
                ),
                left: $left + self::INDENT,
                top: $y,
                width: $width - self::INDENT,
                size: self::SIZE,
                line: self::LINE,
                between: 2.0,
            ));
            array_push($marks, ...$text->marks);
            array_push($texts, ...$text->texts);
            $y += $text->height + self::BETWEEN;
        }

        return new LaidText($marks, [] === $notes ? 0.0 : $y - self::BETWEEN - $top, $texts);
    }
}
