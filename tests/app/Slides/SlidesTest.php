<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Slides;

use KeenMargin\App\Export\Slides\BlockShapes;
use KeenMargin\App\Export\Slides\Shape\MarkShapes;
use KeenMargin\App\Export\Slides\Shape\Node;
use KeenMargin\App\Export\Slides\Shape\Placed;
use KeenMargin\App\Export\Slides\Shape\ShapeGroup;
use KeenMargin\App\Export\Slides\Shape\SlideShape;
use KeenMargin\App\Export\Slides\Shape\WiderLetters;
use KeenMargin\App\Export\Slides\Update\NewContent;
use KeenMargin\Core\Scene\MarkBox;
use KeenMargin\Core\Scene\Placing;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Tools\ContactSheet;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A report as slides: native shapes, theme colours, order for the hand, text that holds. */
final class SlidesTest extends TestCase
{
    private static function deck(): ReadDeck
    {
        static $deck = null;

        return $deck ??= new ReadDeck(SampleReport::of()->deck());
    }

    #[DataProvider('sheets')]
    public function testThePackageKeepsItsOwnRules(string $sheet, int $width, int $height): void
    {
        $deck = new ReadDeck(SampleReport::of(sheet: $sheet)->deck());
        DeckRules::assertKept($deck);
        self::assertCount(3, $deck->slides());
        $size = ReadDeck::found($deck->part('ppt/presentation.xml'), '//p:sldSz')[0];
        self::assertSame([$width, $height], [(int) $size->getAttribute('cx'), (int) $size->getAttribute('cy')]);
    }

    /** @return array<string, array{string, int, int}> */
    public static function sheets(): array
    {
        return [
            '16:9' => ['16:9', 12_192_000, 6_858_000],
            'A4 across' => ['A4 across', 10_693_400, 7_563_353],
            'A4 upright' => ['A4 upright', 7_563_353, 10_693_400],
        ];
    }

    public function testTheSameReportIsTheSameBytes(): void
    {
        self::assertSame(hash('sha256', SampleReport::of()->deck()), hash('sha256', SampleReport::of()->deck()));
    }

    public function testNothingIsAPictureAndEveryColourIsOneOfTheTheme(): void
    {
        foreach (self::deck()->slides() as $name) {
            $path = self::deck()->part($name);
            self::assertSame([], ReadDeck::found($path, '//p:pic|//a:blip|//a:srgbClr|//a:sysClr'));
            $roles = array_unique(ReadDeck::said($path, '//a:schemeClr/@val'));
            self::assertSame([], array_diff($roles, ['tx1', 'bg1', 'bg2', 'accent1', 'accent2', 'accent3']));
        }
        $forecasts = ReadDeck::found(self::deck()->slide(1), '//a:pattFill[@prst="wdUpDiag"]');
        self::assertNotSame([], $forecasts);
        self::assertNotSame([], ReadDeck::found(self::deck()->slide(3), '//a:arcTo'));
    }

    /** A rectangle in the scene is one of the same lengths on the slide, to a hundredth of a point. */
    public function testLengthsAreExact(): void
    {
        $checked = 0;
        foreach (ContactSheet::cases() as $case) {
            foreach ($case->drawing?->scene->marks() ?? [] as $mark) {
                if ($mark instanceof Text) {
                    continue;
                }
                $scale = 842.0 / 960.0;
                $shapes = new MarkShapes(new Placing(20.0, 30.0, $scale), $scale, 'effect');
                $frame = $shapes->shape($mark)->frame;
                $box = MarkBox::of((new Placing(20.0, 30.0, $scale))->mark($mark));
                $isLine = $mark instanceof \KeenMargin\Core\Scene\Line;
                $around = $isLine ? 0.5 : 0.0;
                self::assertEqualsWithDelta($box->left + $around, $frame->left, 0.01);
                self::assertEqualsWithDelta($box->bottom - $around, $frame->top + $frame->height, 0.01);
                ++$checked;
            }
        }
        self::assertGreaterThan(5_000, $checked);
    }

    public function testShapesAreGroupedByChartAndRowWithNamesAndWords(): void
    {
        $path = self::deck()->slide(1);
        $charts = ReadDeck::found($path, '/p:sld/p:cSld/p:spTree/p:grpSp');
        $names = array_map(
            static fn (\DOMElement $one): string => ReadDeck::said($path, './p:nvGrpSpPr/p:cNvPr/@name', $one)[0],
            $charts,
        );
        self::assertCount(4, $names);
        self::assertSame('Key figures', $names[0]);
        self::assertStringContainsString('Used in thousand m, Jan–Dec 2026', $names[1]);
        $rows = ReadDeck::said($path, './p:grpSp/p:nvGrpSpPr/p:cNvPr/@name', $charts[1]);
        self::assertCount(12, $rows);
        self::assertMatchesRegularExpression('/^Jul: AC [\d,]+, ΔBU [+−\d,]+$/u', $rows[6]);
        self::assertMatchesRegularExpression('/^Sep: FC [\d,]+, ΔBU [+−\d,]+$/u', $rows[8]);
        $words = ReadDeck::said($path, './p:grpSp/p:nvGrpSpPr/p:cNvPr/@descr', $charts[1]);
        self::assertMatchesRegularExpression(
            '/^Jul 2026: AC [\d,]+, BU [\d,]+, ΔBU [+−\d,]+, ΔBU % [+−\d.]+\n/u', $words[6],
        );
        $summary = ReadDeck::said($path, './p:nvGrpSpPr/p:cNvPr/@descr', $charts[1])[0];
        self::assertStringContainsString('Used in Jan–Aug 2026: ', $summary);
        foreach (ReadDeck::said($path, '//p:sp//p:cNvPr/@descr|//p:cxnSp//p:cNvPr/@descr') as $description) {
            self::assertMatchesRegularExpression('/\[keen:[\w-]+\.[a-z0-9]+/', $description);
        }
    }

