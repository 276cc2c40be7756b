<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Reports;

use KeenMargin\App\Http\Build;
use KeenMargin\App\Http\Charts\Pictures;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Reports\OpenReports;
use KeenMargin\App\Storage\Record\ReportRecord;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Layout\BlockPicture;
use KeenMargin\Core\Report\Layout\DrawnPage;
use KeenMargin\Core\Report\Layout\PlacedBlock;
use KeenMargin\Core\Report\Layout\ReportPages;
use KeenMargin\Core\Report\Page;
use KeenMargin\Core\Report\Report;
use KeenMargin\Core\Scene\Plain;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\NotAPeriod;
use KeenMargin\Core\Time\Period;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;

/** Pages and blocks of reports as pictures under addresses to link to, always as they are now, or pinned to a month. */
final readonly class ReportPictureController
{
    private const KEY = '[A-Za-z0-9_-]{1,40}';
    private const FORMATS = 'svg|png|json';

    public function __construct(
        private Records $records,
        private OpenReports $open,
        private Pictures $pictures,
        private Build $build,
    ) {}

    #[Route(
        '/reports/{id}/blocks/{block}.{format}',
        requirements: ['id' => Records::ID, 'block' => self::KEY, 'format' => self::FORMATS],
        methods: 'GET',
    )]
    #[Operation(
        'A block of a report as a picture, under an address to link to, or what the picture tells',
        answer: 'PictureFacts',
        query: ['scale' => '1|2|3', 'closed' => 'string'],
        media: ['image/svg+xml', 'image/png'],
    )]
    public function block(int $id, string $block, string $format, Request $request): Response
    {
        $record = $this->records->report($id);
        $pages = array_filter(
            $this->open->report($record)->pages,
            static fn (Page $page): bool => null !== $page->maybeBlock($block),
        );
        $page = array_values($pages)[0] ?? throw self::gone("block $block");

        $scene = static fn (DrawnPage $drawn): Scene => BlockPicture::of(self::placed($drawn, $block));

        return $this->answer($record, $page->id, $format, $request, $scene);
    }

    private static function placed(DrawnPage $drawn, string $block): PlacedBlock
    {
        foreach ($drawn->blocks as $placed) {
            if ($block === $placed->block->id()) {
                return $placed;
            }
        }

        throw self::gone("block $block");
    }

    #[Route(
        '/reports/{id}/pages/{page}.{format}',
        requirements: ['id' => Records::ID, 'page' => self::KEY, 'format' => self::FORMATS],
        methods: 'GET',
    )]
    #[Operation(
        'A page of a report as a picture, under an address to link to, or what the picture tells',
        answer: 'PictureFacts',
        query: ['scale' => '1|2|3', 'closed' => 'string'],
        media: ['image/svg+xml', 'image/png'],
    )]
    public function page(int $id, string $page, string $format, Request $request): Response
    {
        $record = $this->records->report($id);

        return $this->answer(
            $record,
            $page,
            $format,
            $request,
            static fn (DrawnPage $drawn): Scene => $drawn->picture(),
        );
    }

    /** @param callable(DrawnPage): Scene $scene */
    private function answer(
        ReportRecord $record,
        string $page,
        string $format,
        Request $request,
        callable $scene,
    ): Response {
        $report = $this->closed($this->open->report($record), $request);
        $own = $report->maybePage($page) ?? throw self::gone("page $page");
        $answer = new Response(null, 200, Pictures::LINKED);
        $asked = [$request->getPathInfo(), $request->query->getString('scale'), $request->query->getString('closed')];
        $state = [$this->open->sign($record), $this->build->hash(), ...$asked];
        $answer->setEtag(hash('xxh128', implode("\n", $state)));
        $answer->setLastModified($this->open->changedAt($record));
        if ($answer->isNotModified($request)) {
            return $answer;
        }
        $drawing = $this->open->drawing($report);
        $drawn = $scene((new ReportPages($drawing))->page($own));
        $whole = 'json' === $format
            ? new JsonResponse(self::facts($drawn, $drawing, $own), 200, Pictures::LINKED)
            : $this->pictures->answer($drawn, $format, $request, Pictures::LINKED);
        $whole->setEtag(trim((string) $answer->getEtag(), '"'));
        $whole->setLastModified($answer->getLastModified());

        return $whole;
    }

    /** @return array<string, mixed> */
    private static function facts(Scene $scene, ReportDrawing $drawing, Page $page): array
    {
        $closing = $drawing->closings($page);

        return [
            'title' => '' === $scene->title ? $page->title : $scene->title,
            'summary' => $scene->description,
            'width' => Plain::round($scene->width),
            'height' => Plain::round($scene->height),
            'closed' => [] === $closing ? null : array_values($closing)[0]->key(),
        ];
    }

    /** @throws NotAccepted where what is asked for is no period */
    private function closed(Report $report, Request $request): Report
    {
        $told = $request->query->getString('closed');
        try {
            return '' === $told ? $report : $report->closed(Period::of($told, new FiscalCalendar()));
        } catch (NotAPeriod $e) {
            throw new NotAccepted('closed', $e->getMessage());
        }
    }

    private static function gone(string $what): NotFoundHttpException
    {
        return new NotFoundHttpException("There is no $what in this report. It may have been deleted.");
    }
}
