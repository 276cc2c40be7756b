<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Slides;

use KeenMargin\App\CommandLine\FileOrigin;
use KeenMargin\App\Export\Report\ReportSlides;
use KeenMargin\App\Export\Slides\Update\DeckUpdate;
use KeenMargin\App\Export\Slides\Update\UpdateEntry;
use KeenMargin\App\Export\Slides\Update\UpdateKind;
use KeenMargin\Core\Report\Layout\ReportPages;
use PHPUnit\Framework\TestCase;

/** Decks that were worked on by hand are brought to another month without undoing that. */
final class SlideUpdateTest extends TestCase
{
    /** Units by which programs round what they save. */
    private const TOLERANCE = 8_000;

    private static function july(): string
    {
        static $deck = null;

        return $deck ??= SampleReport::of('2026-07')->deck();
    }

    private static function updated(string $deck, SampleReport $to): DeckUpdate
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'deck');
        file_put_contents($path, $deck);
        try {
            $update = $to->updated($path);
            $update->bytes();
            self::assertStringEqualsFile($path, $deck, 'The deck that was given is changed.');

            return $update;
        } finally {
            // Its bytes are needed until then.
            register_shutdown_function(static fn () => @unlink($path));
        }
    }

    /** @return list<string> */
    private static function lines(DeckUpdate $update, UpdateKind $kind): array
    {
        $ofKind = array_filter($update->entries(), static fn (UpdateEntry $one): bool => $kind === $one->kind);

        return array_values(array_map(static fn (UpdateEntry $one): string => $one->line(), $ofKind));
    }

    public function testADeckThatNobodyTouchedIsTheDeckOfNow(): void
    {
        $update = self::updated(self::july(), SampleReport::of());
        $is = new ReadDeck($update->bytes());
        $now = new ReadDeck(SampleReport::of()->deck());
        DeckRules::assertKept($is);
        foreach ([1, 2, 3] as $slide) {
            $without = static fn (array $one): array => array_diff_key($one, ['id' => 1]);
            self::assertEquals(
                array_map($without, self::sorted($now->ours($slide))),
                array_map($without, self::sorted($is->ours($slide))),
            );
        }
        self::assertSame([], self::lines($update, UpdateKind::Kept));
        self::assertNotSame([], self::lines($update, UpdateKind::Changed));
        self::assertContains(
            'Closed through Aug 2026.', ReadDeck::said($is->part('ppt/notesSlides/notesSlide1.xml'), '//a:t'),
        );
        self::assertSame([], self::updated($update->bytes(), SampleReport::of())->entries());
    }

    public function testTheSameMonthChangesNothing(): void
    {
        self::assertSame([], self::updated(self::july(), SampleReport::of('2026-07'))->entries());
    }

    /** What is promised, over random reports and random hands on their slides. */
    public function testWhatTheHandDidStays(): void
    {
        foreach (range(1, 12) as $seed) {
            mt_srand($seed);
            $sheet = ['A4 across', 'A4 upright', '16:9'][mt_rand(0, 2)];
            $less = \array_slice(['table', 'words', 'keys'], mt_rand(0, 3));
            $was = SampleReport::of(['2026-05', '2026-06', '2026-07'][mt_rand(0, 2)], $sheet)->without(...$less);
            $now = SampleReport::of(['2026-04', '2026-08'][mt_rand(0, 1)], $sheet)->without(...$less);
            $hand = new Hand($was->deck());
            self::work($hand);
            $hand->copyBlock(1, 'months', 2);
            $is = new ReadDeck(self::updated($hand->deck(), $now)->bytes());
            DeckRules::assertKept($is);
            self::assertHandStays($hand, $is, new ReadDeck($now->deck()), "seed $seed");
            foreach ($hand->added as $slide => $bytes) {
                self::assertStringContainsString($bytes, $is->parts[$is->slides()[$slide - 1]], "seed $seed");
            }
            self::assertArrayHasKey('months.area', $is->ours(2), "seed $seed");
        }
    }

    /** A month later, what the hand did before the last update still stays. */
    public function testItStaysOverSeveralMonths(): void
    {
        mt_srand(99);
        $hand = new Hand(self::july());
        self::work($hand);
        $august = self::updated($hand->deck(), SampleReport::of())->bytes();
        $september = self::updated($august, SampleReport::of('2026-06'))->bytes();
        $is = new ReadDeck($september);
        self::assertHandStays($hand, $is, new ReadDeck(SampleReport::of('2026-06')->deck()), 'twice');
    }

    public static function work(Hand $hand): void
    {
        foreach ([1, 2, 3] as $slide) {
            $keys = $hand->keys($slide);
            shuffle($keys);
            $hand->move($slide, array_pop($keys) ?? '', mt_rand(3, 30), mt_rand(-20, 20));
            $hand->delete($slide, array_pop($keys) ?? '');
            $hand->addRemark($slide);
            $filled = array_values(array_intersect($keys, $hand->filled($slide)));
            $hand->recolour($slide, $filled[mt_rand(0, \count($filled) - 1)]);
        }
        $hand->moveBlock(1, 'routes', mt_rand(5, 40), mt_rand(-30, -5));
        $hand->moveBlock(3, 'rings', mt_rand(-4, 10), mt_rand(5, 30), mt_rand(60, 85) / 100);
        $hand->reword(2, 'why.message', 'My own words');
        $hand->deleteBlock(1, 'bullets');
    }

    public static function assertHandStays(Hand $hand, ReadDeck $is, ReadDeck $now, string $where): void
    {
        foreach ([1, 2, 3] as $slide) {
            $shapes = $is->ours($slide);
            $fresh = $now->ours($slide);
            self::assertStringContainsString('<a:t>Ask Ida</a:t>', $is->parts[$is->slides()[$slide - 1]], $where);
            foreach ($shapes as $key => $shape) {
                $place = "$slide $key";
                $block = explode('.', $key)[0];
                self::assertArrayNotHasKey($place, $hand->deleted, "$where: $key came back");
                self::assertArrayNotHasKey("$slide $block", $hand->deleted, "$where: $block came back");
                if (isset($hand->coloured[$place])) {
                    self::assertStringContainsStringIgnoringCase(
                        $hand->coloured[$place], $shape['fill'], "$where: $key",
                    );
                }
                if (isset($hand->reworded[$place])) {
                    self::assertSame($hand->reworded[$place], $shape['text'], "$where: $key");
                } elseif (isset($fresh[$key]) && !isset($hand->blocks["$slide $block"])) {
                    self::assertSame($fresh[$key]['text'], $shape['text'], "$where: $key");
                }
                $isOfMovedBlock = isset($hand->blocks["$slide $block"]);
                if (!isset($hand->moved[$place]) && !$isOfMovedBlock && isset($fresh[$key])) {
                    self::assertEqualsWithDelta($fresh[$key]['x'], $shape['x'], self::TOLERANCE, "$where: $key");
                    self::assertEqualsWithDelta($fresh[$key]['cy'], $shape['cy'], self::TOLERANCE, "$where: $key");
                }
            }
            foreach ($hand->blocks as $place => $frame) {
                [$number, $block] = explode(' ', $place);
                if ((int) $number !== $slide) {
                    continue;
                }
                $area = $shapes["$block.area"] ?? self::fail("$where: $block has no area");
                foreach (['x', 'y', 'cx', 'cy'] as $edge) {
                    // A block that is only moved is as large as its page has it now.
                    $isSize = str_starts_with($edge, 'c') && 'routes' === $block;
                    $isSize || self::assertEqualsWithDelta(
                        $frame[$edge], $area[$edge], self::TOLERANCE, "$where: $block",
                    );
                }
            }
        }
    }

    public function testAChartThatWasMadeSmallerIsLaidOutForItsFrame(): void
    {
        $hand = new Hand(self::july());
        $hand->moveBlock(1, 'months', 10, 0, 0.6);
        $shapes = (new ReadDeck(self::updated($hand->deck(), SampleReport::of())->bytes()))->ours(1);
        $area = $shapes['months.area'];
        $largest = 0;
        foreach ($shapes as $key => $shape) {
            if (str_starts_with($key, 'months.')) {
                self::assertLessThanOrEqual($area['x'] + $area['cx'] + 60_000, $shape['x'] + $shape['cx'], $key);
                $largest = max($largest, $shape['cy']);
            }
        }
        // Letters are as large as before: the chart is drawn anew, not shrunk.
        $labels = ReadDeck::said(
            (new ReadDeck(self::updated($hand->deck(), SampleReport::of())->bytes()))->slide(1), '//p:grpSp//a:rPr/@sz',
        );
        self::assertContains('921', $labels);
    }

    public function testACopyOnAnotherSlideFollowsToo(): void
    {
        $hand = new Hand(self::july());
        $hand->copyBlock(1, 'routes', 3);
        $is = new ReadDeck(self::updated($hand->deck(), SampleReport::of())->bytes());
        DeckRules::assertKept($is);
        $ofRoutes = static fn (array $shapes): array => array_filter(
            array_map(static fn (array $one): string => $one['text'], $shapes),
            static fn (string $key): bool => str_starts_with($key, 'routes.'),
            \ARRAY_FILTER_USE_KEY,
        );
        self::assertNotSame([], $ofRoutes($is->ours(3)));
        self::assertSame($ofRoutes($is->ours(1)), $ofRoutes($is->ours(3)));
    }

    public function testSlidesThatWereReorderedOrDeletedStaySo(): void
    {
        $hand = new Hand(self::july());
        $update = self::updated($hand->deck([3, 1]), SampleReport::of());
        $is = new ReadDeck($update->bytes());
        DeckRules::assertKept($is);
        self::assertCount(2, $is->slides());
        self::assertArrayHasKey('rings.area', $is->ours(1));
        self::assertArrayHasKey('months.area', $is->ours(2));
        self::assertSame(
            ['The deck: Why: is a slide that was deleted, and stays away'], self::lines($update, UpdateKind::Kept),
        );
    }

    /** Where a program lost what the deck remembers, nothing that is there comes a second time. */
    public function testNothingIsDoubledWhereTheMemoryOfADeckIsLost(): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'deck');
        file_put_contents($path, self::july());
        OwnTemplate::change($path, [
            'docProps/custom.xml' => static fn (string $xml): string => (string) preg_replace(
                '~<property.*</property>~s', '', $xml,
            ),
        ]);
        $is = new ReadDeck(self::updated((string) file_get_contents($path), SampleReport::of())->bytes());
        unlink($path);
        DeckRules::assertKept($is);
        foreach ([1, 2, 3] as $slide) {
            self::assertCount(1, ReadDeck::found($is->slide($slide), '//p:ph[@type="title"]'));
            $names = ReadDeck::said($is->slide($slide), '//p:sp//p:cNvPr/@name|//p:cxnSp//p:cNvPr/@name');
            self::assertSame([], array_diff_key($names, array_unique($names)));
        }
    }

    public function testADeckOfOnePageStaysOne(): void
    {
        $july = SampleReport::of('2026-07');
        $report = $july->pages()->report();
        $pages = new ReportPages($july->pages()->drawing, SampleReport::made(), $report->pages[1]);
        $deck = (new ReportSlides())->render($pages, SampleReport::made(), new FileOrigin([]));
        $update = self::updated($deck, SampleReport::of());
        $is = new ReadDeck($update->bytes());
        self::assertCount(1, $is->slides());
        self::assertArrayHasKey('bridge.area', $is->ours(1));
        self::assertSame([], [...self::lines($update, UpdateKind::New), ...self::lines($update, UpdateKind::Kept)]);
    }

    public function testANumberInAnEditedSentenceIsTold(): void
    {
        $july = new ReadDeck(self::july());
        $said = $july->ours(1)['stand.message']['text'];
        preg_match('/[+−]\d+/u', $said, $number);
        $hand = new Hand(self::july());
        $hand->reword(1, 'stand.message', 'So far '.($number[0] ?? '').' of it');
        $update = self::updated($hand->deck(), SampleReport::of());
        $stale = self::lines($update, UpdateKind::Stale);
        self::assertCount(1, $stale);
        self::assertStringStartsWith('Slide 1: Message: says “'.($number[0] ?? '').'”; it is now ', $stale[0]);
        self::assertStringStartsWith('So far ', (new ReadDeck($update->bytes()))->ours(1)['stand.message']['text']);
    }

    public function testWhatIsNewComesAndWhatIsGoneGoes(): void
    {
        $less = SampleReport::of()->without('bullets', 'words', 'gauge');
        $more = self::updated($less->deck(), SampleReport::of());
        $is = new ReadDeck($more->bytes());
        DeckRules::assertKept($is);
        self::assertCount(3, $is->slides());
        self::assertArrayHasKey('bullets.area', $is->ours(1));
        self::assertArrayHasKey('words.text0', $is->ours(2));
        self::assertArrayHasKey('rings.area', $is->ours(3));
        self::assertContains('The deck: How near: is a new slide', self::lines($more, UpdateKind::New));
        $notes = preg_grep('~^ppt/notesSlides/[^/]+\.xml$~', array_keys($is->parts)) ?: [];
        self::assertCount(3, $notes);
        $back = self::updated($more->bytes(), $less);
        $was = new ReadDeck($back->bytes());
        DeckRules::assertKept($was);
        self::assertCount(2, $was->slides());
        self::assertArrayNotHasKey('bullets.area', $was->ours(1));
    }

    /** What others put into one of our groups stays there, byte for byte. */
    public function testWhatStandsInAGroupOfOursStays(): void
    {
        $hand = new Hand(self::july());
        $deck = $hand->deck();
        $path = (string) tempnam(sys_get_temp_dir(), 'deck');
        file_put_contents($path, $deck);
        $zip = new \ZipArchive();
        $zip->open($path);
        $xml = (string) $zip->getFromName('ppt/slides/slide1.xml');
        $zip->addFromString(
            'ppt/slides/slide1.xml',
            (string) preg_replace(
                '~(\[keen:months\].*?</p:grpSpPr>)~s',
                '$1'.str_replace(['\\', '$'], ['\\\\', '\$'], Hand::STRANGER),
                $xml,
                1,
            ),
        );
        $zip->close();
        $is = (new ReadDeck(self::updated((string) file_get_contents($path), SampleReport::of())->bytes()));
        unlink($path);
        self::assertStringContainsString(Hand::STRANGER, $is->parts['ppt/slides/slide1.xml']);
        DeckRules::assertKept($is);
    }

    /**
     * @template T
     *
     * @param array<string, T> $shapes
     *
     * @return array<string, T>
     */
    private static function sorted(array $shapes): array
    {
        ksort($shapes);

        return $shapes;
    }
}
