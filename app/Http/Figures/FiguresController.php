<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Figures;

use KeenMargin\App\Export\DatasetExport;
use KeenMargin\App\Export\Table\TextFileWriter;
use KeenMargin\App\Export\Table\TooLargeForWorkbook;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\FileName;
use KeenMargin\App\Http\JsonBody;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Import\FactSources;
use KeenMargin\App\Jobs\Deferral;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\App\Storage\Series\StoredFigures;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Figures\FactFilter;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodRange;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\HttpKernel\Exception\UnprocessableEntityHttpException;
use Symfony\Component\Routing\Attribute\Route;

/** The figures of a dataset: as a table, with the rows that they came from, as a file. */
#[Route('/api/datasets/{id}', requirements: ['id' => Records::ID])]
final readonly class FiguresController
{
    public function __construct(
        private Records $records,
        private SeriesStore $store,
        private FactSources $sources,
        private DatasetExport $export,
        private Deferral $deferral,
    ) {}

    /** Members down, periods across. */
    #[Route('/tables', methods: 'POST')]
    #[Operation(
        'Figures with members down and periods across',
        answer: 'FigureTable',
        body: [
            'measure?' => 'string',
            'scenario?' => 'Scenario',
            'forecast?' => 'Scenario',
            'by?' => 'string',
            'where?' => 'Filter[]',
            'year?' => 'string',
            'order?' => 'given|largest first',
            'from?' => 'integer 0..',
            'grain?' => 'string',
            'folded?' => 'string[]',
        ],
    )]
    public function table(int $id, Request $request): JsonResponse
    {
        $record = $this->records->dataset($id);

        return new JsonResponse(
            FigureTableState::of(JsonBody::of($request), new StoredFigures($record, $this->store), $record->finest),
        );
    }

    /** The rows of the files that an amount came from. */
    #[Route('/sources', methods: 'POST')]
    #[Operation(
        'The rows of the files that amounts came from',
        answer: 'SourceFiles',
        body: ['measure?' => 'string', 'scenario' => 'Scenario', 'period?' => 'string', 'where?' => 'Filter[]'],
    )]
    public function sources(int $id, Request $request): JsonResponse
    {
        $record = $this->records->dataset($id);
        $figures = new StoredFigures($record, $this->store);
        $body = JsonBody::of($request)->object(['measure', 'scenario', 'period', 'where', 'page']);
        $measure = FigureTableState::measure($body, $figures->dataset());
        $period = FigureTableState::maybePeriod($body->maybe('period'), $figures->dataset());
        $where = array_map(
            static fn (Given $filter): MemberFilter|NumberFilter => FigureTableState::filter(
                $filter, $figures->dataset(),
            ),
            $body->maybe('where')?->list() ?? [],
        );

        $dataset = $figures->dataset();
        $within =
            null === $period || $dataset->isTimeless()
                ? null
                : PeriodRange::between($period, $period)->belonging($dataset->grain, $dataset->calendar);
        $starts =
            null === $within
                ? null
                : array_fill_keys(array_map(static fn (Period $fine): int => $fine->start, $within), true);
        $scenario = $body->must('scenario')->enum(Scenario::class);
        $facts = new FactFilter(array_fill_keys($measure->sources(), [$scenario->value => $starts]), $where);
        $page = $body->maybe('page')?->int(1, 100_000) ?? 1;

        return new JsonResponse(['files' => $this->sources->of($record, $facts, $page)]);
    }

    #[Route('/exports/{format}', requirements: ['format' => '[a-z]{1,8}'], methods: 'GET')]
    #[Operation(
        'All figures as one tidy table that reads back in',
        media: [
            'text/csv', 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
            'application/vnd.oasis.opendocument.spreadsheet', 'application/jsonl',
        ],
        isLong: true,
    )]
    public function export(int $id, string $format, Request $request): Response
    {
        $record = $this->records->dataset($id);
        if (!isset(DatasetExport::FORMATS[$format])) {
            throw new NotFoundHttpException(
                "There is no export as \"$format\"; there are ".implode(', ', array_keys(DatasetExport::FORMATS)).'.',
            );
        }
        $job = $this->deferral->maybe($request, $record->factCount, "$record->name is being exported");
        if (null !== $job) {
            return $job;
        }
        $path = TextFileWriter::temporary('export');
        try {
            $this->export->write($record, $format, $path);
        } catch (\Throwable $e) {
            @unlink($path);
            throw $e instanceof TooLargeForWorkbook ? new UnprocessableEntityHttpException($e->getMessage()) : $e;
        }
        $response = new BinaryFileResponse($path, 200, ['Content-Type' => DatasetExport::FORMATS[$format][1]], false);
        $response->headers->set(
            'Content-Disposition',
            HeaderUtils::makeDisposition('attachment', ...FileName::ofTitle($record->name, $format)),
        );

        return $response->deleteFileAfterSend();
    }
}
