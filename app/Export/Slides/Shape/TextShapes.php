<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Shape;

use KeenMargin\Core\Report\Layout\PlacedText;
use KeenMargin\Core\Report\Layout\TextLayout;
use KeenMargin\Core\Report\Text\Paragraph;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Scene\Text;

/**
 * Makes shapes of paragraphs. Where letters of another font are wider, they take no more lines than they were laid out
 * with: text that would is set a little smaller.
 */
final readonly class TextShapes
{
    private const STEP = 0.02;
    private const SMALLEST = 0.8;
    /** Marks that paragraphs stand for. */
    private const ROLES = ['text', 'live-number', 'stale-number', 'entry'];

    /** @param float $scale points of the slide for a point of the page */
    public function __construct(private float $scale) {}

    /**
     * @param non-empty-list<PlacedText> $texts of one width, from top to bottom
     * @param ?Placeholder $placeholder that they fill; null: none
     */
    public function shape(string $key, string $name, array $texts, ?Placeholder $placeholder): SlideShape
    {
        $factor = min(array_map(self::factor(...), $texts));
        $lines = [];
        $bottom = null;
        foreach ($texts as $text) {
            $gap = null === $bottom ? 0.0 : $text->top - $bottom;
            array_push($lines, ...$this->lines($text, $gap, $factor));
            $bottom = $text->top + self::height($text);
        }
        $first = $texts[0];
        // A line of a set height has what hangs below its baseline at its foot.
        $top = $first->top + TextBody::BELOW_BASELINE * $first->size;
        $frame = new SlideFrame($first->left, $top, $first->width, max($first->line, $bottom - $first->top));

        return new SlideShape(
            key: $key,
            name: $name,
            frame: $frame->scaled($this->scale),
            outline: Outline::rectangle(),
            text: new TextBody($lines, true, 'top'),
            placeholder: $placeholder,
        );
    }

    /**
     * Without those that paragraphs stand for.
     *
     * @param list<Mark> $marks
     *
     * @return list<Mark>
     */
    public static function besides(array $marks): array
    {
        return array_values(array_filter(
            $marks,
            static fn (Mark $mark): bool => !($mark instanceof Text || $mark instanceof Circle)
                || !\in_array($mark->role, self::ROLES, true),
        ));
    }

    /** @return list<TextLine> */
    private function lines(PlacedText $text, float $above, float $factor): array
    {
        $lines = [];
        $followsEntry = false;
        foreach ($text->paragraphs as $paragraph) {
            $before = [] === $lines ? $above : TextLayout::above($paragraph, $followsEntry) * $text->between;
            $lines[] = new TextLine(
                pieces: $this->pieces($paragraph, $text, $factor),
                height: $this->scale * $text->line,
                before: $this->scale * $before,
                indent: $paragraph->isEntry ? $this->scale * TextLayout::INDENT : null,
            );
            $followsEntry = $paragraph->isEntry;
        }

        return $lines;
    }

    /** @return list<TextPiece> */
    private function pieces(Paragraph $paragraph, PlacedText $text, float $factor): array
    {
        $pieces = [];
        foreach ($paragraph->runs as $run) {
            $weight = $run->isStrong ? 600 : $text->weight;
            $pieces[] = new TextPiece(
                text: $run->text,
                size: $factor * $this->scale * $text->size,
                ink: $text->ink,
                weight: $weight,
                isNumber: null !== $run->number,
            );
        }

        return $pieces;
    }

    /** How much smaller it is set, so that wider letters take no more lines. */
    private static function factor(PlacedText $text): float
    {
        $room = self::height($text) + 0.5;
        $factor = 1.0;
        while (
            $factor > self::SMALLEST && self::height($text->sized($factor * WiderLetters::WIDER * $text->size)) > $room
        ) {
            $factor -= self::STEP;
        }

        return $factor;
    }

    private static function height(PlacedText $text): float
    {
        return TextLayout::of($text)->height;
    }
}
