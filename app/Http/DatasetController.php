<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Import\BringIn;
use KeenMargin\App\Storage\DatasetRecord;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\NotAPeriod;
use KeenMargin\Core\Time\Period;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

#[Route('/api/datasets')]
final readonly class DatasetController
{
    public function __construct(private EntityManagerInterface $manager, private BringIn $bringIn, private DatasetState $state, private Records $records)
    {
    }

    #[Route('', methods: 'GET')]
    public function list(Request $request): JsonResponse
    {
        $page = Page::of($request);
        $repository = $this->manager->getRepository(DatasetRecord::class);
        $records = $repository->findBy([], ['usedAt' => 'DESC', 'id' => 'DESC'], Page::SIZE, $page->first());

        return new JsonResponse($page->with(array_map($this->state->brief(...), $records), $repository->count([])));
    }

    /** Confirms a reading: all of it becomes a dataset, or nothing does. */
    #[Route('', methods: 'POST')]
    public function post(Request $request): JsonResponse
    {
        $body = JsonBody::of($request)->object(['reading', 'name', 'organisation', 'mapping']);
        $id = $body->must('reading')->string(24);
        $name = trim($body->must('name')->string(200));
        $organisation = trim($body->maybe('organisation')?->string(200) ?? '');
        $record = $this->bringIn->asNew($id, $name, $organisation, $body->maybe('mapping'))->dataset;

        return Version::answer($this->state->whole($record), $record->version, 201);
    }

    #[Route('/{id}', requirements: ['id' => '\d{1,9}'], methods: 'GET')]
    public function get(int $id): JsonResponse
    {
        $record = $this->records->dataset($id);

        return Version::answer($this->state->whole($record), $record->version);
    }

    /** Moves the closing period. */
    #[Route('/{id}', requirements: ['id' => '\d{1,9}'], methods: 'PATCH')]
    public function patch(int $id, Request $request): JsonResponse
    {
        $record = $this->records->dataset($id);
        $stale = Version::maybeStale($request, $record->version, $this->state->whole($record));
        if (null !== $stale) {
            return $stale;
        }
        $given = JsonBody::of($request)->object(['closedThrough'])->must('closedThrough');
        try {
            $period = Period::of($given->string(10), new FiscalCalendar($record->firstMonth));
        } catch (NotAPeriod $e) {
            throw new NotAccepted($given->path, $e->getMessage());
        }
        if ($period->grain->value !== $record->grain) {
            throw $given->refuse("a {$record->grain}, as the figures are");
        }
        $record->closedThrough = $period->key();
        $record->usedAt = new \DateTimeImmutable();
        $this->manager->flush();

        return Version::answer($this->state->whole($record), $record->version);
    }
}
