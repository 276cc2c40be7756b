<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Charts;

use KeenMargin\App\Http\Build;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\FileName;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Reports\ChartSlides;
use KeenMargin\App\Reports\ReportDocuments;
use KeenMargin\App\Storage\DatasetNotes;
use KeenMargin\App\Storage\Names\KeptDocuments;
use KeenMargin\App\Storage\Record\ChartRecord;
use KeenMargin\App\Storage\Series\OpenDatasets;
use KeenMargin\App\Storage\Series\StoredFigures;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Report\ChartPage;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/**
 * Named charts as pictures, always as they are now: small ones for lists, and whole ones under an address to link to.
 */
final readonly class ChartPictureController
{
    private const SMALL = 620;

    public function __construct(
        private Records $records,
        private OpenDatasets $datasets,
        private ChartKinds $kinds,
        private Pictures $pictures,
        private ChartSlides $slides,
        private DatasetNotes $notes,
        private KeptDocuments $documents,
        private Build $build,
    ) {}

    #[Route('/api/charts/{id}/picture.svg', requirements: ['id' => Records::ID], methods: 'GET')]
    #[Operation('The chart as it is now, small', media: ['image/svg+xml'])]
    public function small(int $id, Request $request): Response
    {
        [$figures, $recipe] = $this->figured($this->records->chart($id));

        return $this->pictures->answer(
            Drawing::of($recipe->small(self::SMALL), $figures, $this->kinds)->scene, 'svg', $request,
        );
    }

    /** Whoever shows it asks each time whether it has changed. */
    #[Route(
        '/charts/{id}.{format}', requirements: ['id' => Records::ID, 'format' => 'svg|png|pdf|pptx'], methods: 'GET',
    )]
    #[Operation(
        'The chart as a picture or a slide, always as it is now, under an address to link to',
        query: ['scale' => '1|2|3'],
        media: ['image/svg+xml', 'image/png', 'application/pdf', ChartSlides::MEDIA_TYPE],
    )]
    public function whole(int $id, string $format, Request $request): Response
    {
        $chart = $this->records->chart($id);
        $answer = new Response(null, 200, Pictures::LINKED);
        $states = [$chart->version, $chart->dataset->version, $chart->dataset->revision];
        $answer->setEtag(
            implode('.', [$id, ...$states, $format, $request->query->getString('scale'), $this->build->hash()]),
        );
        if ($answer->isNotModified($request)) {
            return $answer;
        }
        [$figures, $recipe] = $this->figured($chart);
        if ('pptx' === $format) {
            return $this->slide($chart, $recipe, $answer);
        }
        $drawing = Drawing::of(
            $recipe, $figures, $this->kinds, $this->notes->inChart($chart->dataset, $recipe->question, true),
        );
        $picture = $this->pictures->answer($drawing->scene, $format, $request, Pictures::LINKED);
        $picture->setEtag(trim((string) $answer->getEtag(), '"'));

        return $picture;
    }

    private function slide(ChartRecord $chart, Recipe $recipe, Response $answer): Response
    {
        $report = ChartPage::report(
            ReportDocuments::namedChart($chart), $chart->name, $recipe->finish->message, $chart->dataset->organisation,
        );
        $name = FileName::ofTitle($chart->name, 'pptx');
        $answer->headers->set('Content-Type', ChartSlides::MEDIA_TYPE);
        $answer->headers->set('Content-Disposition', HeaderUtils::makeDisposition('attachment', ...$name));

        return $answer->setContent($this->slides->render($report));
    }

    /** @return array{StoredFigures, Recipe} */
    private function figured(ChartRecord $chart): array
    {
        $figures = $this->datasets->figures($chart->dataset);

        return [
            $figures,
            RecipeReader::read(
                Given::kept($this->documents->recipe($chart->recipe)), $this->kinds, $figures->dataset()->calendar,
            ),
        ];
    }
}
