<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Render;

use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Render\FontFaces;
use KeenMargin\Core\Render\SvgRenderer;
use KeenMargin\Core\Scene\Group;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\TestCase;

final class SvgRendererTest extends TestCase
{
    private const CSV = "Month,Actual,Budget\n2026-01,5,4\n";

    public function testIsWellFormedAndCarriesTheFontsOfItsLetters(): void
    {
        $svg = (new SvgRenderer(FontFaces::folder(\dirname(__DIR__, 3).'/assets/fonts')))->render(
            Written::drawing(self::CSV, ['against' => ['BU']])->scene,
        );
        $document = new \DOMDocument();
        self::assertTrue($document->loadXML($svg));
        self::assertStringContainsString("@font-face{font-family:'IBM Plex Sans';font-weight:400", $svg);
        self::assertSame(3, substr_count($svg, '@font-face'), 'Latin in two weights, and Greek for the delta');
        self::assertStringNotContainsString('http://', str_replace('http://www.w3.org/2000/svg', '', $svg));
    }

    public function testNamesAreTextAndNeverMarkup(): void
    {
        $recipe = Written::recipe();
        $figures = Written::figures(self::CSV, [], '<script>alert("1")</script> & co.');
        $svg = (new SvgRenderer())->render(
            \KeenMargin\Core\Drawing\Drawing::of($recipe, $figures, \KeenMargin\Core\Drawing\ChartKinds::all())->scene,
        );
        self::assertStringNotContainsString('<script', $svg);
        self::assertStringContainsString('&lt;script&gt;', $svg);
    }

    public function testAnUnknownInkFailsAndNamesTheKnownOnes(): void
    {
        $this->expectExceptionMessage('There is no ink "pink"; there are ink, prior-year');
        (new SvgRenderer())->render(new Scene(10, 10, '', '', [new Group([new Rect(0, 0, 1, 1, 'pink')])]));
    }

    public function testEveryInkHasAColour(): void
    {
        foreach (Ink::cases() as $ink) {
            self::assertMatchesRegularExpression('/^#[0-9A-F]{6}$/', $ink->colour());
        }
    }

    public function testTextIsMeasuredByTheShippedFonts(): void
    {
        self::assertEqualsWithDelta(4 * 0.6 * 11, TextMeasure::width('1234', 11), 1e-9);
        self::assertEqualsWithDelta(TextMeasure::width('1234', 11), TextMeasure::width("\u{2212}123", 11), 1e-9);
        self::assertGreaterThan(TextMeasure::width('Net revenue', 11), TextMeasure::width('Net revenue', 11, 600));
    }

    public function testTooLongAWordIsCutWithin(): void
    {
        $lines = TextMeasure::lines(str_repeat('w', 80), 100, 12.5);
        self::assertSame(str_repeat('w', 80), implode('', $lines));
        foreach ($lines as $line) {
            self::assertLessThanOrEqual(100, TextMeasure::width($line, 12.5));
        }
    }
}
