<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Shape;

use KeenMargin\Core\Notation\Ink;

/**
 * Where a shape is from and how it was written: `[keen:stand-months.k7f2q1~28cb.e13.186.11b~ink..ink~1f0a9c2e]`. It
 * stands in its description, and of single shapes also in the name, as not every program keeps descriptions. By it a
 * shape is found again in a deck that was worked on by hand, and what the hand changed is told from what it left.
 */
final readonly class Tag
{
    private const PATTERN = '/\s*\[keen:([A-Za-z0-9_-]{1,60})(?:\.([a-z0-9]{1,8}))?(?:~([^~\]]*))?(?:~([^~\]]*))?'.
        '(?:~([^~\]]*))?(?:~([^~\]]*))?\]/';
    /** Parts of a point that frames are told in: more than any program rounds to. */
    private const PER_POINT = 20;

    /**
     * @param string $block id of the block, or of the page
     * @param string $shape key of the shape within it; blank: the block itself
     * @param ?SlideFrame $frame that it was written with; null: it is a group
     * @param list<?Ink> $inks of fill, stroke and text, as they were written; null: none
     * @param string $text short hash of what it said; blank: nothing
     * @param ?SlideFrame $room of the area of a chart: where its page would have it; null: it is no such area
     */
    public function __construct(
        public string $block,
        public string $shape = '',
        public ?SlideFrame $frame = null,
        public array $inks = [],
        public string $text = '',
        public ?SlideFrame $room = null,
    ) {}

    public function written(): string
    {
        $facts = [
            null === $this->frame ? '' : self::frame($this->frame),
            implode('.', array_map(static fn (?Ink $ink): string => $ink->value ?? '', $this->inks)),
            $this->text,
            null === $this->room ? '' : self::frame($this->room),
        ];
        $key = '' === $this->shape ? $this->block : "$this->block.$this->shape";

        return '[keen:'.rtrim($key.'~'.implode('~', $facts), '~').']';
    }

    /** @param string $words what stands before it */
    public function after(string $words): string
    {
        return ltrim("$words\n".$this->written());
    }

    /** Null where the text has none. */
    public static function maybeIn(string $text): ?self
    {
        if (!str_contains($text, '[keen:') || 1 !== preg_match(self::PATTERN, $text, $found)) {
            return null;
        }
        $inks = array_map(static fn (string $ink): ?Ink => Ink::tryFrom($ink), explode('.', $found[4] ?? ''));

        return new self(
            block: $found[1],
            shape: $found[2] ?? '',
            frame: self::maybeFrame($found[3] ?? ''),
            inks: $inks,
            text: $found[5] ?? '',
            room: self::maybeFrame($found[6] ?? ''),
        );
    }

    /** A text without it. */
    public static function without(string $text): string
    {
        return trim((string) preg_replace(self::PATTERN, '', $text));
    }

    /** Six letters that stand for what a shape is. */
    public static function short(string $what): string
    {
        $letters = base_convert(substr(hash('xxh64', $what), 0, 12), 16, 36);

        return substr(str_pad($letters, 6, '0', \STR_PAD_LEFT), -6);
    }

    public static function ofText(string $text): string
    {
        return '' === $text ? '' : hash('crc32b', $text);
    }

    private static function frame(SlideFrame $frame): string
    {
        $edges = [$frame->left, $frame->top, $frame->width, $frame->height];

        return implode(
            '.',
            array_map(static function (float $edge): string {
                $whole = (int) round(self::PER_POINT * $edge);

                return ($whole < 0 ? '-' : '').dechex(abs($whole));
            }, $edges),
        );
    }

    private static function maybeFrame(string $told): ?SlideFrame
    {
        if (1 !== preg_match('/^-?[0-9a-f]{1,7}(\.-?[0-9a-f]{1,7}){3}$/', $told)) {
            return null;
        }
        $edges = array_map(
            static fn (string $edge): float => (str_starts_with($edge, '-') ? -1.0 : 1.0) *
                ((float) hexdec(ltrim($edge, '-')) / self::PER_POINT),
            explode('.', $told),
        );

        return new SlideFrame($edges[0], $edges[1], $edges[2], $edges[3]);
    }
}
