<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Slides;

use KeenMargin\App\Export\Picture\PngRenderer;
use KeenMargin\App\Export\Slides\BlockShapes;
use KeenMargin\App\Export\Slides\Deck;
use KeenMargin\App\Export\Slides\Shape\MarkShapes;
use KeenMargin\App\Export\Slides\Shape\Placed;
use KeenMargin\App\Export\Slides\Shape\ShapeGroup;
use KeenMargin\App\Export\Slides\SlideContent;
use KeenMargin\App\Export\Slides\Update\UpdateEntry;
use KeenMargin\App\Export\Slides\Update\UpdateKind;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Report\Report;
use KeenMargin\Core\Report\Sheet;
use KeenMargin\Core\Scene\Group;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Scene\Path;
use KeenMargin\Core\Scene\Placing;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Tools\ContactCase;
use KeenMargin\Tools\ContactSheet;
use PHPUnit\Framework\Attributes\Group as Alone;
use PHPUnit\Framework\TestCase;

/** Slides as another program draws them, held against our own pictures. */
#[Alone('alone')]
final class SlideLooksTest extends TestCase
{
    private const WIDTH = 960.0;
    private const HEIGHT = 540.0;
    /** Of 255: by so much a pixel may differ. */
    private const TOLERANCE = 64;
    /** Pixels of a picture's width when it is compared, and of a side of the tiles that are. */
    private const REDUCED = 640;
    private const TILE = 10;
    /** Share of the pixels of a tile that may differ: letters are drawn by another program. */
    private const MOST_OF_A_TILE = 0.6;
    private const MOST_ON_AVERAGE = 0.35;
    /** Of a whole page, on which hatches are drawn with thinner lines besides. */
    private const MOST_OF_A_PAGE = 0.035;

    public function testEveryKindOfTheContactSheetLooksAsItsPicture(): void
    {
        $cases = array_values(array_filter(
            iterator_to_array(ContactSheet::cases(), false),
            static fn (ContactCase $case): bool => null !== $case->drawing,
        ));
        $pictures = Office::drawn(self::deck($cases));
        self::assertCount(\count($cases), $pictures);
        $shares = [];
        foreach ($cases as $i => $case) {
            $shares["$case->kind, $case->case"] = self::worstTile($pictures[$i], self::picture($case));
        }
        arsort($shares);
        self::assertLessThan(
            self::MOST_OF_A_TILE,
            max([0.0, ...array_values($shares)]),
            (string) array_key_first($shares),
        );
        self::assertLessThan(self::MOST_ON_AVERAGE, array_sum($shares) / \count($shares));
    }

    /** What a person would notice, the comparison notices too. */
    public function testABarThatIsShiftedRecolouredOrMissingIsNoticed(): void
    {
        $case = self::ordinary();
        $deck = self::deck([$case]);
        $picture = self::picture($case);
        self::assertLessThan(self::MOST_OF_A_TILE, self::worstTile(Office::drawn($deck)[0], $picture));
        $bar = '~<p:sp><p:nvSpPr><p:cNvPr id="\d+" name="value shown \[keen:[^"]*"[^>]*/>(?:(?!</p:sp>).)*</p:sp>~s';
        $trials = [
            'shifted' => static fn (string $xml): string => self::first($bar, $xml, self::shifted(...)),
            'recoloured' => static fn (string $xml): string => self::first(
                $bar,
                $xml,
                static fn (string $one): string => str_replace('val="tx1"', 'val="accent2"', $one),
            ),
            'missing' => static fn (string $xml): string => self::first($bar, $xml, static fn (): string => ''),
        ];
        foreach ($trials as $what => $change) {
            $trial = self::changed($deck, $change);
            self::assertGreaterThan(self::MOST_OF_A_TILE, self::worstTile(Office::drawn($trial)[0], $picture), $what);
        }
    }

    public function testPagesLookAsTheyPrint(): void
    {
        $report = SampleReport::of();
        $drawn = Office::drawn($report->deck());
        $scale = 842.0 / 960.0;
        foreach ($report->pages()->all() as $i => $page) {
            $picture = $page->picture();
            $placed = new Scene(
                width: $scale * $picture->width,
                height: $scale * $picture->height,
                title: '',
                description: '',
                groups: [new Group((new Placing(0.0, 0.0, $scale))->marks($picture))],
            );
            $tiles = self::tiles($drawn[$i], self::png($placed));
            $pixels = self::REDUCED ** 2 * $placed->height / $placed->width;
            self::assertLessThan(self::MOST_OF_A_PAGE, array_sum($tiles) / $pixels, "page $i");
        }
    }

