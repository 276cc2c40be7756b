<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Charts;

use KeenMargin\App\Export\WorkingsCsv;
use KeenMargin\App\Export\WorkingsXlsx;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\FileName;
use KeenMargin\App\Http\IncomingRecipes;
use KeenMargin\App\Http\JsonBody;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Http\Version;
use KeenMargin\App\Reports\ChartSlides;
use KeenMargin\App\Reports\ReportDocuments;
use KeenMargin\App\Storage\DatasetNotes;
use KeenMargin\App\Storage\Names\KeptDocuments;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Series\OpenDatasets;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Question\Change\Ask;
use KeenMargin\Core\Question\Change\CarryOver;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\Typed\TypedSlot;
use KeenMargin\Core\Report\ChartPage;
use KeenMargin\Core\Workings\About\NotesInChart;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Answers a question about a dataset: as data for the page, as a picture, as a table. */
#[Route('/api/datasets/{id}', requirements: ['id' => Records::ID], methods: 'POST')]
final readonly class DrawingController
{
    private const MOST_ROWS = 1_000_000;

    public function __construct(
        private Records $records,
        private OpenDatasets $datasets,
        private ChartKinds $kinds,
        private Pictures $pictures,
        private ChartSlides $slides,
        private DatasetNotes $notes,
        private IncomingRecipes $recipes,
        private KeptDocuments $documents,
    ) {}

    /**
     * With `beside`, a second chart on the same scale. With `rows`, of a table at most so many rows, in a scene that
     * is as high as with all of them.
     */
    #[Route('/drawings')]
    #[Operation(
        'Answer a question: sentence, scene, reading, checks, workings, and the kinds with what they lack or would ask',
        answer: 'Drawing',
        body: ['recipe' => 'Recipe', 'beside?' => 'Recipe', 'names?' => 'integer', 'rows?' => 'integer'],
    )]
    public function drawing(int $id, Request $request): JsonResponse
    {
        $body = JsonBody::of($request)->object(['recipe', 'beside', 'names', 'rows']);
        $rows = $body->maybe('rows')?->int(1, self::MOST_ROWS);
        $record = $this->records->dataset($id);
        $figures = $this->datasets->figures($record);
        $records = $this->notes->of($record);
        $recipes = array_map(
            fn (Given $given): Recipe => $this->recipes->read($given, $record, Version::names($body)),
            array_filter([$body->must('recipe'), $body->maybe('beside')]),
        );
        $notes = array_map(
            fn (Recipe $recipe): NotesInChart => $this->notes->inChart($record, $recipe->question, false),
            $recipes,
        );
        $drawings = array_map(
            fn (Recipe $recipe, NotesInChart $notes): Drawing => Drawing::of(
                $recipe, $figures, $this->kinds, $notes, $rows,
            ),
            $recipes,
            $notes,
        );
        $drawings = isset($drawings[1]) ? Drawing::onOneScale($drawings) : $drawings;
        $states = array_map(
            fn (Recipe $recipe, Drawing $drawing, NotesInChart $notes): array => DrawingState::of(
                $recipe, $drawing, $figures->dataset(), $this->kinds,
            ) + NoteState::inChart($drawing, $notes, $records),
            $recipes,
            $drawings,
            $notes,
        );

        return new JsonResponse($states[0] + [
            'beside' => $states[1] ?? null,
            'names' => $this->documents->known->latest(),
        ]);
    }

    /** With the notes of its rows, numbered and below. */
    #[Route('/pictures', defaults: ['format' => 'svg'])]
    #[Route('/pictures.{format}', requirements: ['format' => 'svg|png|pdf|pptx'])]
    #[Operation(
        'The chart as SVG, PNG or PDF, with its notes below, or as a slide, with its notes in the margin',
        body: ['recipe' => 'Recipe'],
        query: ['scale' => '1|2|3'],
        media: ['image/svg+xml', 'image/png', 'application/pdf', ChartSlides::MEDIA_TYPE],
    )]
    public function picture(int $id, string $format, Request $request): Response
    {
        [$recipe, $figures, $record] = $this->asked($id, $request);
        $drawing = Drawing::of(
            $recipe, $figures, $this->kinds, $this->notes->inChart($record, $recipe->question, true),
        );

        $named = ['Content-Disposition' => self::named($drawing, $format)];

        return 'pptx' === $format
            ? new Response($this->slide($drawing, $record), 200, ['Content-Type' => ChartSlides::MEDIA_TYPE] + $named)
            : $this->pictures->answer($drawing->scene, $format, $request, $named);
    }

    private function slide(Drawing $drawing, DatasetRecord $record): string
    {
        $chart = ReportDocuments::ownChart($record, RecipeWriter::toArray($drawing->recipe));
        $message = $drawing->recipe->finish->message;
        $title = $drawing->workings->context->subject;

        return $this->slides->render(ChartPage::report($chart, $title, $message, $record->organisation));
    }

    #[Route('/workings', defaults: ['format' => 'csv'])]
    #[Route('/workings.{format}', requirements: ['format' => 'csv|xlsx|json'])]
    #[Operation(
        'The workings as CSV, as a workbook with live formulas, or as the JSON document that the command line prints',
        answer: 'object',
        body: ['recipe' => 'Recipe'],
        media: ['text/csv', 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'],
    )]
    public function workings(int $id, string $format, Request $request): Response
    {
        [$recipe, $figures] = $this->asked($id, $request);
        $drawing = Drawing::of($recipe, $figures, $this->kinds);
        [$bytes, $type] = match ($format) {
            'xlsx' => [
                WorkingsXlsx::of($drawing->workings),
                'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
            ],
            'json' => [$drawing->document(), 'application/json'],
            default => [WorkingsCsv::of($drawing->workings), 'text/csv; charset=utf-8'],
        };

        return new Response($bytes, 200, [
            'Content-Type' => $type,
            'Content-Disposition' => self::named($drawing, $format),
        ]);
    }

    /**
     * What was typed into a slot of the sentence, as a change of the question; null for a key that is left out from now
     * on.
     */
    #[Route('/slots')]
    #[Operation(
        'What was typed into a slot of the sentence, as a change of the question',
        answer: 'SlotChange',
        body: ['recipe' => 'Recipe', 'slot' => 'string', 'text' => 'string'],
    )]
    public function slot(int $id, Request $request): JsonResponse
    {
        $record = $this->records->dataset($id);
        $dataset = $this->datasets->figures($record)->dataset();
        $body = JsonBody::of($request)->object(['recipe', 'slot', 'text']);
        $recipe = $this->recipes->read($body->must('recipe'), $record);

        return new JsonResponse([
            'change' => (new TypedSlot($recipe->question, $dataset))->change(
                $body->must('slot')->string(300), trim($body->must('text')->string(500)),
            ),
        ]);
    }

    /** A recipe made on other figures: what does not match is asked, and what was answered is put in its place. */
    #[Route('/fits')]
    #[Operation(
        'Fit a recipe made on other figures: what does not match is asked',
        answer: 'Fitted',
        body: ['recipe' => 'Recipe', 'answers?' => 'NameMap'],
    )]
    public function fit(int $id, Request $request): JsonResponse
    {
        $record = $this->records->dataset($id);
        $dataset = $this->datasets->figures($record)->dataset();
        $body = JsonBody::of($request)->object(['recipe', 'answers']);
        $recipe = $this->recipes->read($body->must('recipe'), $record);
        $answers = array_map(
            static fn (Given $answer): string => $answer->text(500),
            $body->maybe('answers')?->entries() ?? [],
        );
        $fitted = CarryOver::of(RecipeWriter::toArray($recipe), $this->kinds, $dataset, $answers);

        return new JsonResponse([
            'recipe' => [] === $fitted['asks'] && null === $fitted['problem'] ? $fitted['recipe'] : null,
            'asks' => array_map(static fn (Ask $ask): array => $ask->toArray(), $fitted['asks']),
            'problem' => $fitted['problem'],
        ]);
    }

    /** @return array{Recipe, Figures, DatasetRecord} */
    private function asked(int $id, Request $request): array
    {
        $record = $this->records->dataset($id);
        $figures = $this->datasets->figures($record);
        $given = JsonBody::of($request)->object(['recipe'])->must('recipe');
        $recipe = $this->recipes->read($given, $record);

        return [$recipe, $figures, $record];
    }

    private static function named(Drawing $drawing, string $ending): string
    {
        return HeaderUtils::makeDisposition('attachment', ...FileName::ofTitle($drawing->scene->title, $ending));
    }
}
