<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Reports;

use KeenMargin\App\Editing\ReportEdit;
use KeenMargin\App\Export\Report\ReportFormats;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\QueryNumber;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Http\Signature;
use KeenMargin\App\Http\StaleVersion;
use KeenMargin\App\Http\Version;
use KeenMargin\App\Jobs\Deferral;
use KeenMargin\App\Reports\Changes;
use KeenMargin\App\Reports\Issuing;
use KeenMargin\App\Reports\ReportSize;
use KeenMargin\App\Reports\ReportState;
use KeenMargin\App\Storage\Reports\IssueStore;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\App\Work\CurrentJob;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;

/** Reports as they went out: issued, opened, exported as they were, compared with what is now. */
final readonly class IssueController
{
    private const NUMBER = '[1-9][0-9]{0,5}';

    public function __construct(
        private Records $records,
        private IssueStore $issues,
        private Issuing $issuing,
        private ReportFormats $formats,
        private Changes $changes,
        private ReportState $states,
        private ReportEdit $edit,
        private Deferral $deferral,
        private CurrentJob $job,
        private WriteTurn $turn,
    ) {}

    /** As it is at this version: somebody else's later change does not go out unseen. */
    #[Route('/api/reports/{id}/issues', requirements: ['id' => Records::ID], methods: 'POST')]
    #[Operation(
        'Issue the report as it is: frozen with every number, note and page',
        answer: 'Report',
        status: 201,
        isVersioned: true,
        isSigned: true,
        isLong: true,
    )]
    public function issue(int $id, Request $request): JsonResponse
    {
        $record = $this->records->report($id);
        Version::insist($request, $record->version, fn (): array => $this->states->whole($record));
        $job = $this->deferral->maybe($request, ReportSize::of($record), "Issuing “{$record->title}”");
        if (null !== $job) {
            return $job;
        }
        $who = Signature::of($request);
        $sign = $this->states->pulse($record)['sign'];
        $version = $record->version;
        $issued = $this->issuing->of($record, $who, new \DateTimeImmutable());
        $this->turn->take(function () use ($id, $sign, $version, $who, $issued): void {
            $record = $this->edit->record($id);
            if ($record->version !== $version) {
                throw new StaleVersion($this->states->whole($record));
            }
            // Where its figures were changed meanwhile, it is made anew while nobody else may change them.
            $isSame = $this->states->pulse($record)['sign'] === $sign;
            $this->issues->add($id, $isSame ? $issued : $this->issuing->of($record, $who, new \DateTimeImmutable()));
            $this->job->committing();
        });
        $record = $this->records->report($id);

        return Version::answer($this->states->whole($record), $record->version, 201);
    }

    #[Route(
        '/api/reports/{id}/issues/{number}',
        requirements: ['id' => Records::ID, 'number' => self::NUMBER],
        methods: 'GET',
    )]
    #[Operation('An issued report, as it went out', answer: 'IssuedReport')]
    public function get(int $id, int $number): JsonResponse
    {
        $brief = $this->issues->maybeBrief($id, $number);
        $pages = $this->issues->maybePart($id, $number, 'pages');
        $sources = $this->issues->maybePart($id, $number, 'sources');
        if (null === $brief || null === $pages || null === $sources) {
            throw self::gone($number);
        }
        $head = json_encode($brief, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE);

        // What was kept goes out byte by byte.
        return JsonResponse::fromJsonString(
            substr($head, 0, -1).',"report":'.$id.',"pages":'.$pages.',"sources":'.$sources.'}',
        );
    }

    #[Route(
        '/reports/{id}/issues/{number}.{format}',
        requirements: ['id' => Records::ID, 'number' => self::NUMBER, 'format' => ReportFormats::ENDINGS],
        methods: 'GET',
    )]
    #[Operation('An issued report as it went out, as a file', media: ReportFormats::MEDIA_TYPES)]
    public function file(int $id, int $number, string $format): Response
    {
        $brief = $this->issues->maybeBrief($id, $number) ?? throw self::gone($number);
        $bytes =
            $this->issues->maybeFile($id, $number, $format) ??
            throw new NotFoundHttpException(
                "Issue $number went out before reports were kept as .$format; take its PDF, or issue it anew.",
            );
        $title = \is_string($brief['title']) ? $brief['title'] : 'Report';
        $closing = \is_string($brief['closing']) ? $brief['closing'] : '';

        return ReportPageController::file($bytes, trim("$title $closing"), $this->formats->of($format));
    }

    /** From an issued report to the draft, to the same with the figures as they are now, or to another issued one. */
    #[Route('/api/reports/{id}/changes', requirements: ['id' => Records::ID], methods: 'GET')]
    #[Operation(
        'What changed since an issued report: numbers, messages, notes, restated figures',
        answer: 'ReportChanges',
        query: ['from' => 'integer 1..', 'to' => 'string'],
        isLong: true,
    )]
    public function changes(int $id, Request $request): JsonResponse
    {
        $record = $this->records->report($id);
        $from = QueryNumber::maybe($request, 'from') ?? 0;
        $to = $request->query->getString('to', 'draft');
        $then = $this->issues->maybePart($id, $from, 'snapshot') ?? throw self::gone($from);

        return $this->deferral->maybe(
            $request, ReportSize::of($record), "Comparing “{$record->title}”", $this->states->pulse($record)['sign'],
        ) ?? new JsonResponse($this->changes->of($record, $then, $from, $to));
    }

    private static function gone(int $number): NotFoundHttpException
    {
        return new NotFoundHttpException("There is no issue $number of this report.");
    }
}