    /** Nothing is lost, renamed or grouped otherwise where another program opens and saves a deck. */
    public function testItIsSavedAnewWithoutLosingAnything(): void
    {
        $deck = SampleReport::of()->deck();
        $before = new ReadDeck($deck);
        $after = new ReadDeck(Office::savedAnew($deck));
        self::assertCount(3, $after->slides());
        foreach ([1, 2, 3] as $slide) {
            self::assertSame(self::tree($before, $slide), self::tree($after, $slide));
        }
    }

    /** A deck that another program saved meanwhile is brought up to date like one that it did not. */
    public function testADeckThatWasSavedAnewIsTakenAsWell(): void
    {
        $july = Office::savedAnew(SampleReport::of('2026-07')->deck());
        $path = (string) tempnam(sys_get_temp_dir(), 'deck');
        file_put_contents($path, $july);
        $kept = array_filter(
            SampleReport::of('2026-07')->updated($path)->entries(),
            static fn (UpdateEntry $one): bool => UpdateKind::Kept === $one->kind,
        );
        self::assertSame([], array_map(static fn (UpdateEntry $one): string => $one->line(), $kept));
        $is = new ReadDeck(SampleReport::of()->updated($path)->bytes());
        $now = new ReadDeck(SampleReport::of()->deck());
        foreach ([1, 2, 3] as $slide) {
            $texts = static fn (ReadDeck $deck): array => array_map(
                static fn (array $one): string => $one['text'],
                $deck->ours($slide),
            );
            self::assertEquals($texts($now), $texts($is));
        }
        unlink($path);
    }

    public function testWhatTheHandDidStaysWhereTheDeckWasSavedAnew(): void
    {
        foreach ([3, 4, 5] as $seed) {
            mt_srand($seed);
            $hand = new Hand(SampleReport::of('2026-07')->deck());
            SlideUpdateTest::work($hand);
            $path = (string) tempnam(sys_get_temp_dir(), 'deck');
            file_put_contents($path, Office::savedAnew($hand->deck()));
            $is = new ReadDeck(SampleReport::of()->updated($path)->bytes());
            SlideUpdateTest::assertHandStays($hand, $is, new ReadDeck(SampleReport::of()->deck()), "seed $seed");
            unlink($path);
        }
    }

    /** @return list<string> groups with what stands in them, by name; placeholders get names of their own */
    private static function tree(ReadDeck $deck, int $slide): array
    {
        $path = $deck->slide($slide);
        $tree = [];
        foreach (ReadDeck::found($path, '//p:sp[not(.//p:ph)]|//p:cxnSp|//p:grpSp') as $shape) {
            $depth = \count(ReadDeck::found($path, 'ancestor::p:grpSp', $shape));
            $tree[] = str_repeat(' ', $depth).(ReadDeck::said($path, './*/p:cNvPr/@name', $shape)[0] ?? '');
        }

        return $tree;
    }

    private static function ordinary(): ContactCase
    {
        foreach (ContactSheet::cases() as $case) {
            if (null !== $case->drawing) {
                return $case;
            }
        }
        self::fail('The contact sheet is empty.');
    }

    /** @param list<ContactCase> $cases */
    private static function deck(array $cases): string
    {
        $deck = new Deck(new Report('Contact sheet', Sheet::Wide), SampleReport::made());
        foreach ($cases as $i => $case) {
            $drawing = $case->drawing ?? self::fail('Nothing is drawn.');
            $scale = self::scale($drawing->scene);
            $shapes = new MarkShapes(new Placing(0.0, 0.0, $scale), $scale, $drawing->scene->colours);
            $nodes = BlockShapes::chart($drawing, self::solid($drawing->scene), $shapes);
            $group = new ShapeGroup(
                '',
                "$case->kind, $case->case",
                '',
                [] === $nodes ? self::fail('No marks.') : $nodes,
            );
            $deck->add(new SlideContent("p$i", $case->case, [new Placed("b$i", $group)]), []);
        }

        return $deck->bytes();
    }

