<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Charts;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\IncomingRecipes;
use KeenMargin\App\Http\JsonBody;
use KeenMargin\App\Http\ListPage;
use KeenMargin\App\Http\QueryNumber;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Http\Version;
use KeenMargin\App\Storage\Connection\Like;
use KeenMargin\App\Storage\Names\KeptDocuments;
use KeenMargin\App\Storage\Record\ChartRecord;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\App\Storage\Series\StoredFigures;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Question\Fit\RecipeFit;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Named charts. */
#[Route('/api/charts')]
final readonly class ChartController
{
    public function __construct(
        private EntityManagerInterface $manager,
        private Records $records,
        private SeriesStore $store,
        private ChartState $states,
        private IncomingRecipes $recipes,
        private KeptDocuments $documents,
        private WriteTurn $turn,
    ) {}

    /** By last use; with `q` those whose name or dataset has it, with `dataset` those of one. */
    #[Route('', methods: 'GET')]
    #[Operation(
        'Named charts, the last saved first',
        answer: 'page of Chart',
        query: ['page' => 'integer 1..', 'q' => 'string', 'dataset' => 'string'],
    )]
    public function list(Request $request): JsonResponse
    {
        $page = ListPage::of($request);
        $of = $this->manager
            ->createQueryBuilder()
            ->from(ChartRecord::class, 'chart')
            ->join('chart.dataset', 'dataset')
            ->where('dataset.deletedAt IS NULL AND chart.deletedAt IS NULL');
        $sought = mb_substr(trim(mb_scrub($request->query->getString('q'))), 0, 200);
        if ('' !== $sought) {
            $isLike = Like::any(['chart.name', 'dataset.name'], 'like');
            $of->andWhere($isLike)->setParameter('like', Like::within($sought));
        }
        if ($request->query->has('dataset')) {
            $of->andWhere('dataset.id = :dataset')->setParameter('dataset', QueryNumber::maybe($request, 'dataset'));
        }

        return new JsonResponse($page->listed($of, ChartRecord::class, $this->states->listed(...), ['usedAt', 'id']));
    }

    #[Route('', methods: 'POST')]
    #[Operation(
        'Name a chart',
        answer: 'Chart',
        status: 201,
        body: ['dataset' => 'integer', 'name' => 'string', 'recipe' => 'Recipe', 'names?' => 'integer'],
    )]
    public function post(Request $request): JsonResponse
    {
        $body = JsonBody::of($request)->object(['dataset', 'name', 'recipe', 'names']);
        $chart = $this->turn->onDataset($body->must('dataset')->int(1, Records::HIGHEST_ID), function (
            DatasetRecord $dataset,
        ) use ($body): ChartRecord {
            $chart = new ChartRecord($dataset, trim($body->must('name')->string()), $this->recipe($body, $dataset));
            $this->manager->persist($chart);

            return $chart;
        });

        return Version::answer($this->states->of($chart), $chart->version, 201);
    }

    #[Route('/{id}', requirements: ['id' => Records::ID], methods: 'GET')]
    #[Operation('A chart', answer: 'Chart')]
    public function get(int $id): JsonResponse
    {
        $chart = $this->records->chart($id);
        $this->records->used($chart);

        return Version::answer($this->states->of($chart), $chart->version);
    }

    #[Route('/{id}', requirements: ['id' => Records::ID], methods: 'PUT')]
    #[Operation(
        'Save a chart',
        answer: 'Chart',
        body: ['name' => 'string', 'recipe' => 'Recipe', 'names?' => 'integer'],
        isVersioned: true,
    )]
    public function put(int $id, Request $request): JsonResponse
    {
        $body = JsonBody::of($request)->object(['name', 'recipe', 'names']);
        $chart = $this->turn->take(function () use ($id, $request, $body): ChartRecord {
            $chart = $this->unchanged($id, $request);
            $chart->name = trim($body->must('name')->string());
            $chart->recipe = $this->recipe($body, $chart->dataset);
            $chart->savedAt = $chart->usedAt = new \DateTimeImmutable();

            return $chart;
        });

        return Version::answer($this->states->of($chart), $chart->version);
    }

    #[Route('/{id}', requirements: ['id' => Records::ID], methods: 'DELETE')]
    #[Operation('Delete a chart', status: 204, isVersioned: true)]
    public function delete(int $id, Request $request): Response
    {
        $this->turn->take(function () use ($id, $request): void {
            $this->unchanged($id, $request)->deletedAt = new \DateTimeImmutable();
        });

        return new Response(null, 204);
    }

    /** Brings back what was deleted. */
    #[Route('/{id}/restoration', requirements: ['id' => Records::ID], methods: 'POST')]
    #[Operation('Bring a deleted chart back', answer: 'Chart')]
    public function restore(int $id): JsonResponse
    {
        $chart = $this->turn->take(function () use ($id): ChartRecord {
            $chart = $this->records->maybeDeletedChart($id);
            $chart->deletedAt = null;
            $chart->usedAt = new \DateTimeImmutable();

            return $chart;
        });

        return Version::answer($this->states->of($chart), $chart->version);
    }

    /** The same chart under a name of its own. */
    #[Route('/{id}/copies', requirements: ['id' => Records::ID], methods: 'POST')]
    #[Operation('The chart once more, under a name of its own', answer: 'Chart', status: 201)]
    public function copy(int $id): JsonResponse
    {
        $copy = $this->turn->take(function () use ($id): ChartRecord {
            $chart = $this->records->chart($id);
            $copy = new ChartRecord($chart->dataset, mb_substr($chart->name, 0, 190).' (copy)', $chart->recipe);
            $this->manager->persist($copy);

            return $copy;
        });

        return Version::answer($this->states->of($copy), $copy->version, 201);
    }

    private function unchanged(int $id, Request $request): ChartRecord
    {
        $chart = $this->records->chart($id);
        Version::insist($request, $chart->version, fn (): array => $this->states->of($chart));

        return $chart;
    }

    /** @return array<string, mixed> the recipe that was sent, checked against its dataset, as it is kept */
    private function recipe(Given $body, DatasetRecord $record): array
    {
        $dataset = (new StoredFigures($record, $this->store))->dataset();
        try {
            $recipe = $this->recipes->read($body->must('recipe'), $record, Version::names($body));
            RecipeFit::insist($recipe, $dataset);
        } catch (NotAccepted $e) {
            throw new NotAccepted('recipe.'.$e->path, $e->reason);
        }

        return $this->documents->keptRecipe((int) $record->id, RecipeWriter::toArray($recipe));
    }
}
