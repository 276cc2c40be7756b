<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Slides;

use KeenMargin\App\CommandLine\FileLibrary;
use KeenMargin\App\CommandLine\FileOrigin;
use KeenMargin\App\Export\Report\ReportSlides;
use KeenMargin\App\Export\Slides\Update\DeckUpdate;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Report\Document\ReportReader;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Layout\ReportPages;
use KeenMargin\Tools\ContactSheet;

/** A report over made-up figures of a year, at any closing: charts, key figures, texts with numbers, notes. */
final readonly class SampleReport
{
    private const MADE = '2026-09-03T08:00:00+00:00';

    /** @param array<string, mixed> $document */
    public function __construct(public array $document) {}

    /** Three pages, the same ones each time. */
    public static function of(string $closed = '2026-08', string $sheet = 'A4 across'): self
    {
        return new self([
            'keenMargin' => 1,
            'report' => 'Monthly review',
            'organisation' => 'Brackwater Ferries',
            'sheet' => $sheet,
            'closedThrough' => $closed,
            'pages' => [
                [
                    'id' => 'stand',
                    'title' => 'Where we stand',
                    'message' => ['The year is ', self::number('months', 'toDate'), ' m from its budget'],
                    'rows' => [
                        ['blocks' => [['id' => 'keys', 'figures' => [
                            ['id' => 'k1', 'dataset' => 'Space', 'label' => 'Space', 'recipe' => self::recipe('month')],
                        ]]]],
                        ['blocks' => [['id' => 'months', 'dataset' => 'Space', 'chart' => self::recipe('month')]]],
                        ['blocks' => [
                            ['id' => 'routes', 'dataset' => 'Space', 'chart' => self::recipe('Route')],
                            ['id' => 'bullets', 'dataset' => 'Space', 'chart' => self::bullets()],
                        ]],
                    ],
                ],
                [
                    'id' => 'why',
                    'title' => 'Why',
                    'message' => 'Two routes made up for the others',
                    'rows' => [['blocks' => [
                        ['id' => 'bridge', 'width' => 2, 'dataset' => 'Space', 'chart' => self::bridge()],
                        ['id' => 'words', 'text' => [
                            "First paragraph with **weight**\n- an entry of ",
                            self::number('bridge', 'total'),
                            "\n- another entry",
                        ]],
                    ]]],
                ],
                [
                    'id' => 'gauge',
                    'title' => 'How near',
                    'message' => 'Near the target',
                    'rows' => [['blocks' => [
                        [
                            'id' => 'rings',
                            'dataset' => 'Space',
                            'chart' => ['kind' => 'gauge'] + self::bullets('quarter'),
                        ],
                        [
                            'id' => 'table',
                            'dataset' => 'Space',
                            'chart' => ['kind' => 'comparison-table'] + self::recipe('Route'),
                        ],
                    ]]],
                ],
            ],
        ]);
    }

    /** The same without some of its blocks and pages. */
    public function without(string ...$ids): self
    {
        /** @var list<array{id: string, rows: list<array{blocks: list<array{id: string}>}>}> $pages */
        $pages = $this->document['pages'];
        $isLeft = static fn (array $one): bool => !\in_array($one['id'], $ids, true);
        foreach ($pages as $p => $page) {
            foreach ($page['rows'] as $r => $row) {
                $pages[$p]['rows'][$r]['blocks'] = array_values(array_filter($row['blocks'], $isLeft));
            }
            $pages[$p]['rows'] = array_values(
                array_filter($pages[$p]['rows'], static fn (array $row): bool => [] !== $row['blocks']),
            );
        }

        return new self(['pages' => array_values(array_filter($pages, $isLeft))] + $this->document);
    }

    public function pages(?FactTable $figures = null): ReportPages
    {
        $given = Given::json(json_encode($this->document, \JSON_THROW_ON_ERROR));
        $notes = Given::json(json_encode([
            'notes' => [
                ['dataset' => 'Space', 'measure' => 'Used', 'period' => '2026-07', 'text' => 'Island Days moved'],
                ['dataset' => 'Space', 'measure' => 'Used', 'period' => '2026-06', 'text' => "A slipway\nwas repaired"],
            ],
        ], \JSON_THROW_ON_ERROR))->must('notes')->list();
        $library = new FileLibrary(['Space' => $figures ?? self::figures()], [], $notes);

        return new ReportPages(
            ReportDrawing::of(ReportReader::incoming($given), $library, ChartKinds::all()), self::made(),
        );
    }

    public function deck(?FactTable $figures = null): string
    {
        return (new ReportSlides())->render($this->pages($figures), self::made(), self::origin());
    }

    /** @param string $path of a deck */
    public function updated(string $path, ?FactTable $figures = null): DeckUpdate
    {
        return (new ReportSlides())->update($path, $this->pages($figures), self::origin());
    }

    public static function made(): \DateTimeImmutable
    {
        return new \DateTimeImmutable(self::MADE);
    }

    private static function origin(): FileOrigin
    {
        return new FileOrigin(['Space' => 'space.csv']);
    }

    private static function figures(): FactTable
    {
        static $figures = null;

        return $figures ??= ContactSheet::table();
    }

    /** @return array<string, mixed> */
    private static function number(string $of, string $sum): array
    {
        $column = 'bridge' === $of ? 'to' : 'variance:BU';

        return [
            'said' => '1',
            'of' => $of,
            'row' => ['sum' => $sum],
            'column' => $column,
            'exact' => '1000',
            'follows' => true,
        ];
    }

    /** @return array<string, mixed> */
    private static function recipe(string $by): array
    {
        return [
            'keenMargin' => 1,
            'kind' => 'variance-tiers',
            'question' => [
                'measure' => 'Used',
                'by' => $by,
                'against' => ['BU'],
                ...'month' === $by ? ['forecast' => 'FC'] : ['span' => 'year to date'],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function bullets(string $by = 'Route'): array
    {
        return [
            'keenMargin' => 1,
            'kind' => 'bullet',
            'question' => [
                'measure' => 'Used',
                'by' => $by,
                'target' => ['scenario' => 'TG'],
                'bands' => ['percentOfTarget' => ['85', '95', '110']],
                ...'Route' === $by ? ['span' => 'year to date'] : ['forecast' => 'FC'],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function bridge(): array
    {
        return [
            'keenMargin' => 1,
            'kind' => 'bridge',
            'question' => [
                'measure' => 'Used',
                'by' => 'Route',
                'bridge' => ['from' => 'BU', 'to' => 'AC'],
                'span' => 'year to date',
            ],
        ];
    }
}
