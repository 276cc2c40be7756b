<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Report;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Report\Document\ReportReader;
use KeenMargin\Core\Report\Document\ReportWriter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Reports as documents: what is written is read again, what is not known is refused with its path. */
final class ReportDocumentTest extends TestCase
{
    /** @return array<string, mixed> */
    private static function whole(): array
    {
        $number = [
            'said' => '61',
            'of' => 'k',
            'row' => ['sum' => 'toDate'],
            'column' => 'variance:BU',
            'exact' => '61',
        ];

        return [
            'organisation' => 'Brackwater Ferries',
            'sheet' => '16:9',
            'scale' => 'report',
            'closedThrough' => '2026-03',
            'about' => ['against' => ['BU']],
            'pages' => [WrittenReport::page(
                'one',
                [
                    [
                        ['id' => 'f', 'figures' => [
                            ['id' => 'k', 'dataset' => 'Fares', 'label' => 'Fares', 'recipe' => [
                                'keenMargin' => 1,
                                'kind' => 'variance-tiers',
                                'question' => ['by' => 'month', 'against' => ['BU']],
                            ]],
                        ]],
                    ],
                    [
                        ['width' => 2] + WrittenReport::chart('c', ['by' => 'Route']),
                        ['id' => 't', 'text' => ['Ahead by ', $number + ['follows' => false], '.']],
                    ],
                ],
                ['message' => ['Fares are ', $number + ['follows' => true], ' ahead'], 'scale' => 'own'],
            )],
            'accepted' => [['finding' => 'full/one', 'reason' => 'It is only a draft', 'who' => 'Ida']],
        ];
    }

    public function testWhatIsWrittenIsReadAgain(): void
    {
        $report = WrittenReport::report(self::whole());
        $written = ReportWriter::toArray($report);
        $again = ReportReader::read(Given::json(json_encode($written, \JSON_THROW_ON_ERROR)));
        self::assertEquals($report, $again);
        self::assertSame($written, ReportWriter::toArray($again));
        self::assertSame('Fares are 61 ahead', $again->pages[0]->message->said());
    }

    /** @return array<string, array{array<string, mixed>, string, string}> */
    public static function refused(): array
    {
        $block = static fn (array $block): array => ['pages' => [['rows' => [['blocks' => [$block]]]]]];

        return [
            'an unknown key' => [['colour' => 'red'], 'colour', 'This key is not known'],
            'an unknown paper' => [['sheet' => 'A3'], 'sheet', 'A4 upright'],
            'an unknown scale' => [['pages' => [['scale' => 'two']]], 'pages[0].scale', 'give one, report or own'],
            'a block that is nothing' => [$block(['width' => 1]), 'pages[0].rows[0].blocks[0]', 'A block is one of'],
            'a block that is two things' => [
                $block(['text' => 'a', 'figures' => []]), 'pages[0].rows[0].blocks[0]', 'A block is one of',
            ],
            'a width too wide' => [$block(['width' => 4, 'text' => '']), 'pages[0].rows[0].blocks[0].width', '1 to 3'],
            'five blocks in a row' => [
                ['pages' => [['rows' => [['blocks' => array_fill(0, 5, ['text' => 'a'])]]]]],
                'pages[0].rows[0].blocks',
                'A row has 4 blocks at most',
            ],
            'seven key figures' => [
                $block(['figures' => array_fill(0, 7, ['recipe' => ['keenMargin' => 1]])]),
                'pages[0].rows[0].blocks[0].figures',
                '6 key figures at most',
            ],
            'an id twice' => [['pages' => [['id' => 'a'], ['id' => 'a']]], 'pages[1].id', 'in this report twice'],
            'an odd id' => [['pages' => [['id' => '<b>']]], 'pages[0].id', 'letters, digits'],
            'a filter by numbers' => [
                ['about' => ['where' => [['field' => 'Route', 'below' => '3']]]],
                'about.where[0]',
                'once for each breakdown',
            ],
            'three references' => [['about' => ['against' => ['BU', 'PY', 'TG']]], 'about.against', 'one or two'],
            'a number without its column' => [
                ['pages' => [['message' => [['said' => '1', 'of' => 'x', 'row' => 'y', 'exact' => '1']]]]],
                'pages[0].message[0].column',
                'missing',
            ],
            'a message too long' => [
                ['pages' => [['message' => str_repeat('a', 601)]]], 'pages[0].message', '600 letters at most',
            ],
            'sixty-one pages' => [['pages' => array_fill(0, 61, (object) [])], 'pages', '60 pages at most'],
            'a closing period that is none' => [['closedThrough' => 'soon'], 'closedThrough', 'soon'],
        ];
    }

    private static function fitsTheSchema(string $json): bool
    {
        $schema = (string) file_get_contents(\dirname(__DIR__, 3).'/docs/report.schema.json');

        return (new Validator())->validate(json_decode($json), $schema)->isValid();
    }

    public function testTheSchemaTakesWhatIsReadAndTheDemo(): void
    {
        $json = json_encode(ReportWriter::toArray(WrittenReport::report(self::whole())), \JSON_THROW_ON_ERROR);
        self::assertTrue(self::fitsTheSchema($json));
        $demo = (string) file_get_contents(\dirname(__DIR__, 3).'/demo/monthly-review.json');
        self::assertTrue(self::fitsTheSchema($demo));
        self::assertCount(5, ReportReader::read(Given::json($demo))->pages);
    }

    /** @param array<string, mixed> $document */
    #[DataProvider('refused')]
    public function testTheSchemaRefusesTheSame(array $document, string $path): void
    {
        // Ids that stand twice and periods that are none are beyond a schema.
        $isBeyond = 'closedThrough' === $path || 'pages[1].id' === $path;
        $json = json_encode(['keenMargin' => 1, 'report' => 'Review'] + $document, \JSON_THROW_ON_ERROR);
        self::assertSame($isBeyond, self::fitsTheSchema($json));
    }

    /** @param array<string, mixed> $document */
    #[DataProvider('refused')]
    public function testWhatIsNotKnownIsRefusedWithItsPath(array $document, string $path, string $says): void
    {
        try {
            WrittenReport::report($document);
            self::fail('It was accepted.');
        } catch (NotAccepted $e) {
            self::assertSame($path, $e->path);
            self::assertStringContainsString($says, $e->reason);
        }
    }

    public function testNothingFromOutsideBecomesMarkup(): void
    {
        $evil = '<script>alert(1)</script>';
        $report = WrittenReport::report(['pages' => [['title' => $evil, 'message' => $evil]]]);
        self::assertSame($evil, $report->pages[0]->message->said());
    }
}
