<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\TestCase;

/** A whole report as PDF, from the command line: vectors, real text in reading order, bookmarks. */
final class ReportPdfTest extends TestCase
{
    /** What the report of these tests leaves to settle. */
    private const NOTICE = "To settle: Page 2: Calls: There are no budget figures for these periods.\n";

    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/keen-report-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
        file_put_contents(
            "$this->folder/fares.csv",
            "Month;Route;Actual;Budget\n01.2026;North;100,5;120\n01.2026;Holm;50;40\n"
            ."02.2026;North;110;120\n02.2026;Holm;"
                ."55;40\n",
        );
        file_put_contents("$this->folder/calls.csv", "Month,Calls\n2026-01,10\n2026-02,12\n");
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), glob("$this->folder/*") ?: []);
        rmdir($this->folder);
    }

    /** @return array<string, mixed> */
    private static function document(string $sheet = 'A4 across'): array
    {
        $recipe = ['keenMargin' => 1, 'kind' => 'variance-tiers', 'question' => ['by' => 'month', 'against' => ['BU']]];
        $number = ['said' => '1', 'of' => 'c', 'row' => ['sum' => 'total'], 'column' => 'AC', 'exact' => '1'];

        return [
            'keenMargin' => 1,
            'report' => 'Monthly review',
            'organisation' => 'Brackwater Ferries',
            'sheet' => $sheet,
            'closedThrough' => '2026-02',
            'charts' => [
                'By route' => [
                    'dataset' => 'Fares',
                    'recipe' => array_replace_recursive($recipe, ['question' => ['by' => 'Route']]),
                ],
            ],
            'notes' => [
                ['dataset' => 'Fares', 'measure' => 'Amount', 'period' => '2026-02', 'text' => 'A slipway repair'],
            ],
            'pages' => [
                [
                    'title' => 'Where we stand',
                    'message' => ['Fares came to ', $number, ' in all'],
                    'rows' => [
                        [
                            'blocks' => [
                                ['figures' => [['dataset' => 'Fares', 'label' => 'Key fares', 'recipe' => $recipe]]],
                            ],
                        ],
                        [
                            'blocks' => [
                                ['id' => 'c', 'dataset' => 'Fares', 'chart' => $recipe], ['chart' => 'By route'],
                            ],
                        ],
                    ],
                ],
                [
                    'title' => 'Harbours',
                    'message' => 'Calls are as planned',
                    'about' => ['against' => ['BU']],
                    'rows' => [
                        ['blocks' => [['dataset' => 'Calls', 'chart' => $recipe]]],
                        ['blocks' => [['text' => "First paragraph\n- an **entry**"]]],
                    ],
                ],
            ],
        ];
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return array{int, string, string}
     */
    private function made(array $document, string $output = 'pack.pdf'): array
    {
        file_put_contents("$this->folder/report.json", json_encode($document, \JSON_THROW_ON_ERROR));

        return Command::keen(
            ['report', 'report.json', '--figures', 'Fares=fares.csv', '--figures', 'Calls=calls.csv', '-o', $output],
            '',
            $this->folder,
        );
    }

    /** @return list<string> of each page its words, in the order in which they are read */
    private function pages(): array
    {
        $text = (string) shell_exec('pdftotext '.escapeshellarg("$this->folder/pack.pdf").' - 2>/dev/null');
        if ('' === $text) {
            self::markTestSkipped('poppler-utils is not installed.');
        }

        return \array_slice(explode("\f", (string) preg_replace('/[^\S\f]+/', ' ', $text)), 0, -1);
    }

    public function testNothingOfAPageThatIsTooFullStandsOverItsFoot(): void
    {
        $entries = array_map(static fn (int $i): string => "- entry$i", range(1, 60));
        $document = self::document();
        $document['pages'] = [['message' => 'Full', 'rows' => [['blocks' => [['text' => implode("\n", $entries)]]]]]];
        [$code, $output, $notices] = $this->made($document);
        self::assertSame([0, ''], [$code, $output]);
        self::assertMatchesRegularExpression(
            '/^To settle: Page 1: This page is too full, by \d+ points, \d+ % of the page\.\n$/D', $notices,
        );
        $boxes = (string) shell_exec('pdftotext -bbox '.escapeshellarg("$this->folder/pack.pdf").' - 2>/dev/null');
        '' !== $boxes || self::markTestSkipped('poppler-utils is not installed.');
        preg_match_all('/yMin="(?<tops>[\d.]+)"[^>]*>entry\d+</', $boxes, $words);
        $tops = array_map(floatval(...), $words['tops']);
        self::assertGreaterThan(25, \count($tops));
        self::assertLessThan(60, \count($tops));
        // Each line stands below the one before: none from below the page was moved onto it.
        foreach (\array_slice($tops, 1) as $i => $top) {
            self::assertGreaterThan(10.0, $top - $tops[$i]);
        }
    }

    public function testEachPageHasItsWordsInReadingOrder(): void
    {
        self::assertSame([0, '', self::NOTICE], $this->made(self::document()));
        [$first, $second] = $this->pages();
        foreach (
            [
                [
                    $first,
                    [
                        'Fares came to 316 in all', 'Key fares', '1 A slipway repair', 'Amount', 'Jan', 'North',
                        'closed through Feb 2026', '1 / 2',
                    ],
                ],
                [
                    $second,
                    ['Calls are as planned', 'Calls', 'It has no budget.', 'First paragraph', 'an entry', '2 / 2'],
                ],
            ] as [$page, $words]
        ) {
            foreach ($words as $word) {
                self::assertStringContainsString($word, $page);
            }
            self::assertStringStartsWith($words[0], trim($page));
        }
        self::assertLessThan(strpos($second, 'an entry'), (int) strpos($second, 'First paragraph'));
    }

    public function testItHasPagesOfItsPaperFontsAndBookmarks(): void
    {
        foreach (['A4 across' => '842 x 595', 'A4 upright' => '595', '16:9' => '960 x 540'] as $sheet => $size) {
            self::assertSame(0, $this->made(self::document($sheet))[0]);
            $info = (string) shell_exec('pdfinfo '.escapeshellarg("$this->folder/pack.pdf").' 2>/dev/null');
            if ('' === $info) {
                self::markTestSkipped('poppler-utils is not installed.');
            }
            self::assertMatchesRegularExpression('/Pages:\s+2/', $info);
            self::assertMatchesRegularExpression("/Page size:\s+$size/", $info);
        }
        $fonts = (string) shell_exec('pdffonts '.escapeshellarg("$this->folder/pack.pdf"));
        self::assertStringContainsString('IBMPlexSerif-Medium', $fonts);
        self::assertStringNotContainsString('Helvetica', $fonts);
        $bytes = (string) file_get_contents("$this->folder/pack.pdf");
        self::assertStringContainsString('/Outlines', $bytes);
        self::assertStringNotContainsString('/Subtype /Image', $bytes);
    }

    public function testWhatIsWrongIsSaidInOneLineAndNothingIsWritten(): void
    {
        $said = function (array $arguments): string {
            /** @var list<string> $arguments */
            [$code, $output, $errors] = Command::keen(['report', ...$arguments], '', $this->folder);
            self::assertSame([2, ''], [$code, $output], $errors);
            self::assertSame(1, substr_count($errors, "\n"), $errors);
            self::assertSame([], glob("$this->folder/*.pdf"));

            return $errors;
        };
        file_put_contents("$this->folder/report.json", json_encode(self::document(), \JSON_THROW_ON_ERROR));
        $fares = ['--figures', 'Fares=fares.csv'];
        self::assertStringContainsString('Give a report', $said(['report.json']));
        self::assertStringContainsString(
            'the ending chooses the format',
            $said(['report.json', ...$fares, '-o', 'a.gif']),
        );
        self::assertStringContainsString('NAME=FILE', $said(['report.json', '--figures', 'fares.csv', '-o', 'a.pdf']));
        self::assertStringContainsString('given twice', $said(['report.json', ...$fares, ...$fares, '-o', 'a.pdf']));
        self::assertStringContainsString(
            'There are no figures "Calls"',
            $said(['report.json', ...$fares, '-o', 'a.pdf']),
        );
        self::assertStringContainsString('there is no such file', $said(['none.json', ...$fares, '-o', 'a.pdf']));
        file_put_contents(
            "$this->folder/report.json", '{"keenMargin":1,"report":"R","pages":[{"rows":[{}],"colour":1}]}',
        );
        self::assertStringContainsString('pages[0].colour', $said(['report.json', ...$fares, '-o', 'a.pdf']));
        file_put_contents("$this->folder/report.json", '{"keenMargin":1');
        self::assertStringContainsString('This is not JSON', $said(['report.json', ...$fares, '-o', 'a.pdf']));
        file_put_contents("$this->folder/empty.csv", '');
        file_put_contents("$this->folder/report.json", json_encode(self::document(), \JSON_THROW_ON_ERROR));
        $said(['report.json', '--figures', 'Fares=empty.csv', '-o', 'a.pdf']);
    }

    public function testTheDocumentOfAReportMakesTheSamePages(): void
    {
        $dataset = Kept::made((string) file_get_contents("$this->folder/fares.csv"));
        $name = Server::send('GET', "/api/datasets/$dataset")->text('name');
        $recipe = ['keenMargin' => 1, 'kind' => 'variance-tiers', 'question' => ['by' => 'month', 'against' => ['BU']]];
        $made = Server::send('POST', '/api/reports', [
            'title' => 'Review',
            'document' => [
                'keenMargin' => 1,
                'report' => 'Review',
                'pages' => [[
                    'id' => 'p',
                    'message' => 'Fares',
                    'rows' => [['blocks' => [['dataset' => (string) $dataset, 'chart' => $recipe]]]],
                ]],
            ],
        ]);
        $document = Server::send('GET', '/api/reports/'.$made->int('id').'/document');
        self::assertSame($name, $document->text('pages', 0, 'rows', 0, 'blocks', 0, 'dataset'));
        file_put_contents("$this->folder/report.json", $document->body);
        self::assertSame(
            [0, '', ''],
            Command::keen(
                ['report', 'report.json', '--figures', "$name=fares.csv", '-o', 'pack.pdf'], '', $this->folder,
            ),
        );
        $pdf = Server::send('GET', '/reports/'.$made->int('id').'.pdf');
        self::assertSame([200, 'application/pdf'], [$pdf->status, $pdf->header('Content-Type')]);
        $strip = static fn (string $text): string => (string) preg_replace('/made [^·]+·/', '', $text);
        $own = $strip(implode('', $this->pages()));
        file_put_contents("$this->folder/pack.pdf", $pdf->body);
        self::assertSame($strip(implode('', $this->pages())), $own);
    }

    public function testChartsOfOneNameAreToldApartInTheDocument(): void
    {
        $dataset = Kept::made(Kept::FARES);
        $charts = array_map(
            static fn (string $by): int => Server::send('POST', '/api/charts', [
                'dataset' => $dataset,
                'name' => 'Fares',
                'recipe' => ['keenMargin' => 1, 'kind' => 'variance-tiers', 'question' => ['by' => $by]],
            ])->int('id'),
            ['month', 'Route'],
        );
        $made = Server::send('POST', '/api/reports', ['title' => 'Review', 'charts' => $charts]);
        $document = Server::send('GET', '/api/reports/'.$made->int('id').'/document');
        foreach (['Fares' => 'month', 'Fares (2)' => 'Route'] as $name => $by) {
            self::assertSame($by, $document->at('charts', $name, 'recipe', 'question', 'by'), $document->body);
        }
        self::assertSame('Fares (2)', $document->text('pages', 0, 'rows', 1, 'blocks', 0, 'chart'));
    }
}
