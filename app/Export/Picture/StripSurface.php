<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Picture;

use KeenMargin\Core\Notation\Hatch;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Scene\Text;

/** A strip of a scene in pixels. */
final class StripSurface implements Surface
{
    private const FACES = [
        400 => 'IBMPlexSans-Regular.ttf',
        500 => 'IBMPlexSerif-Medium.ttf',
        600 => 'IBMPlexSans-SemiBold.ttf',
    ];
    /** The library counts type at 96 dots an inch, scenes in points of one dot. */
    private const TYPE = 0.75;

    public readonly \GdImage $image;
    /** @var array<string, int> */
    private array $colours = [];
    /** @var array<string, \GdImage> */
    private array $hatches = [];

    public function __construct(
        private readonly Scene $scene,
        private readonly string $fonts,
        private readonly float $top,
        private readonly int $height,
        private readonly int $dots,
    ) {
        $this->image = imagecreatetruecolor(max(1, (int) ceil($scene->width) * $dots), max(1, $height * $dots));
        imagefill($this->image, 0, 0, $this->colour(Ink::Panel));
    }

    public function shape(array $points, ?Ink $fill, ?Ink $stroke, float $thickness, bool $isClosed): void
    {
        $ys = array_column($points, 1);
        if (!$this->shows(min($ys) - $thickness, max($ys) + $thickness)) {
            return;
        }
        if (null !== $fill) {
            $this->fill($points, $fill);
        }
        if (null === $stroke) {
            return;
        }
        foreach ($points as $i => $point) {
            $next = $points[$i + 1] ?? ($isClosed ? $points[0] : null);
            // Corners reach as far as the lines are thick.
            null === $next || $this->stroke($point, $next, $stroke, $thickness, $thickness / 2);
        }
    }

    public function line(float $x1, float $y1, float $x2, float $y2, Ink $stroke, float $thickness, array $dash): void
    {
        if (!$this->shows(min($y1, $y2) - $thickness, max($y1, $y2) + $thickness)) {
            return;
        }
        $length = hypot($x2 - $x1, $y2 - $y1);
        if ([] === $dash || 0.0 === $length) {
            $this->stroke([$x1, $y1], [$x2, $y2], $stroke, $thickness, 0.0);

            return;
        }
        $at = static fn (float $far): array => [
            $x1 + (($x2 - $x1) * $far) / $length,
            $y1 + (($y2 - $y1) * $far) / $length,
        ];
        for ($far = 0.0, $i = 0; $far < $length; ++$i) {
            $end = min($length, $far + max(0.1, $dash[$i % \count($dash)]));
            0 === $i % 2 && $this->stroke($at($far), $at($end), $stroke, $thickness, 0.0);
            $far = $end;
        }
    }

    public function circle(float $x, float $y, float $radius, Ink $fill, ?Ink $stroke, float $thickness): void
    {
        if (!$this->shows($y - $radius - $thickness, $y + $radius + $thickness)) {
            return;
        }
        $disc = fn (float $size, Ink $ink): bool => imagefilledellipse(
            $this->image,
            $this->x($x),
            $this->y($y),
            (int) round(2 * $size * $this->dots),
            (int) round(2 * $size * $this->dots),
            $this->colour($ink),
        );
        null === $stroke || $disc($radius + $thickness / 2, $stroke);
        $disc(null === $stroke ? $radius : $radius - $thickness / 2, $fill);
    }

    /** Letter by letter: the library would set some of them closer than they were measured. */
    public function text(Text $text, Ink $ink): void
    {
        if (!$this->shows($text->y - 1.2 * $text->size, $text->y + 0.5 * $text->size)) {
            return;
        }
        $own = $this->fonts.'/'.self::FACES[$text->weight];
        foreach (DrawnText::letters($text) as ['letter' => $letter, 'font' => $font, 'left' => $left]) {
            $file = null === $font ? $own : "$this->fonts/fallback/$font.ttf";
            ' ' === $letter
                || imagettftext(
                    $this->image,
                    self::TYPE * $text->size * $this->dots,
                    0.0,
                    $this->x($left),
                    $this->y($text->y),
                    $this->colour($ink),
                    $file,
                    $letter,
                );
        }
    }

    /** @param non-empty-list<array{float, float}> $points */
    private function fill(array $points, Ink $ink): void
    {
        if ($ink->isHatch()) {
            imagesettile($this->image, $this->hatches[$ink->value] ??= $this->hatch($ink));
        }
        $this->polygon($points, $ink->isHatch() ? \IMG_COLOR_TILED : $this->colour($ink));
    }

    /**
     * @param array{float, float} $from
     * @param array{float, float} $to
     */
    private function stroke(array $from, array $to, Ink $ink, float $thickness, float $beyond): void
    {
        $length = hypot($to[0] - $from[0], $to[1] - $from[1]);
        [$along, $across] =
            0.0 === $length ? [1.0, 0.0] : [($to[0] - $from[0]) / $length, ($to[1] - $from[1]) / $length];
        [$dx, $dy, $bx, $by] = [
            (-$across * $thickness) / 2,
            ($along * $thickness) / 2,
            $along * $beyond,
            $across * $beyond,
        ];
        $this->polygon(
            [
                [$from[0] + $dx - $bx, $from[1] + $dy - $by],
                [$to[0] + $dx + $bx, $to[1] + $dy + $by],
                [$to[0] - $dx + $bx, $to[1] - $dy + $by],
                [$from[0] - $dx - $bx, $from[1] - $dy - $by],
            ],
            $this->colour($ink),
        );
    }

    /** @param non-empty-list<array{float, float}> $points */
    private function polygon(array $points, int $colour): void
    {
        $dots = array_map(fn (array $point): array => [$this->x($point[0]), $this->y($point[1])], $points);
        [$xs, $ys] = [array_column($dots, 0), array_column($dots, 1)];
        // The library counts the dots of both edges as inside.
        if (4 === \count($dots) && 2 === \count(array_unique($xs)) && 2 === \count(array_unique($ys))) {
            imagefilledrectangle($this->image, min($xs), min($ys), max($xs) - 1, max($ys) - 1, $colour);
        } elseif (\count($dots) > 2) {
            imagefilledpolygon($this->image, array_merge(...$dots), $colour);
        }
    }

    private function hatch(Ink $ink): \GdImage
    {
        $size = max(1, (int) (Hatch::SIZE * $this->dots));
        $tile = imagecreatetruecolor($size, $size);
        [$paper, $line] = [$this->colour(Ink::Panel), $this->colour($ink)];
        $half = (Hatch::THICKNESS * $this->dots) / sqrt(2);
        for ($x = 0; $x < $size; ++$x) {
            for ($y = 0; $y < $size; ++$y) {
                $far = fmod($x + $y + 1.0, $size);
                imagesetpixel($tile, $x, $y, min($far, $size - $far) <= $half ? $line : $paper);
            }
        }

        return $tile;
    }

    private function colour(Ink $ink): int
    {
        return $this->colours[$ink->value] ??= (int) imagecolorallocate(
            $this->image,
            ...Rgb::of($ink->within($this->scene->colours)),
        );
    }

    private function shows(float $top, float $bottom): bool
    {
        return $bottom >= $this->top && $top <= $this->top + $this->height;
    }

    private function x(float $x): int
    {
        return (int) round($x * $this->dots);
    }

    private function y(float $y): int
    {
        return (int) round(($y - $this->top) * $this->dots);
    }
}
