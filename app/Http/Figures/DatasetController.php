<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Figures;

use Doctrine\Common\Collections\Criteria;
use Doctrine\Common\Collections\Order;
use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Editing\ChartsOf;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\JsonBody;
use KeenMargin\App\Http\ListPage;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Http\Signature;
use KeenMargin\App\Http\Version;
use KeenMargin\App\Import\BringIn;
use KeenMargin\App\Import\ReadingShelf;
use KeenMargin\App\Jobs\Deferral;
use KeenMargin\App\Storage\DatasetCopy;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\Core\Document\Wording;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

#[Route('/api/datasets')]
final readonly class DatasetController
{
    public function __construct(
        private EntityManagerInterface $manager,
        private BringIn $bringIn,
        private DatasetState $state,
        private Records $records,
        private DatasetCopy $copy,
        private ChartsOf $charts,
        private WriteTurn $turn,
        private Deferral $deferral,
        private ReadingShelf $shelf,
    ) {}

    /** By last use; with `?deleted=1` those that were deleted and can be brought back. */
    #[Route('', methods: 'GET')]
    #[Operation(
        'Datasets by last use', answer: 'page of DatasetBrief', query: ['page' => 'integer 1..', 'deleted' => '1'],
    )]
    public function list(Request $request): JsonResponse
    {
        $page = ListPage::of($request);
        $repository = $this->manager->getRepository(DatasetRecord::class);
        $of = Criteria::create(true)->where(
            '1' === $request->query->get('deleted')
                ? Criteria::expr()->neq('deletedAt', null)
                : Criteria::expr()->isNull('deletedAt'),
        );
        $records = $repository->matching(
            (clone $of)
                ->orderBy(['usedAt' => Order::Descending, 'id' => Order::Descending])
                ->setFirstResult($page->first())
                ->setMaxResults(ListPage::SIZE),
        );

        return new JsonResponse($page->with(
            array_values($records->map($this->state->listed(...))->toArray()), $repository->matching($of)->count(),
        ));
    }

    /** Confirms a reading: all of it becomes a dataset, or nothing does. */
    #[Route('', methods: 'POST')]
    #[Operation(
        'Confirm a reading: all of it becomes a dataset, or nothing does',
        answer: 'Dataset',
        status: 201,
        body: ['reading' => 'string', 'name' => 'string', 'organisation?' => 'string', 'mapping?' => 'Mapping'],
        isLong: true,
    )]
    public function post(Request $request): JsonResponse
    {
        $body = JsonBody::of($request)->object(['reading', 'name', 'organisation', 'mapping']);
        $reading = $this->shelf->get($body->must('reading')->string(24));
        $name = trim($body->must('name')->string(200));
        $organisation = trim($body->maybe('organisation')?->string(200) ?? '');
        $job = $this->deferral->maybeOfFile($request, $reading->path, 0, "$reading->name is being brought in");
        if (null !== $job) {
            return $job;
        }
        $record = $this->bringIn->asNew($reading->id, $name, $organisation, $body->maybe('mapping'))->dataset;

        return Version::answer($this->state->whole($record), $record->version, 201);
    }

    #[Route('/{id}', requirements: ['id' => Records::ID], methods: 'GET')]
    #[Operation('A dataset with all that a question can be made of', answer: 'Dataset')]
    public function get(int $id): JsonResponse
    {
        $record = $this->records->dataset($id);
        $this->records->used($record);

        return Version::answer($this->state->whole($record), $record->version);
    }

    /** The dataset once more, with its figures and settings. */
    #[Route('/{id}/copies', requirements: ['id' => Records::ID], methods: 'POST')]
    #[Operation(
        'The dataset once more, with its figures and settings',
        answer: 'Dataset',
        status: 201,
        isSigned: true,
        isLong: true,
    )]
    public function copy(int $id, Request $request): JsonResponse
    {
        $record = $this->records->dataset($id);
        $job = $this->deferral->maybe($request, $record->factCount, "$record->name is being copied");
        if (null !== $job) {
            return $job;
        }
        $copy = $this->copy->of($record, Signature::of($request));

        return Version::answer($this->state->whole($copy), $copy->version, 201);
    }

    /** Out of sight with its charts, until it is brought back. With `?foresee=1` only told what would follow. */
    #[Route('/{id}', requirements: ['id' => Records::ID], methods: 'DELETE')]
    #[Operation('Delete a dataset; it can be brought back', status: 204, isVersioned: true, isForeseen: true)]
    public function delete(int $id, Request $request): Response
    {
        if ('1' === $request->query->get('foresee')) {
            $record = $this->records->dataset($id);
            $charts = $this->charts->say($record, static fn (): bool => true, 'will go with it');

            return new JsonResponse([
                'follows' => [
                    Wording::count($record->factCount, 'amount goes', 'amounts go').
                    ' out of sight. It can be brought back.',
                    ...$charts,
                ],
                'isHarmful' => true,
            ]);
        }
        $this->turn->take(function () use ($id, $request): void {
            $record = $this->records->dataset($id);
            Version::insist($request, $record->version, fn (): array => $this->state->whole($record));
            $record->deletedAt = new \DateTimeImmutable();
        });

        return new Response(null, 204);
    }

    #[Route('/{id}/restoration', requirements: ['id' => Records::ID], methods: 'POST')]
    #[Operation('Bring a deleted dataset back', answer: 'Dataset')]
    public function restore(int $id): JsonResponse
    {
        $record = $this->turn->take(function () use ($id): DatasetRecord {
            $record = $this->records->maybeDeleted($id);
            $record->deletedAt = null;
            $record->usedAt = new \DateTimeImmutable();

            return $record;
        });

        return Version::answer($this->state->whole($record), $record->version);
    }
}
