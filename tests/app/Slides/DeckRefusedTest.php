<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Slides;

use KeenMargin\App\Export\Slides\Package\DeckRefused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Decks that cannot be taken are refused with a sentence, soon and without much memory. */
final class DeckRefusedTest extends TestCase
{
    private const MOST_BYTES = 256 * 1_048_576;
    private const SLIDE = 'ppt/slides/slide1.xml';

    private string $path;

    protected function setUp(): void
    {
        $this->path = (string) tempnam(sys_get_temp_dir(), 'deck');
    }

    protected function tearDown(): void
    {
        @unlink($this->path);
    }

    /** @param callable(string): mixed $spoil a sound deck, by its path */
    #[DataProvider('bad')]
    public function testItIsRefused(callable $spoil, string $says): void
    {
        static $sound = null;
        $sound ??= SampleReport::of()->deck();
        file_put_contents($this->path, $sound);
        $spoil($this->path);
        $given = hash_file('sha256', $this->path);
        memory_reset_peak_usage();
        try {
            SampleReport::of()->updated($this->path);
            self::fail('It is taken.');
        } catch (DeckRefused $e) {
            self::assertStringContainsString($says, $e->getMessage());
            self::assertStringEndsWith('.', $e->getMessage());
        }
        self::assertLessThan(self::MOST_BYTES, memory_get_peak_usage());
        self::assertSame($given, hash_file('sha256', $this->path));
    }

    /** @return array<string, array{callable(string): mixed, string}> */
    public static function bad(): array
    {
        $put = static fn (
            string $name,
            string|callable $xml,
        ): callable => static function (string $path) use ($name, $xml): void {
            $zip = new \ZipArchive();
            $zip->open($path);
            $was = (string) $zip->getFromName($name);
            $zip->addFromString($name, \is_string($xml) ? $xml : $xml($was));
            $zip->close();
        };
        $replaced = static fn (string $name, string $from, string $to): callable => $put(
            $name,
            static fn (string $xml): string => str_replace($from, $to, $xml),
        );
        $slides = static fn (callable $change): callable => static function (string $path) use ($change, $put): void {
            foreach ([1, 2, 3] as $slide) {
                $put("ppt/slides/slide$slide.xml", $change)($path);
            }
        };
        $shape = '<p:sp><p:nvSpPr><p:cNvPr id="9" name="x"/><p:cNvSpPr/><p:nvPr/></p:nvSpPr><p:spPr/></p:sp>';

        return [
            'empty' => [static fn (string $path) => file_put_contents($path, ''), 'This is not a presentation'],
            'a picture' => [static fn (string $path) => file_put_contents($path, "\x89PNG\r\n"), 'not a presentation'],
            'cut off' => [
                static fn (string $path) => file_put_contents(
                    $path, substr((string) file_get_contents($path), 0, 30_000),
                ),
                'or it is cut off',
            ],
            'protected' => [
                static fn (string $path) => file_put_contents(
                    $path, "\xD0\xCF\x11\xE0\xA1\xB1\x1A\xE1".str_repeat("\0", 600),
                ),
                'protected by a password',
            ],
            'with macros' => [
                $replaced('[Content_Types].xml', 'presentation.main+xml', 'presentation.macroEnabled.main+xml'),
                'bears macros (.pptm)',
            ],
            'no presentation' => [
                $replaced('[Content_Types].xml', 'presentationml.presentation', 'x'), 'not a presentation',
            ],
            'a linked picture' => [
                $replaced(
                    'ppt/slides/_rels/slide1.xml.rels',
                    '</Relationships>',
                    '<Relationship Id="x1" Target="http://127.0.0.1:1/x.png" TargetMode="External" '
                        .'Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/image"/>'
                        .'</Relationships>',
                ),
                'refers to files outside of it',
            ],
            'entities' => [$replaced(self::SLIDE, '?>', '?><!DOCTYPE p [<!ENTITY a "b">]>'), 'declares entities'],
            'broken XML' => [$replaced(self::SLIDE, '</p:cSld>', ''), 'cannot be read'],
            'no slide' => [$put(self::SLIDE, '<p:sld xmlns:p="x"/>'), 'cannot be read'],
            'a million shapes' => [
                $replaced(self::SLIDE, '</p:spTree>', str_repeat($shape, 400_000).'</p:spTree>'),
                'shapes, more than can be taken',
            ],
            'a bomb' => [
                $put(self::SLIDE, static fn (string $xml): string => $xml.str_repeat(' ', 60_000_000)),
                'MB of text, more than can be taken',
            ],
            'nothing of ours' => [
                $slides(static fn (string $xml): string => str_replace('[keen:', '[kept:', $xml)),
                'Nothing in this deck came from here',
            ],
            'another report' => [
                $slides(static fn (string $xml): string => (string) preg_replace('~\[keen:\w+~', '[keen:other', $xml)),
                'came from here',
            ],
        ];
    }
}
