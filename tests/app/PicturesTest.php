<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use KeenMargin\App\Export\Picture\PdfRenderer;
use KeenMargin\App\Export\Picture\PngRenderer;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Tests\core\RandomFigures;
use KeenMargin\Tests\core\RandomMembers;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** The same scene as SVG, PNG and PDF, and under an address that is always current. */
final class PicturesTest extends TestCase
{
    private const FONTS = __DIR__.'/../../assets/fonts';
    private const CSV = "Month,Amount,Budget\n2026-07,302000,310000\n2026-08,311000,298000\n";
    private const RECIPE = ['keenMargin' => 1, 'question' => ['against' => ['BU']], 'kind' => 'variance-tiers'];

    /** @return list<string> what a scene says, sorted */
    private static function said(Scene $scene): array
    {
        $texts = [];
        foreach ($scene->marks() as $mark) {
            $mark instanceof Text && ($texts[] = $mark->text);
        }
        sort($texts);

        return $texts;
    }

    private static function printed(string $command, string $input): string
    {
        $process = proc_open($command, [['pipe', 'r'], ['pipe', 'w'], ['file', '/dev/null', 'w']], $pipes);
        \assert(\is_resource($process));
        fwrite($pipes[0], $input);
        fclose($pipes[0]);
        $output = (string) stream_get_contents($pipes[1]);
        self::assertSame(0, proc_close($process), $command);

        return $output;
    }

