<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Slides;

use PHPUnit\Framework\Assert;

/** LibreOffice, with a profile of its own and the shipped fonts. */
final class Office
{
    private const FONTS = '/assets/fonts/fonts.conf';

    /** A deck as LibreOffice saves it anew. */
    public static function savedAnew(string $deck): string
    {
        return self::converted($deck, 'pptx');
    }

    /**
     * Slides as LibreOffice draws them.
     *
     * @return list<\GdImage> with 96 pixels an inch
     */
    public static function drawn(string $deck): array
    {
        $folder = self::folder();
        try {
            file_put_contents("$folder/deck.pdf", self::converted($deck, 'pdf'));
            exec(
                'pdftoppm -r 96 -png '.escapeshellarg("$folder/deck.pdf").' '.escapeshellarg("$folder/s"), $said, $code,
            );
            Assert::assertSame(0, $code, implode("\n", $said));
            $files = glob("$folder/s*.png") ?: [];
            natsort($files);

            return array_values(array_filter(array_map(imagecreatefrompng(...), $files)));
        } finally {
            exec('rm -rf '.escapeshellarg($folder));
        }
    }

    private static function converted(string $deck, string $format): string
    {
        $folder = self::folder();
        try {
            file_put_contents("$folder/deck.pptx", $deck);
            mkdir("$folder/out");
            $command = 'soffice '.escapeshellarg("-env:UserInstallation=file://$folder/profile").
                " --headless --convert-to $format --outdir ".escapeshellarg("$folder/out").' '.
                escapeshellarg("$folder/deck.pptx").' 2>&1';
            $pipes = [];
            $process = proc_open($command, [1 => ['file', "$folder/said", 'w']], $pipes, null, [
                'FONTCONFIG_FILE' => \dirname(__DIR__, 3).self::FONTS,
                'XDG_CACHE_HOME' => \dirname(__DIR__, 3).'/var',
                'HOME' => $folder,
                'PATH' => (string) getenv('PATH'),
            ]);
            Assert::assertIsResource($process);
            proc_close($process);
            $made = (string) @file_get_contents("$folder/out/deck.$format");
            Assert::assertNotSame('', $made, (string) @file_get_contents("$folder/said"));

            return $made;
        } finally {
            exec('rm -rf '.escapeshellarg($folder));
        }
    }

    private static function folder(): string
    {
        $folder = sys_get_temp_dir().'/keen-office-'.bin2hex(random_bytes(4));
        mkdir($folder);

        return $folder;
    }
}
