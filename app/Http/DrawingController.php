<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use KeenMargin\App\Export\WorkingsCsv;
use KeenMargin\App\Storage\DatasetNotes;
use KeenMargin\App\Storage\DatasetRecord;
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
    public function __construct(private Records $records, private SeriesStore $store, private ChartKinds $kinds, private SvgRenderer $svg, private DatasetNotes $notes)
    {
    }

    #[Route('/drawings')]
    public function drawing(int $id, Request $request): JsonResponse
    {
        [$recipe, $figures, $record] = $this->asked($id, $request);
        $notes = $this->notes->inChart($record, $recipe->question, false);
        $drawing = Drawing::of($recipe, $figures, $this->kinds, $notes);

        return new JsonResponse(DrawingState::of($recipe, $drawing, $figures->dataset(), $this->kinds) + NoteState::inChart($drawing->workings, $notes, $this->notes->records($record)));
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

    /** @return array{Recipe, Figures, DatasetRecord} */
    private function asked(int $id, Request $request): array
    {
        $record = $this->records->dataset($id);
        $figures = new StoredFigures($record, $this->store);
        $recipe = RecipeReader::read(JsonBody::of($request)->object(['recipe'])->must('recipe')->asDocument(), $figures->dataset()->calendar);

        return [$recipe, $figures, $record];
    }

    private static function named(Drawing $drawing, string $ending): string
    {
        return HeaderUtils::makeDisposition('attachment', ...FileName::ofTitle($drawing->scene->title, $ending));
    }
}
