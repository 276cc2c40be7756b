<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Picture;

use KeenMargin\Core\Render\Renderer;
use KeenMargin\Core\Scene\Scene;

/**
 * A scene as PNG on white, so many pixels a point. Drawn finer than needed, strip by strip, and then made smaller: that
 * is what smooths its edges.
 */
final readonly class PngRenderer implements Renderer
{
    /** How many times finer it is drawn, by pixels a point. */
    private const FINER = [1 => 4, 2 => 3, 3 => 2];
    /** Height of a strip in points: small in memory, whole steps of the hatch. */
    private const STRIP = 100;

    /** @param int<1, 3> $scale pixels a point */
    public function __construct(private string $fonts, private int $scale = 1)
    {
    }

    public function scaled(int $scale): self
    {
        return new self($this->fonts, max(1, min(3, $scale)));
    }

    public function format(): string
    {
        return 'png';
    }

    public function render(Scene $scene): string
    {
        $finer = self::FINER[$this->scale];
        [$width, $height] = [self::pixels($scene->width * $this->scale), self::pixels($scene->height * $this->scale)];
        $picture = imagecreatetruecolor($width, $height);
        for ($top = 0; $top < $scene->height; $top += self::STRIP) {
            $canvas = new StripSurface($scene, $this->fonts, (float) $top, self::STRIP, $this->scale * $finer);
            ScenePainter::paint($scene, $canvas);
            $high = min(self::STRIP * $this->scale, $height - $top * $this->scale);
            if ($high > 0) {
                imagecopyresampled(
                    $picture,
                    $canvas->image,
                    0,
                    $top * $this->scale,
                    0,
                    0,
                    $width,
                    $high,
                    $width * $finer,
                    $high * $finer,
                );
            }
        }
        imageresolution($picture, 96 * $this->scale, 96 * $this->scale);
        ob_start();
        imagepng($picture, null, 7);

        return (string) ob_get_clean();
    }

    /** @return int<1, max> */
    private static function pixels(float $length): int
    {
        return max(1, (int) ceil($length - 0.001));
    }
}
