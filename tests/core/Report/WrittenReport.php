<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Report;

use KeenMargin\App\CommandLine\FileLibrary;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Report\Document\ReportReader;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Report;
use KeenMargin\Tests\core\Written;

/** Reports as a person would write them down, over a few figures of a ferry. */
final class WrittenReport
{
    /** Six months of two routes, budget to the end of the year's half; June a month of forecast. */
    public const FARES = "Month,Route,Actual,Budget,Forecast\n"
        ."2026-01,North,100,120,\n2026-01,Holm,50,40,\n"
        ."2026-02,North,110,120,\n2026-02,Holm,55,40,\n"
        ."2026-03,North,130,120,\n2026-03,Holm,45,40,\n"
        ."2026-04,North,140,120,\n2026-04,Holm,48,40,\n"
        ."2026-05,North,,120,125\n2026-05,Holm,,40,42\n"
        ."2026-06,North,,120,130\n2026-06,Holm,,40,44\n";
    /** The same months of another thing, without routes and without a budget. */
    public const CALLS = "Month,Harbour,Calls\n2026-01,East,10\n2026-02,East,12\n2026-03,West,9\n2026-04,West,11\n";

    /** @param array<string, mixed> $document besides title and version */
    public static function report(array $document): Report
    {
        $json = json_encode(['keenMargin' => 1, 'report' => 'Review'] + $document, \JSON_THROW_ON_ERROR);

        return ReportReader::read(Given::json($json));
    }

    /**
     * @param array<string, mixed> $document
     * @param list<array<string, mixed>> $notes
     * @param array<string, FactTable> $figures besides Fares and Calls
     */
    public static function drawing(array $document, array $notes = [], array $figures = []): ReportDrawing
    {
        return self::drawn(self::report($document), $notes, $figures);
    }

    /**
     * @param list<array<string, mixed>> $notes
     * @param array<string, FactTable> $figures
     */
    public static function drawn(Report $report, array $notes = [], array $figures = []): ReportDrawing
    {
        $given = Given::json(json_encode($notes, \JSON_THROW_ON_ERROR));
        $library = new FileLibrary(
            $figures + [
                'Fares' => Written::figures(self::FARES, [], 'Fares'),
                'Calls' => Written::figures(self::CALLS, [], 'Calls'),
            ],
            [],
            $given->list(),
        );

        return ReportDrawing::of($report, $library, ChartKinds::all());
    }

    /**
     * @param array<string, mixed> $question
     * @param array<string, mixed> $finish
     *
     * @return array<string, mixed>
     */
    public static function chart(
        string $id,
        array $question = [],
        string $dataset = 'Fares',
        string $kind = 'variance-tiers',
        array $finish = [],
    ): array {
        $recipe = ['keenMargin' => 1, 'kind' => $kind, 'question' => $question + ['by' => 'month']];

        return ['id' => $id, 'dataset' => $dataset, 'chart' => $recipe + ([] === $finish ? [] : ['finish' => $finish])];
    }

    /**
     * A page of rows of blocks.
     *
     * @param list<list<array<string, mixed>>> $rows
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    public static function page(string $id, array $rows, array $more = []): array
    {
        return $more + [
            'id' => $id,
            'title' => "Page $id",
            'rows' => array_map(static fn (array $blocks): array => ['blocks' => $blocks], $rows),
        ];
    }
}