    public function testMessageTextsAndNotesAreRealParagraphsInPlaceholders(): void
    {
        $first = self::deck()->slide(1);
        $title = ReadDeck::found($first, '//p:sp[.//p:ph[@type="title"]]')[0];
        self::assertMatchesRegularExpression(
            '/^The year is [+−]\d+ m from its budget$/u', implode('', ReadDeck::said($first, './/a:t', $title)),
        );
        $notes = ReadDeck::found($first, '//p:sp[.//p:ph[@type="body" and @idx="10"]]')[0];
        self::assertSame(['A slipway', 'was repaired', 'Island Days moved'], ReadDeck::said($first, './/a:t', $notes));
        $second = self::deck()->slide(2);
        $text = ReadDeck::found($second, '//p:sp[.//p:ph[@idx="11"]]')[0];
        self::assertCount(3, ReadDeck::found($second, './/a:p', $text));
        self::assertCount(2, ReadDeck::found($second, './/a:buChar', $text));
        self::assertSame(['weight'], ReadDeck::said($second, './/a:r[a:rPr/@b="1"]/a:t', $text));
        // The title is read first, then the blocks, then the notes.
        $order = ReadDeck::said($first, '/p:sld/p:cSld/p:spTree/*[self::p:sp or self::p:grpSp]/*/p:cNvPr/@name');
        $place = static fn (string $start): int => (int) array_key_first(
            array_filter($order, static fn (string $name): bool => str_contains($name, $start)),
        );
        self::assertSame(0, $place('Message'));
        self::assertLessThan($place('Notes'), $place('Used in thousand m'));
        self::assertLessThan($place('foot'), $place('Notes'));
    }

    public function testWhatTheWorkingsSayStandsUnderTheSlide(): void
    {
        $said = ReadDeck::said(self::deck()->part('ppt/notesSlides/notesSlide1.xml'), '//a:t');
        self::assertContains('Used', $said);
        self::assertContains('Closed through Aug 2026.', $said);
        self::assertContains('Figures came with space.csv.', $said);
        self::assertNotSame([], preg_grep('/^Used in Jan–Aug 2026: /u', $said));
    }

    /** With letters that are 8 % wider, no text runs into another that it did not touch, nor off its slide. */
    public function testTextsHoldWithWiderLetters(): void
    {
        $smaller = 0;
        foreach (ContactSheet::cases() as $case) {
            if (null === $case->drawing) {
                continue;
            }
            $scene = $case->drawing->scene;
            $shapes = new MarkShapes(new Placing(0.0, 0.0), 1.0, $scene->colours);
            $nodes = BlockShapes::chart($case->drawing, $scene->marks(), $shapes);
            $group = new Placed('b', self::group($nodes));
            $fitted = WiderLetters::fitted([$group], $scene->width)[0]->node;
            $was = [...WiderLetters::texts($group->node)];
            $is = [...WiderLetters::texts($fitted)];
            foreach ($is as $i => $text) {
                $smaller += WiderLetters::box($text, 1.0) == WiderLetters::box($was[$i], 1.0) ? 0 : 1;
                $wide = WiderLetters::box($text, WiderLetters::WIDER);
                $where = "$case->kind, $case->case: {$text->text?->text()}";
                self::assertLessThanOrEqual($scene->width + 0.1, $wide->right, $where);
                self::assertGreaterThanOrEqual(-0.1, $wide->left, $where);
                for ($n = 0; $n < $i; ++$n) {
                    $touched = WiderLetters::box($was[$i], 1.0)->overlaps(WiderLetters::box($was[$n], 1.0));
                    $touches = $wide->overlaps(WiderLetters::box($is[$n], WiderLetters::WIDER));
                    self::assertTrue($touched || !$touches, "$where and {$is[$n]->text?->text()}");
                }
            }
        }
        // Most texts have room enough; the rule has to do with some.
        self::assertGreaterThan(4, $smaller);
        self::assertLessThan(60, $smaller);
    }

    public function testRowsThatHaveNoRoomAreTold(): void
    {
        $table = [
            'keenMargin' => 1,
            'kind' => 'comparison-table',
            'question' => ['measure' => 'Used', 'by' => 'month', 'against' => ['BU']],
        ];
        $report = new SampleReport([
            'keenMargin' => 1,
            'report' => 'Long',
            'sheet' => '16:9',
            'pages' => [['message' => 'All', 'rows' => [['blocks' => [['dataset' => 'Space', 'chart' => $table]]]]]],
        ]);
        $deck = new ReadDeck($report->deck(ContactSheet::table('sixty rows')));
        $more = preg_grep('/ more rows have no room on this page$/', ReadDeck::said($deck->slide(1), '//a:t')) ?: [];
        self::assertCount(1, $more);
    }

    public function testEveryMarkIsAShapeOfItsOwnKey(): void
    {
        foreach (ContactSheet::cases() as $case) {
            if (null === $case->drawing) {
                continue;
            }
            $shapes = new MarkShapes(new Placing(0.0, 0.0), 1.0, 'effect');
            $nodes = BlockShapes::chart($case->drawing, $case->drawing->scene->marks(), $shapes);
            $keys = array_map(
                static fn (SlideShape $one): string => $one->key,
                [...NewContent::leaves(self::group($nodes))],
            );
            self::assertSame([], array_diff_key($keys, array_unique($keys)), "$case->kind, $case->case");
        }
    }

    /** @param list<Node> $nodes */
    private static function group(array $nodes): ShapeGroup
    {
        return new ShapeGroup('', 'A chart', '', [] === $nodes ? self::fail('It has no marks.') : $nodes);
    }
}
