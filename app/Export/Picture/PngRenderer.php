<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Picture;

use KeenMargin\Core\Render\Renderer;
use KeenMargin\Core\Render\SvgRenderer;
use KeenMargin\Core\Scene\Scene;

/** A scene as PNG on white, so many pixels a point: its SVG, drawn by `rsvg-convert` with the shipped fonts. */
final readonly class PngRenderer implements Renderer
{
    /** Pixels of a side that the library can draw. */
    private const MOST_PIXELS = 32_767;
    private const DOTS_PER_INCH = 96;
    private const INCH_IN_METRES = 0.0254;
    /** Bytes of a PNG's signature and of its first chunk, which tells its size. */
    private const HEAD = 33;

    /**
     * @param string $fonts folder with the fonts and a fonts.conf
     * @param int<1, 3> $scale pixels a point
     */
    public function __construct(private string $fonts, private int $scale = 1) {}

    public function scaled(int $scale): self
    {
        return new self($this->fonts, max(1, min(3, $scale)));
    }

    public function format(): string
    {
        return 'png';
    }

    /** @throws PictureNotDrawn where it is too large, or `rsvg-convert` does not answer */
    public function render(Scene $scene): string
    {
        if ($this->scale * max($scene->width, $scene->height) > self::MOST_PIXELS) {
            throw PictureNotDrawn::tooLarge(self::MOST_PIXELS);
        }

        return $this->withResolution($this->converted((new SvgRenderer())->render($scene)));
    }

    /** Through files, as both sides of a pipe could wait for each other. */
    private function converted(string $svg): string
    {
        [$input, $output, $errors] = [tmpfile(), tmpfile(), tmpfile()];
        if (false === $input || false === $output || false === $errors) {
            throw PictureNotDrawn::because('There is no room for it on the disk.');
        }
        fwrite($input, $svg);
        rewind($input);
        $pipes = [];
        $process = @proc_open(
            ['rsvg-convert', '--format=png', '--background-color=white', "--zoom=$this->scale"],
            [$input, $output, $errors],
            $pipes,
            null,
            [
                'PATH' => (string) getenv('PATH'),
                'FONTCONFIG_FILE' => "$this->fonts/fonts.conf",
                // What it learns about the fonts is kept.
                'XDG_CACHE_HOME' => \dirname($this->fonts, 2).'/var',
            ],
        );
        $code = false === $process ? 127 : proc_close($process);
        if (0 !== $code) {
            rewind($errors);
            throw PictureNotDrawn::because(
                127 === $code
                    ? 'The program rsvg-convert is not installed (Debian: librsvg2-bin).'
                    : trim((string) stream_get_contents($errors)),
            );
        }
        rewind($output);

        return (string) stream_get_contents($output);
    }

    /** So that programs show it as large as the chart is. */
    private function withResolution(string $png): string
    {
        $perMetre = (int) round((self::DOTS_PER_INCH * $this->scale) / self::INCH_IN_METRES);
        $chunk = 'pHYs'.pack('NNC', $perMetre, $perMetre, 1);

        return substr($png, 0, self::HEAD).
            pack('N', \strlen($chunk) - 4).
            $chunk.
            pack('N', crc32($chunk)).
            substr($png, self::HEAD);
    }
}
