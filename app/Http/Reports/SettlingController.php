<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Reports;

use KeenMargin\App\Editing\ReportEdit;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\JsonBody;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Http\Signature;
use KeenMargin\App\Http\Version;
use KeenMargin\App\Jobs\Deferral;
use KeenMargin\App\Reports\OpenReports;
use KeenMargin\App\Reports\ReportSize;
use KeenMargin\App\Reports\ReportState;
use KeenMargin\App\Reports\Rolling;
use KeenMargin\App\Reports\SettlementState;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Report\Acceptance;
use KeenMargin\Core\Time\PeriodNames;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** What has to be settled before a report goes out, and moving it on to the next period. */
#[Route('/api/reports/{id}', requirements: ['id' => Records::ID])]
final readonly class SettlingController
{
    public function __construct(
        private Records $records,
        private SettlementState $settlement,
        private Rolling $rolling,
        private ReportState $states,
        private ReportEdit $edit,
        private Deferral $deferral,
        private OpenReports $open,
    ) {}

    #[Route('/findings', methods: 'GET')]
    #[Operation('What has to be settled before it goes out', answer: 'Settlement', isLong: true)]
    public function findings(int $id, Request $request): JsonResponse
    {
        $record = $this->records->report($id);

        return $this->deferral->maybe(
            $request,
            ReportSize::of($record),
            "Looking through “{$record->title}”",
            $this->states->pulse($record)['sign'],
        ) ?? new JsonResponse($this->settlement->of($record));
    }

    #[Route('/acceptances', methods: 'PUT')]
    #[Operation(
        'Leave something as it is, with a reason',
        answer: 'Report',
        body: ['finding' => 'string', 'reason' => 'string'],
        isSigned: true,
    )]
    public function accept(int $id, Request $request): JsonResponse
    {
        $body = JsonBody::of($request)->object(['finding', 'reason']);
        $accepted = new Acceptance(
            $body->must('finding')->string(400),
            trim($body->must('reason')->string(400)),
            Signature::of($request),
            (new \DateTimeImmutable())->format(\DateTimeInterface::ATOM),
        );

        return $this->withAccepted($id, $accepted->finding, $accepted, $request);
    }

    #[Route('/acceptances', methods: 'DELETE')]
    #[Operation('Something has to be settled after all', answer: 'Report', body: ['finding' => 'string'])]
    public function withdraw(int $id, Request $request): JsonResponse
    {
        $finding = JsonBody::of($request)->object(['finding'])->must('finding')->string(400);

        return $this->withAccepted($id, $finding, null, $request);
    }

    /** What would change on which page if the closing period moved; nothing moves yet. */
    #[Route('/roll', methods: 'GET')]
    #[Operation(
        'What would change if the closing period moved', answer: 'RollPreview', query: ['to' => 'string'], isLong: true,
    )]
    public function preview(int $id, Request $request): JsonResponse
    {
        $record = $this->records->report($id);
        $to = Rolling::period($request->query->getString('to'));

        return $this->deferral->maybe(
            $request,
            2 * ReportSize::of($record),
            "Rolling “{$record->title}” on",
            $this->states->pulse($record)['sign'],
        ) ?? new JsonResponse($this->rolling->preview($record, $to));
    }

    #[Route('/roll', methods: 'POST')]
    #[Operation(
        'Move the closing period: that of the report where it is pinned, else those of its datasets',
        answer: 'Report',
        body: ['to' => 'string'],
        isVersioned: true,
        isSigned: true,
    )]
    public function roll(int $id, Request $request): JsonResponse
    {
        $record = $this->records->report($id);
        Version::insist($request, $record->version, fn (): array => $this->states->whole($record));
        $to = Rolling::period(JsonBody::of($request)->object(['to'])->must('to')->string(20));
        $report = $this->open->report($record);
        $this->edit->rollOn(
            id: $id,
            based: $record->version,
            moved: Rolling::moved($report, $to),
            closings: $this->rolling->closings($report, $to),
            says: 'The report is rolled on to '.PeriodNames::full($to),
            who: Signature::of($request),
        );

        return $this->answer($id);
    }

    private function withAccepted(int $id, string $finding, ?Acceptance $accepted, Request $request): JsonResponse
    {
        $record = $this->records->report($id);
        $report = $this->open->report($record);
        $others = array_values(
            array_filter($report->accepted, static fn (Acceptance $one): bool => $one->finding !== $finding),
        );
        $this->edit->save(
            $id,
            $record->version,
            With::of($report, ['accepted' => [...$others, ...array_filter([$accepted])]]),
            null === $accepted ? 'Something is to be settled after all' : 'Something is accepted as it is',
            Signature::of($request),
        );

        return $this->answer($id);
    }

    private function answer(int $id): JsonResponse
    {
        $record = $this->records->report($id);

        return Version::answer($this->states->whole($record), $record->version);
    }
}