    /**
     * Marks whose hatches are solid: each program draws lines of patterns as thick as it likes.
     *
     * @return list<Mark>
     */
    private static function solid(Scene $scene): array
    {
        $marks = [];
        foreach ($scene->marks() as $mark) {
            $fill = $mark instanceof Rect || $mark instanceof Path ? (string) $mark->fill : '';
            $isHatched = str_starts_with($fill, 'hatch-');
            $marks[] = $isHatched ? With::of($mark, ['fill' => Ink::PriorYear->value]) : $mark;
        }

        return $marks;
    }

    private static function scale(Scene $scene): float
    {
        return min(1.0, self::WIDTH / $scene->width, self::HEIGHT / $scene->height);
    }

    private static function picture(ContactCase $case): \GdImage
    {
        $scene = $case->drawing->scene ?? self::fail('Nothing is drawn.');

        return self::png(new Scene(
            width: self::WIDTH,
            height: self::HEIGHT,
            title: '',
            description: '',
            groups: [
                new Group(array_map((new Placing(0.0, 0.0, self::scale($scene)))->mark(...), self::solid($scene))),
            ],
            colours: $scene->colours,
        ));
    }

    private static function png(Scene $scene): \GdImage
    {
        $png = (new PngRenderer(\dirname(__DIR__, 3).'/assets/fonts'))->scaled(2)->render($scene);
        $image = imagecreatefromstring($png);
        self::assertNotFalse($image);

        return $image;
    }

    /** The largest share of pixels of a tile that differ: a bar that is elsewhere fills whole tiles. */
    private static function worstTile(\GdImage $one, \GdImage $other): float
    {
        return max([0, ...self::tiles($one, $other)]) / self::TILE ** 2;
    }

    /** @return list<int> how many pixels of each tile differ, of those that do */
    private static function tiles(\GdImage $one, \GdImage $other): array
    {
        [$one, $other] = [self::reduced($one), self::reduced($other)];
        $width = min(imagesx($one), imagesx($other));
        $height = min(imagesy($one), imagesy($other));
        $tiles = [];
        for ($y = 0; $y < $height; ++$y) {
            for ($x = 0; $x < $width; ++$x) {
                [$a, $b] = [(int) imagecolorat($one, $x, $y), (int) imagecolorat($other, $x, $y)];
                if ($a !== $b && self::differ($a, $b)) {
                    $tile = intdiv($y, self::TILE) * self::REDUCED + intdiv($x, self::TILE);
                    $tiles[$tile] = ($tiles[$tile] ?? 0) + 1;
                }
            }
        }

        return array_values($tiles);
    }

    private static function differ(int $one, int $other): bool
    {
        foreach ([16, 8, 0] as $shift) {
            if (abs(($one >> $shift & 255) - ($other >> $shift & 255)) > self::TOLERANCE) {
                return true;
            }
        }

        return false;
    }

    /** Areas of pixels as one: edges of letters, which each program draws its own way, count less than marks. */
    private static function reduced(\GdImage $image): \GdImage
    {
        $height = (int) round((imagesy($image) * self::REDUCED) / imagesx($image));
        $reduced = imagecreatetruecolor(self::REDUCED, max(1, $height));
        self::assertNotFalse($reduced);
        imagecopyresampled(
            $reduced, $image, 0, 0, 0, 0, self::REDUCED, max(1, $height), imagesx($image), imagesy($image),
        );

        return $reduced;
    }

    /** @param callable(string): string $change of the first slide */
    private static function changed(string $deck, callable $change): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'deck');
        file_put_contents($path, $deck);
        $zip = new \ZipArchive();
        $zip->open($path);
        $was = (string) $zip->getFromName('ppt/slides/slide1.xml');
        $is = $change($was);
        self::assertNotSame($was, $is);
        $zip->addFromString('ppt/slides/slide1.xml', $is);
        $zip->close();
        $bytes = (string) file_get_contents($path);
        unlink($path);

        return $bytes;
    }

    /** Ten points to the right. */
    private static function shifted(string $shape): string
    {
        return (string) preg_replace_callback(
            '~<a:off x="(\d+)"~',
            static fn (array $found): string => '<a:off x="'.((int) $found[1] + 10 * 12_700).'"',
            $shape,
        );
    }

    /** @param callable(string): string $change */
    private static function first(string $pattern, string $xml, callable $change): string
    {
        return (string) preg_replace_callback(
            $pattern,
            static fn (array $found): string => $change($found[0]),
            $xml,
            1,
        );
    }
}
