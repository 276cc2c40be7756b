<?php

declare(strict_types=1);

namespace KeenMargin\Core\Render;

use KeenMargin\Core\Notation\Hatch;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Scene\Arc;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Scene\Group;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Scene\Path;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Scene\Text;

/** Writes a scene as SVG, with its fonts inside where they are given. */
final readonly class SvgRenderer implements Renderer
{
    public function __construct(private ?FontFaces $fonts = null) {}

    public function format(): string
    {
        return 'svg';
    }

    public function render(Scene $scene): string
    {
        $hatches = [];
        $texts = [];
        foreach ($scene->marks() as $mark) {
            if ($mark instanceof Text) {
                $texts[$mark->weight] = ($texts[$mark->weight] ?? '').$mark->text;
            } elseif (
                ($mark instanceof Rect || $mark instanceof Path || $mark instanceof Arc)
                && null !== $mark->fill
                && Ink::of($mark->fill)->isHatch()
            ) {
                $hatches[$mark->fill] = Ink::of($mark->fill);
            }
        }
        $body = implode('', array_map(fn (Mark $mark): string => $this->mark($mark, $scene->colours), $scene->groups));
        [$width, $height] = [self::n($scene->width), self::n($scene->height)];
        $serif = array_intersect_key($texts, [Type::SERIF_WEIGHT => true]);
        $fonts =
            $this->fonts?->css(Type::SANS, array_diff_key($texts, $serif)).
            ([] === $serif ? '' : $this->fonts?->css(Type::SERIF, $serif));
        $family = "'".Type::SANS.FontFaces::FALLBACK."'";
        $fallback = str_contains($fonts, $family) ? "$family," : '';

        return '<svg xmlns="http://www.w3.org/2000/svg" width="'.
            $width.
            '" height="'.
            $height.
            '" viewBox="0 0 '.
            $width.
            ' '.
            $height.
            '" role="img" aria-labelledby="t d">'.
            '<title id="t">'.
            self::escape($scene->title).
            '</title><desc id="d">'.
            self::escape($scene->description).
            '</desc>'.
            '<style>'.
            $fonts.
            "text{font-family:'".
            Type::SANS.
            "',".
            $fallback.
            'sans-serif;font-kerning:none;font-variant-ligatures:none;white-space:pre}'.
            ([] === $serif ? '' : "text.serif{font-family:'".Type::SERIF."',serif}").
            '</style>'.
            ([] === $hatches
                ? ''
                : '<defs>'.
                    implode(
                        '',
                        array_map(static fn (Ink $ink): string => self::pattern($ink, $scene->colours), $hatches),
                    ).
                    '</defs>').
            $body.
            '</svg>'.
            "\n";
    }

    private function mark(Mark $mark, string $colours): string
    {
        return match (true) {
            $mark instanceof Text => '<text x="'.
                self::n($mark->x).
                '" y="'.
                self::n($mark->y).
                '" font-size="'.
                self::n($mark->size).
                '"'.
                (400 === $mark->weight ? '' : ' font-weight="'.$mark->weight.'"').
                (Type::SERIF_WEIGHT === $mark->weight ? ' class="serif"' : '').
                ('start' === $mark->anchor ? '' : ' text-anchor="'.$mark->anchor.'"').
                self::paint($colours, $mark->fill, null).
                self::data('', $mark->key).
                '>'.
                self::escape($mark->text).
                '</text>',
            $mark instanceof Group => '<g'.
                self::data($mark->role, $mark->key).
                '>'.
                implode('', array_map(fn (Mark $one): string => $this->mark($one, $colours), $mark->marks)).
                '</g>',
            $mark instanceof Rect => '<rect x="'.
                self::n($mark->x).
                '" y="'.
                self::n($mark->y).
                '" width="'.
                self::n($mark->width).
                '" height="'.
                self::n($mark->height).
                '"'.
                self::paint($colours, $mark->fill, $mark->stroke).
                self::data('', $mark->key).
                '/>',
            $mark instanceof Line => '<line x1="'.
                self::n($mark->x1).
                '" y1="'.
                self::n($mark->y1).
                '" x2="'.
                self::n($mark->x2).
                '" y2="'.
                self::n($mark->y2).
                '"'.
                self::paint($colours, null, $mark->stroke, $mark->thickness).
                (null === $mark->dash ? '' : ' stroke-dasharray="'.$mark->dash.'"').
                self::data('', $mark->key).
                '/>',
            $mark instanceof Circle => '<circle cx="'.
                self::n($mark->x).
                '" cy="'.
                self::n($mark->y).
                '" r="'.
                self::n($mark->radius).
                '"'.
                self::paint($colours, $mark->fill, $mark->stroke, $mark->thickness).
                self::data('', $mark->key).
                '/>',
            $mark instanceof Arc => $this->mark($mark->path(), $colours),
            $mark instanceof Path => '<path d="'.
                self::d($mark).
                '"'.
                self::paint($colours, $mark->fill, $mark->stroke, $mark->thickness).
                self::data('', $mark->key).
                '/>',
            default => throw new \InvalidArgumentException('A mark of class '.$mark::class.' cannot be drawn as SVG.'),
        };
    }

    private static function pattern(Ink $ink, string $colours): string
    {
        $size = self::n(Hatch::SIZE);

        return '<pattern id="'.
            $ink->value.
            '" width="'.
            $size.
            '" height="'.
            $size.
            '" patternUnits="userSpaceOnUse"><rect width="'.
            $size.
            '" height="'.
            $size.
            '" fill="'.
            Ink::Panel->colour().
            '"/><path d="'.
            Hatch::PATH.
            '" stroke="'.
            $ink->within($colours).
            '" stroke-width="'.
            self::n(Hatch::THICKNESS).
            '"/></pattern>';
    }

    private static function paint(string $colours, ?string $fill, ?string $stroke, float $thickness = 1.0): string
    {
        /** @var array<string, string> $known a scene has few inks and many marks */
        static $known = [];

        return $known["$colours $fill $stroke $thickness"] ??= self::painted($colours, $fill, $stroke, $thickness);
    }

    private static function painted(string $colours, ?string $fill, ?string $stroke, float $thickness): string
    {
        $ink = null === $fill ? null : Ink::of($fill);
        $paint =
            ' fill="'.
            (null === $ink ? 'none' : ($ink->isHatch() ? "url(#{$ink->value})" : $ink->within($colours))).
            '"';

        return null === $stroke
            ? $paint
            : $paint.
                    ' stroke="'.
                    Ink::of($stroke)->within($colours).
                    '"'.
                    (1.0 === $thickness ? '' : ' stroke-width="'.self::n($thickness).'"');
    }

    private static function d(Path $path): string
    {
        $points = array_map(
            static fn (array $point): string => self::n($point[0]).' '.self::n($point[1]),
            $path->points,
        );

        return 'M'.implode('L', $points).(null === $path->fill ? '' : 'Z');
    }

    private static function data(string $role, ?string $key): string
    {
        /** @var array<string, string> $known a row has many marks */
        static $known = [];

        return ('' === $role ? '' : ' class="'.$role.'"').
            (null === $key ? '' : ($known[$key] ??= ' data-key="'.self::escape($key).'"'));
    }

    /**
     * To a hundredth of a point; put together from whole numbers, which is several times faster than writing a float.
     */
    private static function n(float $length): string
    {
        $hundredths = (int) round($length * 100);
        $rest = abs($hundredths) % 100;
        $whole = ($hundredths < 0 ? '-' : '').intdiv(abs($hundredths), 100);

        return match (true) {
            0 === $rest => '-0' === $whole ? '0' : $whole,
            0 === $rest % 10 => $whole.'.'.intdiv($rest, 10),
            default => $whole.($rest < 10 ? '.0' : '.').$rest,
        };
    }

    private static function escape(string $text): string
    {
        if (\strlen($text) === strspn($text, '0123456789.,-+% :ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz')) {
            return $text;
        }
        $text =
            preg_replace('/[^\x{9}\x{A}\x{D}\x{20}-\x{D7FF}\x{E000}-\x{FFFD}\x{10000}-\x{10FFFF}]/u', '', $text) ??
            '';

        return htmlspecialchars($text, \ENT_QUOTES | \ENT_XML1, 'UTF-8');
    }
}
