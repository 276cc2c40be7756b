<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Figures;

use KeenMargin\App\Export\Table\CsvWriter;
use KeenMargin\App\Export\Table\ExactCell;
use KeenMargin\App\Export\Table\TextFileWriter;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\FileName;
use KeenMargin\App\Http\IncomingRecipes;
use KeenMargin\App\Http\JsonBody;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Import\FactSources;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Series\OpenDatasets;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Series\MemoizedFigures;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\Waterfall\ScenarioBridge;
use KeenMargin\Core\Workings\About\RowActions;
use KeenMargin\Core\Workings\About\RowChange;
use KeenMargin\Core\Workings\About\RowFigures;
use KeenMargin\Core\Workings\About\RowTarget;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** One row of what a recipe shows: where its numbers came from, and where to go from it. */
#[Route('/api/datasets/{id}', requirements: ['id' => Records::ID], methods: 'POST')]
final readonly class RowController
{
    public function __construct(
        private Records $records,
        private OpenDatasets $datasets,
        private FactSources $sources,
        private ChartKinds $kinds,
        private IncomingRecipes $recipes,
    ) {}

    #[Route('/rows')]
    #[Operation(
        'A row: the files its numbers came from, ways to look into it, the recipe without it',
        answer: 'RowAbout',
        body: ['recipe' => 'Recipe', 'row' => 'string'],
    )]
    public function row(int $id, Request $request): JsonResponse
    {
        [$record, $figures, $recipe, $workings, $row] = $this->asked(
            $id, JsonBody::of($request)->object(['recipe', 'row']),
        );
        $steps = RowActions::of($row, $workings, $recipe, $figures->dataset(), $this->kinds);
        $of = new RowFigures($row, $workings, $recipe->question, $figures);
        $imports = fn (Scenario $scenario): array => [
            'scenario' => $scenario->value,
            'imports' => $this->sources->imports($record, $of->of($scenario)),
        ];

        return new JsonResponse([
            'key' => $row->key->id,
            'label' => $row->label,
            'canNote' => null !== RowTarget::maybe($row, $workings, $recipe->question),
            'deeper' => array_map(
                static fn (array $way): array => [
                    'by' => $way['by'],
                    'label' => $way['label'],
                    'recipe' => RecipeWriter::toArray($way['recipe']),
                ],
                $steps->deeper,
            ),
            'without' => null === $steps->without ? null : RecipeWriter::toArray($steps->without),
            'whyNot' => $steps->whyNot,
            'scenarios' => array_map($imports, self::scenarios($row, $recipe, $workings)),
            'changes' => array_map(
                static fn (RowChange $change): array => [
                    'id' => $change->id,
                    'label' => $change->label,
                    'key' => $change->key,
                    'recipe' => RecipeWriter::toArray($change->recipe),
                ],
                $this->kinds->of($recipe->kind->id())->changes($row, $workings, $recipe, $figures->dataset()),
            ),
        ]);
    }

    /** The rows of the files, a page of each file's. */
    #[Route('/rows/sources')]
    #[Operation(
        "The rows of the files that a row came from, a page of each file's",
        answer: 'SourceFiles',
        body: ['recipe' => 'Recipe', 'row' => 'string', 'scenario' => 'string', 'page?' => 'integer'],
    )]
    public function sources(int $id, Request $request): JsonResponse
    {
        $body = JsonBody::of($request)->object(['recipe', 'row', 'scenario', 'page']);
        [$record, $figures, $recipe, $workings, $row] = $this->asked($id, $body);
        $of = new RowFigures($row, $workings, $recipe->question, $figures);

        $facts = $of->of($body->must('scenario')->enum(Scenario::class));
        $page = $body->maybe('page')?->int(1, 100_000) ?? 1;

        return new JsonResponse(['files' => $this->sources->of($record, $facts, $page)]);
    }

    /** All of these rows, as one table. */
    #[Route('/rows/sources.csv')]
    #[Operation(
        'All of these rows as one table',
        body: ['recipe' => 'Recipe', 'row' => 'string', 'scenario' => 'string'],
        media: ['text/csv'],
    )]
    public function table(int $id, Request $request): Response
    {
        $body = JsonBody::of($request)->object(['recipe', 'row', 'scenario']);
        [$record, $figures, $recipe, $workings, $row] = $this->asked($id, $body);
        $of = new RowFigures($row, $workings, $recipe->question, $figures);
        $facts = $of->of($body->must('scenario')->enum(Scenario::class));
        $path = TextFileWriter::temporary('sources');
        $writer = CsvWriter::to($path, '');
        foreach ($this->sources->table($record, $facts) as $line) {
            $writer->row(array_map(
                static fn (string $cell): string|ExactCell => 1 === preg_match('/^-?\d{1,15}(\.\d+)?$/D', $cell)
                    ? new ExactCell($cell)
                    : $cell,
                $line,
            ));
        }
        $writer->close();
        $response = new BinaryFileResponse($path, 200, ['Content-Type' => 'text/csv; charset=utf-8'], false);
        $response->headers->set(
            'Content-Disposition',
            HeaderUtils::makeDisposition(
                'attachment',
                ...FileName::ofTitle("{$workings->context->subject} {$row->label} sources", 'csv'),
            ),
        );

        return $response->deleteFileAfterSend();
    }

    /** @return array{DatasetRecord, MemoizedFigures, Recipe, Workings, Row} */
    private function asked(int $id, Given $body): array
    {
        $record = $this->records->dataset($id);
        $figures = new MemoizedFigures($this->datasets->figures($record));
        $recipe = $this->recipes->read($body->must('recipe'), $record);
        $workings = Drawing::workings($recipe, $figures, $this->kinds);
        $key = $body->must('row')->text(1000);
        $row =
            $workings->table->maybeRow($key) ??
            throw new NotAccepted('row', "There is no row \"$key\" in this chart.");

        return [$record, $figures, $recipe, $workings, $row];
    }

    /** @return list<Scenario> what is shown first, then what it is held against */
    private static function scenarios(Row $row, Recipe $recipe, Workings $workings): array
    {
        $question = $recipe->question;
        $shown =
            null === $workings->context->forecast
                ? [$question->scenario]
                : (null === $row->shownScenario
                    ? [$question->scenario, $workings->context->forecast]
                    : ($row->shownScenario === $workings->context->forecast && null === $row->period
                        ? [$question->scenario, $workings->context->forecast]
                        : [$row->shownScenario]));

        $references = array_filter(
            array_map(static fn (Reference $one): ?Scenario => $one->scenario, $workings->table->references),
        );

        $bridge = $question->bridge instanceof ScenarioBridge ? $question->bridge->stations() : [];

        return array_values(array_unique([...$bridge, ...$shown, ...$references], \SORT_REGULAR));
    }
}
