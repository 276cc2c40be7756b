<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use KeenMargin\App\Export\WorkingsCsv;
use KeenMargin\App\Storage\SeriesStore;
use KeenMargin\App\Storage\StoredFigures;
use KeenMargin\Core\Chart\ChartKinds;
use KeenMargin\Core\Chart\Drawing;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\RecipeReader;
use KeenMargin\Core\Render\SvgRenderer;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Answers a question about a dataset: as data for the page, as a picture, as a table. */
#[Route('/api/datasets/{id}', requirements: ['id' => '\d{1,9}'], methods: 'POST')]
final readonly class DrawingController
{
    public function __construct(private Records $records, private SeriesStore $store, private ChartKinds $kinds, private SvgRenderer $svg)
    {
    }

    #[Route('/drawings')]
    public function drawing(int $id, Request $request): JsonResponse
    {
        [$recipe, $figures] = $this->asked($id, $request);

        return new JsonResponse(DrawingState::of($recipe, Drawing::of($recipe, $figures, $this->kinds), $figures->dataset(), $this->kinds));
    }

    #[Route('/pictures')]
    public function picture(int $id, Request $request): Response
    {
        [$recipe, $figures] = $this->asked($id, $request);
        $drawing = Drawing::of($recipe, $figures, $this->kinds);

        return new Response($this->svg->render($drawing->scene), 200, ['Content-Type' => 'image/svg+xml', 'Content-Disposition' => self::named($drawing, 'svg')]);
    }

    #[Route('/workings')]
    public function workings(int $id, Request $request): Response
    {
        [$recipe, $figures] = $this->asked($id, $request);
        $drawing = Drawing::of($recipe, $figures, $this->kinds);

        return new Response(WorkingsCsv::of($drawing->workings), 200, ['Content-Type' => 'text/csv; charset=utf-8', 'Content-Disposition' => self::named($drawing, 'csv')]);
    }

    /** @return array{Recipe, Figures} */
    private function asked(int $id, Request $request): array
    {
        $figures = new StoredFigures($this->records->dataset($id), $this->store);
        $recipe = RecipeReader::read(JsonBody::of($request)->object(['recipe'])->must('recipe')->asDocument(), $figures->dataset()->calendar);

        return [$recipe, $figures];
    }

    private static function named(Drawing $drawing, string $ending): string
    {
        return HeaderUtils::makeDisposition('attachment', ...FileName::ofTitle($drawing->scene->title, $ending));
    }
}
