<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Document;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\PlainText;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class PlainTextTest extends TestCase
{
    #[TestWith(['North', 'North'])]
    #[TestWith(["a\tb\nc", "a\tb\nc"])]
    #[TestWith(["a\x07b\x1Bc\x00", 'abc'])]
    #[TestWith(["x\u{FFFE}\u{FFFF}\u{FDD0}\u{85}y", 'xy'])]
    #[TestWith(["pdf\u{202E}gnp.exe", 'pdf[U+202E]gnp.exe'])]
    #[TestWith(["\u{2066}a\u{2069}", '[U+2066]a[U+2069]'])]
    #[TestWith(['Ærø – Świnoujście 日本 😀', 'Ærø – Świnoujście 日本 😀'])]
    #[TestWith(["broken \xC3", 'broken ?'])]
    public function testWhatMayBeKept(string $text, string $plain): void
    {
        self::assertSame($plain, PlainText::of($text));
        self::assertSame($plain, PlainText::of($plain), 'once is enough');
    }

    public function testXmlHoldsWhatIsLeft(): void
    {
        for ($seed = 1; $seed <= 200; ++$seed) {
            mt_srand($seed);
            $text = '';
            for ($i = 0; $i < 40; ++$i) {
                $text .= mb_chr([mt_rand(0, 0x2FF), mt_rand(0xFD00, 0xFFFF), mt_rand(0x1F000, 0x1FFFF)][mt_rand(0, 2)]);
            }
            $xml = new \XMLReader();
            self::assertTrue($xml->XML('<a>'.htmlspecialchars(PlainText::xml($text), \ENT_XML1).'</a>'));
            self::assertTrue($xml->read(), "seed $seed");
            $xml->close();
        }
    }

    public function testWhatComesAsJsonIsPlain(): void
    {
        self::assertSame('ab', Given::json('"a\u0007b"')->string());
        $this->expectException(NotAccepted::class);
        Given::json('"\u0007\uFFFE"')->string();
    }
}
