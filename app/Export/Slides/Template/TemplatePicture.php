<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Template;

use KeenMargin\App\Export\Slides\Given\OldDeck;
use KeenMargin\App\Export\Slides\Given\OldShape;
use KeenMargin\App\Export\Slides\Given\OldSlide;
use KeenMargin\App\Export\Slides\Package\OpenedPackage;
use KeenMargin\App\Export\Slides\Package\Xml;
use KeenMargin\App\Export\Slides\Shape\SlideFrame;

/**
 * What a slide of a template looks like, roughly: what stands on its master and layout, where the message and charts
 * go, and a few bars in the colours of their roles.
 */
final class TemplatePicture
{
    private const MOST_SHAPES = 5_000;
    /** Where a picture is. */
    private const PICTURE = '#D9D9D9';
    private const UNKNOWN = '#888888';
    private const BARS = [0.42, 0.5, 0.47, 0.62, 0.7];

    public static function svg(Template $template): string
    {
        $package = OpenedPackage::open($template->path);
        $deck = OldDeck::of($package);
        [$width, $height] = $deck->size();
        $parts = [
            ...\array_slice($deck->allRelated($template->layout->part, 'slideMaster'), 0, 1),
            $template->layout->part,
        ];
        $drawn = '';
        foreach ($parts as $part) {
            foreach (OldSlide::read($package->xml($part), $part, self::MOST_SHAPES)->all() as $shape) {
                $drawn .= self::decoration($shape, $template);
            }
        }
        $colours = array_map(
            static fn (string $slot): string => $template->colours->colours[$slot] ?? self::UNKNOWN,
            $template->roles,
        );
        $colour = static fn (string $role): string => $colours[$role] ?? self::UNKNOWN;

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 $width $height\" role=\"img\" aria-label=\"".
            'A slide of the template">'.
            self::rect(new SlideFrame(0.0, 0.0, $width, $height), $colour('panel')).
            $drawn.
            self::line($template->layout->title, $colour('ink')).
            self::chart($template->layout->body, $colour).
            '</svg>';
    }

    /** What stands there on every slide: filled shapes, and where pictures are. */
    private static function decoration(OldShape $shape, Template $template): string
    {
        if (null === $shape->frame || null !== $shape->maybePlaceholder() || $shape->isGroup()) {
            return '';
        }
        if ('pic' === $shape->kind) {
            return self::rect($shape->frame, self::PICTURE);
        }
        $isTold = 1 === preg_match('~<(?:\w+:)?(?:schemeClr|srgbClr)\b[^>]*>~', $shape->fill(), $found);
        $told = $isTold ? Xml::attribute($found[0], 'val') : '';
        $own = 1 === preg_match('/^[0-9A-Fa-f]{6}$/', $told) ? "#$told" : null;
        $colour = $template->colours->colours[$told] ?? $own;

        return null === $colour ? '' : self::rect($shape->frame, $colour);
    }

    /** @param callable(string): string $colour of a role */
    private static function chart(SlideFrame $body, callable $colour): string
    {
        $drawn = '';
        $step = $body->width / (\count(self::BARS) + 1);
        $base = $body->top + 0.85 * $body->height;
        foreach (self::BARS as $i => $share) {
            $length = $share * $body->height;
            $left = $body->left + ($i + 0.6) * $step;
            $drawn .= self::rect(new SlideFrame($left, $base - $length, 0.5 * $step, $length), $colour('ink'));
            $role = 0 === $i % 2 ? 'favourable' : 'unfavourable';
            $drawn .= self::rect(
                new SlideFrame(
                    $left, $body->top + 0.04 * $body->height, 0.5 * $step, 0.05 * $body->height,
                ), $colour($role),
            );
        }
        $line = new SlideFrame($body->left + 3.45 * $step, $body->top, 0.02 * $step, $body->height);

        return $drawn.self::rect($line, $colour('accent')).
            self::rect(new SlideFrame($body->left, $base, $body->width, 1.5), $colour('ink')).
            self::rect(new SlideFrame($body->left, $base + 8.0, $body->width, 14.0), $colour('pale'));
    }

    private static function line(SlideFrame $title, string $colour): string
    {
        $height = min(22.0, 0.5 * $title->height);

        return self::rect(
            new SlideFrame($title->left, $title->top + ($title->height - $height) / 2.0, 0.55 * $title->width, $height),
            $colour,
        );
    }

    private static function rect(SlideFrame $frame, string $colour): string
    {
        return '<rect x="'.round($frame->left, 1).'" y="'.round($frame->top, 1).'" width="'.
            max(0.0, round($frame->width, 1)).'" height="'.max(0.0, round($frame->height, 1))."\" fill=\"$colour\"/>";
    }
}