    public function testAPdfHasItsFontsWithinAndTextThatCanBeSelected(): void
    {
        foreach ([3, 8, 21] as $seed) {
            $drawing = Drawing::of(
                Written::recipe(['against' => ['BU', 'PY'], 'forecast' => 'FC']),
                Written::figures((new RandomFigures($seed, 5 + $seed))->csv()),
                ChartKinds::all(),
            );
            $pdf = (new PdfRenderer(self::FONTS))->render($drawing->scene);
            self::assertStringStartsWith('%PDF-', $pdf);
            $words = preg_split('/\s+/', self::printed('pdftotext -raw - -', $pdf), -1, \PREG_SPLIT_NO_EMPTY) ?: [];
            foreach (self::said($drawing->scene) as $text) {
                foreach (preg_split('/\s+/u', $text, -1, \PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
                    self::assertContains($word, $words, "seed $seed: \"$text\"");
                }
            }
            self::assertCount(
                \count(preg_split('/\s+/u', implode(' ', self::said($drawing->scene)), -1, \PREG_SPLIT_NO_EMPTY) ?: []),
                $words,
                'Nothing but what the chart says',
            );
            $path = Written::file($pdf);
            $fonts = \array_slice(explode("\n", trim(self::printed('pdffonts '.escapeshellarg($path), ''))), 2);
            self::assertNotSame([], $fonts);
            foreach ($fonts as $font) {
                self::assertMatchesRegularExpression('/IBMPlexSans.* yes yes yes /', $font);
            }
            self::assertMatchesRegularExpression(
                '/Page size: +'.preg_quote((string) (int) $drawing->scene->width, '/').' x/',
                self::printed('pdfinfo '.escapeshellarg($path), ''),
            );
        }
    }

    public function testLettersThatTheFontsLackAreStillWritten(): void
    {
        $drawing = Written::drawing("Month,Actual\n2026-01,5\n", [], ['message' => ['text' => 'Привет ☃ 日本 <b>&']]);
        self::assertStringContainsString(
            'Привет ☃', self::printed('pdftotext -raw - -', (new PdfRenderer(self::FONTS))->render($drawing->scene)),
        );
    }

    public function testEveryKindIsDrawnAsPngOfItsSize(): void
    {
        $members = new RandomMembers(5, 9, 4);
        foreach (
            ['variance-tiers', 'nested-columns', 'target-marks', 'gap-line', 'hat', 'capacity-fill'] as $i => $kind
        ) {
            $question = [
                'measure' => 'Used',
                'against' => ['BU'],
                'forecast' => 'FC',
                'used' => 'Used',
                'total' => 'Offered',
                'between' => ['field' => 'Class', 'first' => 'Foot', 'second' => 'Vehicle'],
            ];
            $scene = Drawing::of(
                Written::recipe(
                    $question,
                    ['width' => 700, 'highlight' => ['2024-01'], 'colours' => 0 === $i % 2 ? 'greys' : 'effect'],
                    $kind,
                ),
                Written::figures($members->csv, RandomMembers::MAPPING),
                ChartKinds::all(),
            )->scene;
            foreach ([1, 2, 3] as $scale) {
                [$width, $height, $type] = getimagesizefromstring(
                    (new PngRenderer(self::FONTS))->scaled($scale)->render($scene),
                ) ?: [0, 0, 0];
                self::assertSame(
                    [700 * $scale, (int) ceil($scene->height * $scale - 0.001), \IMAGETYPE_PNG],
                    [$width, $height, $type],
                    "$kind, {$scale}×",
                );
            }
        }
    }

    public function testAColumnIsWhereTheSceneHasIt(): void
    {
        $scene = Written::drawing(self::CSV, ['against' => ['BU']])->scene;
        $image = imagecreatefromstring((new PngRenderer(self::FONTS))->scaled(2)->render($scene));
        \assert(false !== $image);
        $seen = 0;
        foreach ($scene->marks() as $mark) {
            if ($mark instanceof \KeenMargin\Core\Scene\Rect && 'value' === $mark->role) {
                $at = imagecolorat(
                    $image, (int) (2 * ($mark->x + $mark->width / 4)), (int) (2 * ($mark->y + $mark->height / 2)),
                );
                self::assertSame(0x23272E, $at);
                self::assertNotSame(
                    0x23272E,
                    imagecolorat($image, (int) (2 * ($mark->x - 2)), (int) (2 * ($mark->y + $mark->height / 2))),
                );
                ++$seen;
            }
        }
        self::assertSame(2, $seen);
    }

    #[TestWith(['svg', 'image/svg+xml'])]
    #[TestWith(['png', 'image/png'])]
    #[TestWith(['pdf', 'application/pdf'])]
    public function testANamedChartHasAnAddressThatIsAlwaysCurrent(string $format, string $type): void
    {
        $id = Kept::made(self::CSV);
        $chart = Server::send('POST', '/api/charts', [
            'dataset' => $id,
            'name' => 'Linked',
            'recipe' => self::RECIPE,
        ])->int('id');
        $first = Server::send('GET', "/charts/$chart.$format");
        self::assertSame(
            [200, $type, 'cross-origin'],
            [$first->status, $first->header('Content-Type'), $first->header('Cross-Origin-Resource-Policy')],
        );
        self::assertStringContainsString('max-age=0', $first->header('Cache-Control'));
        $again = Server::send('GET', "/charts/$chart.$format", null, ['If-None-Match' => $first->header('ETag')]);
        self::assertSame([304, ''], [$again->status, $again->body]);
        Kept::set($id, null, '2026-08', '999999');
        $changed = Server::send('GET', "/charts/$chart.$format", null, ['If-None-Match' => $first->header('ETag')]);
        self::assertSame(200, $changed->status);
        self::assertNotSame($first->body, $changed->body);
    }

    public function testScalesAndFormats(): void
    {
        $id = Kept::made(self::CSV);
        $size = static fn (string $query): array => \array_slice(
            getimagesizefromstring(
                Server::send('POST', "/api/datasets/$id/pictures.png$query", ['recipe' => self::RECIPE])->body,
            ) ?:
            [],
            0,
            1,
        );
        self::assertSame([[880], [1760], [2640]], [$size(''), $size('?scale=2'), $size('?scale=3')]);
        self::assertSame(
            400, Server::send('POST', "/api/datasets/$id/pictures.png?scale=9", ['recipe' => self::RECIPE])->status,
        );
        self::assertSame(
            404, Server::send('POST', "/api/datasets/$id/pictures.gif", ['recipe' => self::RECIPE])->status,
        );
        self::assertSame(404, Server::send('GET', '/charts/999999.png')->status);
    }

    public function testAPngIsAsLargeInPrintAsItsChart(): void
    {
        $png = (new PngRenderer(self::FONTS, 2))->render(self::blank(100.0));
        $at = (int) strpos($png, 'pHYs');
        $dotsAMetre = unpack('N', $png, $at + 4)[1] ?? 0;
        self::assertSame((int) round((96 * 2) / 0.0254), $dotsAMetre);
        self::assertNotFalse(imagecreatefromstring($png), 'its checksums hold');
    }

    public function testAPngThatIsTooHighSaysSo(): void
    {
        $this->expectExceptionMessage('A PNG has up to 32,767 pixels from top to bottom; this chart needs more.');
        (new PngRenderer(self::FONTS, 3))->render(self::blank(11_000.0));
    }

    public function testAMissingProgramIsNamed(): void
    {
        $path = (string) getenv('PATH');
        putenv('PATH=/nowhere');
        try {
            $this->expectExceptionMessage('The program rsvg-convert is not installed (Debian: librsvg2-bin).');
            (new PngRenderer(self::FONTS))->render(self::blank(100.0));
        } finally {
            putenv("PATH=$path");
        }
    }

    private static function blank(float $height): Scene
    {
        return new Scene(width: 100.0, height: $height, title: '', description: '', groups: []);
    }

    public function testTheCommandLineDrawsEveryFormat(): void
    {
        $recipe = Written::file(json_encode(self::RECIPE, \JSON_THROW_ON_ERROR));
        $figures = Written::file(self::CSV);
        foreach (
            ['a.svg' => '<svg', 'a.pdf' => '%PDF', 'a.png' => "\x89PNG", 'a@2x.png' => "\x89PNG"] as $name => $start
        ) {
            $to = sys_get_temp_dir().'/keen-'.getmypid().$name;
            self::printed(
                './keen draw '.escapeshellarg($recipe).' '.escapeshellarg($figures).' -o '.escapeshellarg($to), '',
            );
            self::assertStringStartsWith($start, (string) file_get_contents($to));
            $width[$name] = getimagesize($to)[0] ?? 0;
            unlink($to);
        }
        self::assertSame([880, 1760], [$width['a.png'], $width['a@2x.png']]);
    }
}
