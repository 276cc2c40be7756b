<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use KeenMargin\App\Export\Picture\DrawnText;
use KeenMargin\App\Export\Picture\FontSubset;
use KeenMargin\Core\Scene\FallbackFonts;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Scene\TextMeasure;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Letters that the type lacks are drawn by another font, as wide as they were measured, in every format. */
final class FallbackFontsTest extends TestCase
{
    private const FONTS = __DIR__.'/../../assets/fonts';

    /** @return iterable<string, array{string, string}> */
    public static function letters(): iterable
    {
        yield 'Japanese' => ['路', 'DroidSansFallback'];
        yield 'Korean' => ['한', 'DroidSansFallback'];
        yield 'Arabic' => ['ش', 'NotoSansArabic'];
        yield 'Hebrew' => ['ק', 'NotoSansHebrew'];
        yield 'Thai' => ['น', 'NotoSansThai'];
        yield 'Devanagari' => ['उ', 'NotoSansDevanagari'];
        yield 'an emoji' => ['😀', 'NotoEmoji'];
        yield 'a ship' => ['🚢', 'NotoEmoji'];
        yield 'a star' => ['★', 'NotoSansSymbols2'];
    }

    #[DataProvider('letters')]
    public function testALetterIsMeasuredAndDrawnByTheFontThatHasIt(string $letter, string $font): void
    {
        self::assertFalse(TextMeasure::isWhole($letter, 400));
        self::assertSame($font, FallbackFonts::maybeName($letter));
        $width = FallbackFonts::maybeWidth(mb_ord($letter));
        self::assertNotNull($width);
        self::assertEqualsWithDelta($width * 0.02, TextMeasure::width($letter, 20.0), 0.001);
        $two = FallbackFonts::inTwoBytes($letter);
        self::assertLessThanOrEqual(0xFFFF, mb_ord($two));
        $whole = self::drawn(self::FONTS."/fallback/$font.ttf", $two);
        self::assertNotSame(
            self::drawn(self::FONTS."/fallback/$font.ttf", "\u{E8FF}"),
            $whole,
            'not the box that stands for what a font lacks',
        );
        if (mb_ord($letter) <= 0xFFFF) {
            $part = (string) tempnam(sys_get_temp_dir(), 'keen-font');
            file_put_contents($part, FontSubset::of(self::FONTS."/fallback/$font.ttf", $letter.'a'));
            self::assertSame($whole, self::drawn($part, $letter), 'a part of the font draws it alike');
            self::assertLessThan(262_000, filesize($part));
            unlink($part);
        }
    }

    public function testArabicIsJoinedAndTurned(): void
    {
        $letters = array_column(
            DrawnText::letters(new Text(x: 0.0, y: 0.0, text: 'خط', size: 12.0, fill: 'ink', width: 40.0)), 'letter',
        );
        self::assertSame(
            ["\u{FEC2}", "\u{FEA7}"], $letters, 'the last letter first, each in the form that joins the other',
        );
    }

    public function testPicturesCarryWhatTheyNeed(): void
    {
        $folder = sys_get_temp_dir().'/keen-fallback-'.bin2hex(random_bytes(4));
        mkdir($folder);
        file_put_contents("$folder/f.csv", "Month,Route,Actual,Budget\n2026-01,日本航路 😀,90,110\n2026-01,North,10,12\n");
        file_put_contents("$folder/plain.csv", "Month,Route,Actual,Budget\n2026-01,Ærø,90,110\n2026-01,North,10,12\n");
        file_put_contents(
            "$folder/r.json", '{"keenMargin":1,"question":{"against":["BU"],"by":"Route"},"kind":"variance-tiers"}',
        );
        foreach (['f.svg', 'f.pdf', 'f.png'] as $file) {
            [$code, , $errors] = Command::keen(['draw', "$folder/r.json", "$folder/f.csv", '-o', "$folder/$file"]);
            self::assertSame(0, $code, $errors);
        }
        Command::keen(['draw', "$folder/r.json", "$folder/plain.csv", '-o', "$folder/plain.svg"]);
        $svg = (string) file_get_contents("$folder/f.svg");
        self::assertSame(2, substr_count($svg, "font-family:'IBM Plex Sans Fallback'"));
        self::assertStringNotContainsString('Fallback', (string) file_get_contents("$folder/plain.svg"));
        self::assertStringContainsString(
            '日', (string) shell_exec('pdftotext '.escapeshellarg("$folder/f.pdf").' -'), 'as real text',
        );
        array_map(unlink(...), glob("$folder/*") ?: []);
        rmdir($folder);
    }

    /** @return string the dots of a letter */
    private static function drawn(string $font, string $letter): string
    {
        $image = imagecreatetruecolor(60, 60);
        imagettftext($image, 24, 0, 10, 42, 0xFFFFFF, $font, $letter);
        ob_start();
        imagepng($image);

        return (string) ob_get_clean();
    }
}
