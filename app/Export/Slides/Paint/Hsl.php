<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Paint;

/** A colour by hue (0 to 360), saturation and lightness (0 to 1). */
final readonly class Hsl
{
    private function __construct(public float $hue, public float $saturation, public float $lightness) {}

    /** @param string $colour `#rrggbb`, or the same without its sign */
    public static function of(string $colour): self
    {
        [$red, $green, $blue] = array_map(
            static fn (string $pair): float => (float) hexdec($pair) / 255.0,
            str_split(ltrim($colour, '#'), 2),
        );
        $most = max($red, $green, $blue);
        $least = min($red, $green, $blue);
        $spread = $most - $least;
        $lightness = ($most + $least) / 2.0;
        if (0.0 === $spread) {
            return new self(0.0, 0.0, $lightness);
        }
        $hue = match ($most) {
            $red => ($green - $blue) / $spread,
            $green => 2.0 + ($blue - $red) / $spread,
            default => 4.0 + ($red - $green) / $spread,
        };
        $saturation = $spread / (1.0 - abs(2.0 * $lightness - 1.0));

        return new self(fmod($hue * 60.0 + 360.0, 360.0), $saturation, $lightness);
    }
}
