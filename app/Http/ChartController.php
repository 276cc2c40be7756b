<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Storage\ChartRecord;
use KeenMargin\App\Storage\SeriesStore;
use KeenMargin\App\Storage\StoredFigures;
use KeenMargin\Core\Chart\ChartKinds;
use KeenMargin\Core\Chart\Drawing;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Question\RecipeFit;
use KeenMargin\Core\Question\RecipeReader;
use KeenMargin\Core\Question\RecipeWriter;
use KeenMargin\Core\Render\SvgRenderer;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Named charts. */
#[Route('/api/charts')]
final readonly class ChartController
{
    private const PICTURE_WIDTH = 620;

    public function __construct(private EntityManagerInterface $manager, private Records $records, private SeriesStore $store, private ChartKinds $kinds, private SvgRenderer $svg, private ChartState $states)
    {
    }

    #[Route('', methods: 'GET')]
    public function list(Request $request): JsonResponse
    {
        $page = Page::of($request);
        $of = $this->manager->createQueryBuilder()->from(ChartRecord::class, 'chart')->join('chart.dataset', 'dataset')->where('dataset.deletedAt IS NULL');
        /** @var list<ChartRecord> $records */
        $records = (clone $of)->select('chart')->orderBy('chart.usedAt', 'DESC')->addOrderBy('chart.id', 'DESC')->setFirstResult($page->first())->setMaxResults(Page::SIZE)->getQuery()->getResult();

        return new JsonResponse($page->with(array_map($this->states->listed(...), $records), (int) $of->select('COUNT(chart.id)')->getQuery()->getSingleScalarResult()));
    }

    #[Route('', methods: 'POST')]
    public function post(Request $request): JsonResponse
    {
        $body = JsonBody::of($request)->object(['dataset', 'name', 'recipe']);
        $dataset = $this->records->dataset($body->must('dataset')->int(1, 999_999_999));
        $chart = new ChartRecord($dataset, trim($body->must('name')->string()), $this->recipe($body->must('recipe'), new StoredFigures($dataset, $this->store)));
        $this->manager->persist($chart);
        $this->manager->flush();

        return Version::answer(ChartState::of($chart), $chart->version, 201);
    }

    #[Route('/{id}', requirements: ['id' => '\d{1,9}'], methods: 'GET')]
    public function get(int $id): JsonResponse
    {
        $chart = $this->records->chart($id);
        $this->records->used($chart);

        return Version::answer(ChartState::of($chart), $chart->version);
    }

    #[Route('/{id}', requirements: ['id' => '\d{1,9}'], methods: 'PUT')]
    public function put(int $id, Request $request): JsonResponse
    {
        $chart = $this->records->chart($id);
        $stale = Version::maybeStale($request, $chart->version, ChartState::of($chart));
        if (null !== $stale) {
            return $stale;
        }
        $body = JsonBody::of($request)->object(['name', 'recipe']);
        $chart->name = trim($body->must('name')->string());
        $chart->recipe = $this->recipe($body->must('recipe'), new StoredFigures($chart->dataset, $this->store));
        $chart->savedAt = $chart->usedAt = new \DateTimeImmutable();
        $this->manager->flush();

        return Version::answer(ChartState::of($chart), $chart->version);
    }

    #[Route('/{id}', requirements: ['id' => '\d{1,9}'], methods: 'DELETE')]
    public function delete(int $id, Request $request): Response
    {
        $chart = $this->records->chart($id);
        $stale = Version::maybeStale($request, $chart->version, ChartState::of($chart));
        if (null !== $stale) {
            return $stale;
        }
        $this->manager->remove($chart);
        $this->manager->flush();

        return new Response(null, 204);
    }

    /** The chart as it is now, small. */
    #[Route('/{id}/picture.svg', requirements: ['id' => '\d{1,9}'], methods: 'GET')]
    public function picture(int $id): Response
    {
        $chart = $this->records->chart($id);
        $figures = new StoredFigures($chart->dataset, $this->store);
        $recipe = RecipeReader::read(Given::json(json_encode($chart->recipe, \JSON_THROW_ON_ERROR)), $figures->dataset()->calendar);

        return new Response($this->svg->render(Drawing::of($recipe->wide(self::PICTURE_WIDTH), $figures, $this->kinds)->scene), 200, ['Content-Type' => 'image/svg+xml']);
    }

    /** @return array<string, mixed> the recipe, checked against its dataset */
    private function recipe(Given $given, StoredFigures $figures): array
    {
        try {
            $recipe = RecipeReader::read($given->asDocument(), $figures->dataset()->calendar);
            RecipeFit::insist($recipe, $figures->dataset());
        } catch (NotAccepted $e) {
            throw new NotAccepted('recipe.'.$e->path, $e->reason);
        }

        return RecipeWriter::toArray($recipe);
    }
}
