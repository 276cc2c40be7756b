<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Shape;

use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Scene\Arc;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Scene\MarkBox;
use KeenMargin\Core\Scene\Path;
use KeenMargin\Core\Scene\Placing;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Scene\TextMeasure;

/** Makes shapes of marks, one by one; of texts that stand side by side one shape. */
final class MarkShapes
{
    /** Room for a line of any font, in parts of the size. */
    private const LINE = 1.6;
    private const ROOM = 2.0;
    /** Texts that begin so close to where the one before ends are one. */
    private const JOINED = 0.3;

    /** @var array<string, int> how often marks of that sort came, by what they are */
    private array $counts = [];

    /**
     * @param Placing $placing from points of the marks to points of the slide
     * @param float $scale points of the slide for a point of the marks
     * @param string $colours of the scene that they are of
     */
    public function __construct(
        private readonly Placing $placing,
        private readonly float $scale,
        private readonly string $colours,
    ) {}

    public function shape(Mark $mark): SlideShape
    {
        $placed = $this->placing->mark($mark);

        return match (true) {
            $placed instanceof Rect => $this->made(
                $placed, Outline::rectangle(), $placed->fill, $placed->stroke, $this->scale,
            ),
            $placed instanceof Circle => $this->made(
                $placed, Outline::ellipse(), $placed->fill, $placed->stroke, $placed->thickness,
            ),
            $placed instanceof Arc => $this->made(
                $placed,
                Outline::arc($placed, SlideFrame::ofBox(MarkBox::of($placed))),
                $placed->fill,
                $placed->stroke,
                $this->scale,
            ),
            $placed instanceof Path => $this->made(
                $placed,
                Outline::path($placed, SlideFrame::ofBox(MarkBox::of($placed))),
                $placed->fill,
                $placed->stroke,
                $placed->thickness,
            ),
            $placed instanceof Line => $this->line($placed),
            $placed instanceof Text => $this->text([$placed]),
            default => throw new \InvalidArgumentException('A mark of class '.$mark::class.' is no shape.'),
        };
    }

    /**
     * Texts that go on where the one before ends, as one.
     *
     * @param non-empty-list<Text> $texts
     */
    public function joined(array $texts): SlideShape
    {
        return $this->text(array_map($this->placing->text(...), $texts));
    }

    /** Whether a text goes on where another ends, or in a title a space behind it. */
    public static function goesOn(Text $before, Text $text): bool
    {
        return 'start' === $before->anchor
            && 'start' === $text->anchor
            && $before->key === $text->key
            && abs($before->y - $text->y) < 0.01
            && (abs(self::gap($before, $text)) < self::JOINED || self::isSpace($before, $text));
    }

    private static function gap(Text $before, Text $text): float
    {
        return $text->x - $before->x - $before->width;
    }

    private static function isSpace(Text $before, Text $text): bool
    {
        $space = TextMeasure::width(' ', $text->size);

        return 'title' === $before->role
            && 'title' === $text->role
            && abs(self::gap($before, $text) - $space) < self::JOINED;
    }

    private function made(
        Rect|Circle|Arc|Path $mark,
        Outline $outline,
        ?string $fill,
        ?string $stroke,
        float $thickness,
    ): SlideShape {
        return new SlideShape(
            key: $this->key($mark, $mark->role, $mark->key, $mark->of),
            name: self::name($mark->role, $mark->of),
            frame: SlideFrame::ofBox(MarkBox::of($mark)),
            outline: $outline,
            fill: null === $fill ? null : Ink::of($fill),
            stroke: null === $stroke ? null : Ink::of($stroke),
            colours: $this->colours,
            thickness: $thickness,
        );
    }

    private function line(Line $line): SlideShape
    {
        $dash = null === $line->dash ? [] : preg_split('/[\s,]+/', trim($line->dash));

        return new SlideShape(
            key: $this->key($line, $line->role, $line->key, $line->of),
            name: self::name($line->role, $line->of),
            frame: new SlideFrame(
                min($line->x1, $line->x2),
                min($line->y1, $line->y2),
                abs($line->x2 - $line->x1),
                abs($line->y2 - $line->y1),
            ),
            outline: Outline::line($line),
            stroke: Ink::of($line->stroke),
            colours: $this->colours,
            thickness: $line->thickness,
            dash: array_map(fn (string $length): float => $this->scale * (float) $length, $dash ?: []),
        );
    }

    /** @param non-empty-list<Text> $texts */
    private function text(array $texts): SlideShape
    {
        $first = $texts[0];
        $width = array_sum(array_map(static fn (Text $text): float => $text->width, $texts));
        $size = max(array_map(static fn (Text $text): float => $text->size, $texts));
        $room = WiderLetters::WIDER * $width + self::ROOM;
        $left = match ($first->anchor) {
            'start' => $first->x,
            'middle' => $first->x - $room / 2.0,
            'end' => $first->x - $room,
        };
        $bottom = $first->y + TextBody::BELOW_BASELINE * $size;
        $pieces = [];
        foreach ($texts as $i => $text) {
            $space = $i > 0 && self::isSpace($texts[$i - 1], $text) ? ' ' : '';
            $pieces[] = new TextPiece($space.$text->text, $text->size, Ink::of($text->fill), $text->weight);
        }

        return new SlideShape(
            key: $this->key($first, $first->role, $first->key, $first->of),
            name: self::name($first->role, $first->of),
            frame: new SlideFrame($left, $bottom - self::LINE * $size, $room, self::LINE * $size),
            outline: Outline::rectangle(),
            colours: $this->colours,
            text: new TextBody([new TextLine($pieces, $first->anchor)]),
        );
    }

    /** The same for the same mark of a chart, however many others there are next month. */
    private function key(Mark $mark, string $role, ?string $row, ?string $of): string
    {
        $what = implode('|', [$mark::class, $role, $row ?? '', $of ?? '']);
        $number = $this->counts[$what] = ($this->counts[$what] ?? 0) + 1;

        return Tag::short("$what|$number");
    }

    /** `value AC` */
    private static function name(string $role, ?string $of): string
    {
        $words = str_replace('-', ' ', $role);
        $named = null === $of || str_contains($words, $of) ? $words : "$words $of";

        return '' === $named ? 'mark' : $named;
    }
}
