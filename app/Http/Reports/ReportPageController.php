<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Reports;

use KeenMargin\App\Export\Report\ReportFormats;
use KeenMargin\App\Export\Report\ReportRenderer;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\FileName;
use KeenMargin\App\Http\QueryNumber;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Reports\NumberOffers;
use KeenMargin\App\Reports\OpenReports;
use KeenMargin\App\Reports\PageState;
use KeenMargin\App\Reports\ReportFile;
use KeenMargin\App\Reports\StoredOrigin;
use KeenMargin\App\Storage\Record\ReportRecord;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Render\SvgRenderer;
use KeenMargin\Core\Report\Layout\Paper;
use KeenMargin\Core\Report\Layout\ReportPages;
use KeenMargin\Core\Report\Page;
use KeenMargin\Core\Report\Report;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;

/** Pages of reports, always as they are now: for the screen, as a small picture, as PDF. */
final readonly class ReportPageController
{
    private const WIDEST_COLUMN = 900.0;

    public function __construct(
        private Records $records,
        private OpenReports $open,
        private ReportFile $files,
        private SvgRenderer $svg,
        private ReportFormats $formats,
        private StoredOrigin $origin,
    ) {}

    /** With `width`, as a column of that many points, blocks below one another: for a phone. */
    #[Route(
        '/api/reports/{id}/pages/{page}',
        requirements: ['id' => Records::ID, 'page' => '[A-Za-z0-9_-]{1,40}'],
        methods: 'GET',
    )]
    #[Operation(
        'A page as it is now, on its sheet or as a column', answer: 'ReportPage', query: ['width' => 'integer 1..'],
    )]
    public function page(int $id, string $page, Request $request): JsonResponse
    {
        $report = $this->open->report($this->records->report($id));
        $drawing = $this->open->drawing($report);
        $width = QueryNumber::maybe($request, 'width');
        $paper = null !== $width ? Paper::column(min((float) $width, self::WIDEST_COLUMN)) : null;
        $drawn = (new ReportPages($drawing))->page(self::pageOf($report, $page), $paper);

        return new JsonResponse(PageState::of($drawn, $drawing));
    }

    #[Route(
        '/api/reports/{id}/pages/{page}/numbers',
        requirements: ['id' => Records::ID, 'page' => '[A-Za-z0-9_-]{1,40}'],
        methods: 'GET',
    )]
    #[Operation(
        'Numbers that a text of the page may take: what its charts say, and their workings',
        answer: 'NumberOffers',
        query: ['q' => 'string', 'of' => 'string', 'row' => 'string'],
    )]
    public function numbers(int $id, string $page, Request $request): JsonResponse
    {
        $report = $this->open->report($this->records->report($id));
        $sought = mb_substr(mb_scrub($request->query->getString('q')), 0, 200);
        $block = mb_substr(mb_scrub($request->query->getString('of')), 0, 40);
        $row = mb_substr(mb_scrub($request->query->getString('row')), 0, 1000);

        return new JsonResponse([
            'items' => NumberOffers::of(
                $this->open->drawing($report), self::pageOf($report, $page), $sought, $block, $row,
            ),
        ]);
    }

    /** As files have it: datasets and charts by their names, with the charts and notes that it needs. */
    #[Route('/api/reports/{id}/document', requirements: ['id' => Records::ID], methods: 'GET')]
    #[Operation('The document that ./keen report makes the same pages of', answer: 'object')]
    public function document(int $id): JsonResponse
    {
        $report = $this->open->report($this->records->report($id));

        return new JsonResponse($this->files->document($report));
    }

    #[Route('/api/reports/{id}/picture.svg', requirements: ['id' => Records::ID], methods: 'GET')]
    #[Operation('The first page as it is now, as a picture', media: ['image/svg+xml'])]
    public function picture(int $id): Response
    {
        $report = $this->withPage($this->records->report($id));
        $drawn = (new ReportPages($this->open->drawing($report)))->page($report->pages[0]);

        return new Response($this->svg->render($drawn->picture()), 200, ['Content-Type' => 'image/svg+xml']);
    }

    /** All pages, under an address to link to; whoever opens it gets them as they are now. */
    #[Route(
        '/reports/{id}.{format}',
        requirements: ['id' => Records::ID, 'format' => ReportFormats::ENDINGS],
        methods: 'GET',
    )]
    #[Operation(
        'All pages as they are now, or one of them, as a file',
        query: ['page' => 'string'],
        media: ReportFormats::MEDIA_TYPES,
    )]
    public function whole(int $id, string $format, Request $request): Response
    {
        $record = $this->records->report($id);
        $renderer = $this->formats->of($format);
        $made = new \DateTimeImmutable();
        $report = $this->withPage($record);
        $page = $request->query->getString('page');
        $only = '' === $page ? null : self::pageOf($report, $page);
        $pages = new ReportPages($this->open->drawing($report), $made, $only);

        return self::file($renderer->render($pages, $made, $this->origin->of($record)), $record->title, $renderer);
    }

    public static function file(string $bytes, string $title, ReportRenderer $renderer): Response
    {
        $name = FileName::ofTitle($title, $renderer->format());
        // A browser shows PDF by itself, and nothing else of what a report is written as.
        $shown = 'pdf' === $renderer->format() ? 'inline' : 'attachment';

        return new Response($bytes, 200, [
            'Content-Type' => $renderer->mediaType(),
            'Cache-Control' => 'max-age=0, must-revalidate',
            'Content-Disposition' => HeaderUtils::makeDisposition($shown, ...$name),
        ]);
    }

    /** A report without any page is shown as one that nothing stands on. */
    private function withPage(ReportRecord $record): Report
    {
        $report = $this->open->report($record);

        return [] === $report->pages ? $report->withPages([new Page('blank', $report->title)]) : $report;
    }

    private static function pageOf(Report $report, string $id): Page
    {
        return $report->maybePage($id) ??
            throw new NotFoundHttpException("There is no page $id in this report. It may have been deleted.");
    }
}
