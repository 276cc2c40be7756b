<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Reports;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Editing\ReportEdit;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\JsonBody;
use KeenMargin\App\Http\ListPage;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Http\Signature;
use KeenMargin\App\Http\Version;
use KeenMargin\App\Reports\OpenReports;
use KeenMargin\App\Reports\ReportDocuments;
use KeenMargin\App\Reports\ReportState;
use KeenMargin\App\Storage\Connection\Like;
use KeenMargin\App\Storage\Names\KeptDocuments;
use KeenMargin\App\Storage\Record\ReportRecord;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Report\Block\ChartBlock;
use KeenMargin\Core\Report\Document\ReportReader;
use KeenMargin\Core\Report\Report;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Reports: their list, their documents, and the steps between these. */
#[Route('/api/reports')]
final readonly class ReportController
{
    public function __construct(
        private EntityManagerInterface $manager,
        private Records $records,
        private ReportState $states,
        private ReportEdit $edit,
        private WriteTurn $turn,
        private OpenReports $open,
        private KeptDocuments $documents,
    ) {}

    /** By last use; with `q` those whose title has it. */
    #[Route('', methods: 'GET')]
    #[Operation(
        'Reports, the last used first',
        answer: 'page of ReportBrief',
        query: ['page' => 'integer 1..', 'q' => 'string'],
    )]
    public function list(Request $request): JsonResponse
    {
        $page = ListPage::of($request);
        $of = $this->manager
            ->createQueryBuilder()
            ->from(ReportRecord::class, 'report')
            ->where('report.deletedAt IS NULL');
        $sought = mb_substr(trim(mb_scrub($request->query->getString('q'))), 0, 200);
        if ('' !== $sought) {
            $of->andWhere(Like::any(['report.title'], 'like'))->setParameter('like', Like::within($sought));
        }

        return new JsonResponse($page->listed($of, ReportRecord::class, $this->states->listed(...), ['usedAt', 'id']));
    }

    /** From nothing, from named charts in their order, or from a document. */
    #[Route('', methods: 'POST')]
    #[Operation(
        'Make a report: empty, of named charts, or of a document',
        answer: 'Report',
        status: 201,
        body: ['title' => 'string', 'charts?' => 'integer[]', 'document?' => 'object'],
    )]
    public function post(Request $request): JsonResponse
    {
        $body = JsonBody::of($request)->object(['title', 'charts', 'document']);
        $title = trim($body->must('title')->string());
        $document = $body->maybe('document');
        $charts = $body->maybe('charts')?->list() ?? [];
        Report::insistOnDrawable(\count($charts), 'charts');
        $report = match (true) {
            null !== $document => With::of(ReportReader::incoming($document->asDocument()), ['title' => $title]),
            [] !== $charts => ReportDocuments::ofCharts(
                $title,
                array_map(fn (Given $id) => $this->records->chart($id->int(1, Records::HIGHEST_ID)), $charts),
            ),
            default => ReportDocuments::blank($title),
        };

        return $this->answer($this->edit->make($report), 201);
    }

    #[Route('/{id}', requirements: ['id' => Records::ID], methods: 'GET')]
    #[Operation('A report', answer: 'Report')]
    public function get(int $id): JsonResponse
    {
        $this->records->used($this->records->report($id));

        return $this->answer($id);
    }

    /** Counters that tell whether anything changed, and the next steps back and on. */
    #[Route('/{id}/pulse', requirements: ['id' => Records::ID], methods: 'GET')]
    #[Operation('Whether the report, its charts or its figures changed', answer: 'ReportPulse')]
    public function pulse(int $id): JsonResponse
    {
        return new JsonResponse($this->states->pulse($this->records->report($id)));
    }

    /**
     * Based on an older version, the change is put on top of what was changed since; 412 where both changed the same.
     */
    #[Route('/{id}', requirements: ['id' => Records::ID], methods: 'PUT')]
    #[Operation(
        'Save a report; changes of different parts are brought together',
        answer: 'Report',
        body: ['document' => 'object', 'says?' => 'string', 'over?' => 'boolean', 'names?' => 'integer'],
        isVersioned: true,
        isSigned: true,
    )]
    public function put(int $id, Request $request): JsonResponse
    {
        $this->records->report($id);
        $body = JsonBody::of($request)->object(['document', 'says', 'over', 'names']);
        $this->edit->save(
            id: $id,
            based: Version::told($request),
            changed: ReportReader::incoming($body->must('document')->asDocument()),
            says: $body->maybe('says')?->string(400) ?? 'The report is changed',
            who: Signature::of($request),
            isOver: $body->maybe('over')?->bool() ?? false,
            known: Version::names($body),
        );

        return $this->answer($id);
    }

    /** A row of its own at the end of the last page: a named chart, or a chart of the page's own. */
    #[Route('/{id}/blocks', requirements: ['id' => Records::ID], methods: 'POST')]
    #[Operation(
        'Put a chart at the end of a report',
        answer: 'Report',
        status: 201,
        body: ['chart?' => 'integer', 'dataset?' => 'integer', 'recipe?' => 'Recipe', 'names?' => 'integer'],
        isSigned: true,
    )]
    public function append(int $id, Request $request): JsonResponse
    {
        $body = JsonBody::of($request)->object(['chart', 'dataset', 'recipe', 'names']);
        $named = $body->maybe('chart')?->int(1, Records::HIGHEST_ID);
        $block = null === $named ? $this->ownChart($body) : ReportDocuments::namedChart($this->records->chart($named));
        $record = $this->records->report($id);
        $this->edit->save(
            id: $id,
            based: $record->version,
            changed: ReportDocuments::withBlock($this->open->report($record), $block),
            says: 'A chart is put into the report',
            who: Signature::of($request),
        );

        return $this->answer($id, 201);
    }

    #[Route('/{id}/{way}', requirements: ['id' => Records::ID, 'way' => 'undo|redo'], methods: 'POST')]
    #[Operation('Take the last step back, or the next one on', answer: 'ReportStepped', isSigned: true)]
    public function step(int $id, string $way, Request $request): JsonResponse
    {
        $this->records->report($id);
        $says = $this->edit->move($id, 'redo' === $way, Signature::of($request));

        return new JsonResponse($this->states->pulse($this->records->report($id)) + ['step' => $says]);
    }

    #[Route('/{id}', requirements: ['id' => Records::ID], methods: 'DELETE')]
    #[Operation('Delete a report', status: 204, isVersioned: true)]
    public function delete(int $id, Request $request): Response
    {
        $this->turn->take(function () use ($id, $request): void {
            $report = $this->records->report($id);
            Version::insist($request, $report->version, fn (): array => $this->states->listed($report));
            $report->deletedAt = new \DateTimeImmutable();
        });

        return new Response(null, 204);
    }

    #[Route('/{id}/restoration', requirements: ['id' => Records::ID], methods: 'POST')]
    #[Operation('Bring a deleted report back', answer: 'Report')]
    public function restore(int $id): JsonResponse
    {
        $this->turn->take(function () use ($id): void {
            $report = $this->records->maybeDeletedReport($id);
            $report->deletedAt = null;
            $report->usedAt = new \DateTimeImmutable();
        });

        return $this->answer($id);
    }

    /** The same under a title of its own, without what was issued. */
    #[Route('/{id}/copies', requirements: ['id' => Records::ID], methods: 'POST')]
    #[Operation('The report once more, under a title of its own', answer: 'Report', status: 201)]
    public function copy(int $id): JsonResponse
    {
        $report = $this->open->report($this->records->report($id));
        $title = mb_substr($report->title, 0, 190).' (copy)';

        return $this->answer($this->edit->make(With::of($report, ['title' => $title])), 201);
    }

    private function ownChart(Given $body): ChartBlock
    {
        $dataset = $this->records->dataset($body->must('dataset')->int(1, Records::HIGHEST_ID));
        /** @var array<string, mixed> $recipe */
        $recipe = $body->must('recipe')->object(['keenMargin', 'question', 'kind', 'finish', 'figures'])->plain();
        $renewed = $this->documents->renewed((int) $dataset->id, $recipe, Version::names($body));

        return ReportDocuments::ownChart($dataset, $renewed);
    }

    private function answer(int $id, int $status = 200): JsonResponse
    {
        $record = $this->records->report($id);

        return Version::answer($this->states->whole($record), $record->version, $status);
    }
}
