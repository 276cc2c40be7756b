<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Sources;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\Contract\Sources\FetchedJson;
use KeenMargin\App\Http\Contract\Sources\SourceOffersJson;
use KeenMargin\App\Http\Contract\Sources\SourceTableJson;
use KeenMargin\App\Http\Contract\Sources\SourceTablesJson;
use KeenMargin\App\Http\Imports\ReadingState;
use KeenMargin\App\Http\JsonBody;
use KeenMargin\App\Http\ListPage;
use KeenMargin\App\Http\QueryNumber;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Http\Version;
use KeenMargin\App\Import\FirstLook;
use KeenMargin\App\Import\ReadingShelf;
use KeenMargin\App\Jobs\Deferral;
use KeenMargin\App\Sources\Fetching\FetchFolder;
use KeenMargin\App\Sources\Fetching\SourceFetch;
use KeenMargin\App\Sources\Kind\SourceKinds;
use KeenMargin\App\Sources\Reach\AllowedFolders;
use KeenMargin\App\Sources\Schedule\Schedule;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\SourceRecord;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\Core\Document\Given;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Where figures are fetched from: described, looked at, kept, fetched. */
final readonly class SourceController
{
    /** Rows that a first look shows. */
    private const FIRST_ROWS = 50;

    public function __construct(
        private EntityManagerInterface $manager,
        private Records $records,
        private SourceState $state,
        private SourceBody $body,
        private SourceKinds $kinds,
        private SourceFetch $fetch,
        private FirstLook $firstLook,
        private ReadingShelf $shelf,
        private ReadingState $reading,
        private WriteTurn $turn,
        private Deferral $deferral,
        private AllowedFolders $folders,
    ) {}

    #[Route('/api/sources', methods: 'GET')]
    #[Operation(
        'Sources: all of them, or those of a dataset',
        answer: 'page of Source',
        query: ['dataset' => 'integer 1..', 'page' => 'integer 1..'],
    )]
    public function list(Request $request): JsonResponse
    {
        $page = ListPage::of($request);
        $dataset = QueryNumber::maybe($request, 'dataset');
        $of = $this->manager
            ->createQueryBuilder()
            ->from(SourceRecord::class, 's')
            ->join('s.dataset', 'd')
            ->where('d.deletedAt IS NULL');
        if (null !== $dataset) {
            $of->andWhere('s.dataset = :dataset')->setParameter('dataset', $this->records->dataset($dataset));
        }

        return new JsonResponse($page->listed($of, SourceRecord::class, $this->state->of(...), ['id']));
    }

    #[Route('/api/sources/offers', methods: 'GET')]
    #[Operation('What a source can be made of here', answer: 'SourceOffers')]
    public function offers(): JsonResponse
    {
        return new JsonResponse(new SourceOffersJson($this->folders->all(), \DateTimeZone::listIdentifiers()));
    }

    /** The first rows as a reading, which the page asks how it is to be read. */
    #[Route('/api/sources/looks', methods: 'POST')]
    #[Operation(
        'Look at the first rows of a source that is not kept yet',
        answer: 'Reading',
        status: 201,
        body: [
            'dataset' => 'integer',
            'kind' => 'web|database|folder',
            'settings' => 'object',
            'secret?' => 'string',
            'source?' => 'integer',
            'schedule?' => 'Schedule',
            'lookBack?' => 'integer 1..60',
        ],
    )]
    public function look(Request $request): JsonResponse
    {
        $body = JsonBody::of($request)->object([
            'dataset', 'kind', 'settings', 'secret', 'source', 'schedule', 'lookBack',
        ]);
        $dataset = $this->dataset($body);
        $draft = $this->body->draft($body, $dataset, $this->maybeKnown($body));
        $folder = FetchFolder::make();
        try {
            $fetched = $this->fetch->look($draft, $folder, self::FIRST_ROWS);
            $look = $this->firstLook->look($this->shelf->put($fetched->name, $fetched->path), target: $dataset);
        } finally {
            $folder->remove();
        }

        return new JsonResponse($this->reading->of($look, $dataset), 201);
    }

    #[Route('/api/sources/tables', methods: 'POST')]
    #[Operation(
        'The tables of a database and their columns',
        answer: 'SourceTables',
        body: [
            'dataset' => 'integer',
            'kind' => 'web|database|folder',
            'settings' => 'object',
            'secret?' => 'string',
            'source?' => 'integer',
        ],
    )]
    public function tables(Request $request): JsonResponse
    {
        $body = JsonBody::of($request)->object(['dataset', 'kind', 'settings', 'secret', 'source']);
        $draft = $this->body->draft($body, $this->dataset($body), $this->maybeKnown($body));
        $tables = $this->kinds->database->tables($draft->settings, $draft->secret);

        return new JsonResponse(new SourceTablesJson(array_map(
            static fn (
                string|int $name,
                array $columns,
            ): SourceTableJson => new SourceTableJson((string) $name, $columns),
            array_keys($tables),
            $tables,
        )));
    }

    #[Route('/api/sources/times', methods: 'POST')]
    #[Operation('A schedule in words, and its next times', answer: 'ScheduleTimes', body: 'Schedule')]
    public function times(Request $request): JsonResponse
    {
        return new JsonResponse($this->state->times(Schedule::read(JsonBody::of($request))));
    }

    #[Route('/api/sources', methods: 'POST')]
    #[Operation(
        'Keep a source of a dataset',
        answer: 'Source',
        status: 201,
        body: [
            'dataset' => 'integer',
            'name' => 'string',
            'kind' => 'web|database|folder',
            'settings' => 'object',
            'secret?' => 'string',
            'mapping' => 'Mapping',
            'mode?' => 'add|replace periods|replace all',
            'schedule?' => 'Schedule',
            'takes?' => 'never|new periods|open periods|checked',
            'lookBack?' => 'integer 1..60',
        ],
    )]
    public function post(Request $request): JsonResponse
    {
        $body = JsonBody::of($request)->object(['dataset', ...SourceBody::KEYS]);
        $this->dataset($body);
        $source = $this->turn->take(function () use ($body): SourceRecord {
            $source = $this->body->new($body, $this->dataset($body));
            $source->dueAt = $this->fetch->maybeNextDue($source);
            $this->manager->persist($source);

            return $source;
        });

        return Version::answer($this->state->of($source), $source->version, 201);
    }

    #[Route('/api/sources/{id}', requirements: ['id' => Records::ID], methods: 'GET')]
    #[Operation('A source', answer: 'Source')]
    public function get(int $id): JsonResponse
    {
        $source = $this->records->source($id);

        return Version::answer($this->state->of($source), $source->version);
    }

    #[Route('/api/sources/{id}', requirements: ['id' => Records::ID], methods: 'PATCH')]
    #[Operation(
        'Change a source; a secret that is kept is forgotten where the host is another one',
        answer: 'Source',
        body: [
            'name?' => 'string',
            'settings?' => 'object',
            'secret?' => 'string',
            'mapping?' => 'Mapping',
            'mode?' => 'add|replace periods|replace all',
            'schedule?' => 'Schedule',
            'takes?' => 'never|new periods|open periods|checked',
            'lookBack?' => 'integer 1..60',
        ],
        isVersioned: true,
    )]
    public function patch(int $id, Request $request): JsonResponse
    {
        $body = JsonBody::of($request)->object(array_values(array_diff(SourceBody::KEYS, ['kind'])));
        $this->records->source($id);
        $source = $this->turn->take(function () use ($id, $body, $request): SourceRecord {
            $source = $this->records->source($id);
            Version::insist($request, $source->version, fn (): object => $this->state->of($source));
            $this->body->change($source, $body);
            ++$source->version;
            $source->dueAt = $this->fetch->maybeNextDue($source);

            return $source;
        });

        return Version::answer($this->state->of($source), $source->version);
    }

    /** What it brought stays, as imports; what waits goes with it. */
    #[Route('/api/sources/{id}', requirements: ['id' => Records::ID], methods: 'DELETE')]
    #[Operation('Remove a source: what it brought stays, what waits goes with it', status: 204)]
    public function delete(int $id): Response
    {
        $this->records->source($id);
        $this->turn->take(fn () => $this->manager->remove($this->records->source($id)));

        return new Response(null, 204);
    }

    #[Route('/api/sources/{id}/fetches', requirements: ['id' => Records::ID], methods: 'POST')]
    #[Operation('Fetch a source now', answer: 'Fetched', isLong: true)]
    public function fetch(int $id, Request $request): JsonResponse
    {
        $source = $this->records->source($id);
        $job = $this->deferral->maybe($request, \PHP_INT_MAX, "$source->name is being fetched");
        if (null !== $job) {
            return $job;
        }
        $outcome = $this->fetch->run($id);

        return new JsonResponse(new FetchedJson($outcome->value, $this->state->of($this->records->source($id))));
    }

    private function dataset(Given $body): DatasetRecord
    {
        return $this->records->dataset($body->must('dataset')->int(1, Records::HIGHEST_ID));
    }

    private function maybeKnown(Given $body): ?SourceRecord
    {
        $id = $body->maybe('source')?->int(1, Records::HIGHEST_ID);

        return null === $id ? null : $this->records->source($id);
    }
}
