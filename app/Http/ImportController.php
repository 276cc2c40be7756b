<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use Doctrine\Common\Collections\ArrayCollection;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Query\Parameter;
use KeenMargin\App\Editing\HandImport;
use KeenMargin\App\Import\BringIn;
use KeenMargin\App\Storage\ImportRecord;
use KeenMargin\App\Storage\ImportTakeBack;
use KeenMargin\Core\Figures\Keeping\ImportMode;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;
use Symfony\Component\Routing\Attribute\Route;

/** What was brought into a dataset: listed, confirmed, taken back. */
final readonly class ImportController
{
    public function __construct(private EntityManagerInterface $manager, private BringIn $bringIn, private ImportTakeBack $takeBack, private DatasetState $state, private Records $records)
    {
    }

    #[Route('/api/datasets/{id}/imports', requirements: ['id' => '\d{1,9}'], methods: 'GET')]
    public function list(int $id, Request $request): JsonResponse
    {
        $page = Page::of($request);
        // Changes by hand that were all undone are nothing to take back.
        $of = $this->manager->createQueryBuilder()->from(ImportRecord::class, 'i')->where('i.dataset = :dataset AND (i.mode <> :hand OR i.counts NOT LIKE :added OR i.counts NOT LIKE :replaced OR i.counts NOT LIKE :removed)')
            ->setParameters(new ArrayCollection([new Parameter('dataset', $this->records->dataset($id)), new Parameter('hand', HandImport::MODE), ...array_map(static fn (string $count): Parameter => new Parameter($count, "%\"$count\":0%"), ['added', 'replaced', 'removed'])]));
        /** @var list<ImportRecord> $records */
        $records = (clone $of)->select('i')->orderBy('i.id', 'DESC')->setFirstResult($page->first())->setMaxResults(Page::SIZE)->getQuery()->getResult();

        return new JsonResponse($page->with(array_map(ImportState::of(...), $records), (int) $of->select('COUNT(i.id)')->getQuery()->getSingleScalarResult()));
    }

    /** Confirms a reading into a dataset that is there: all of it comes in, or nothing does. */
    #[Route('/api/datasets/{id}/imports', requirements: ['id' => '\d{1,9}'], methods: 'POST')]
    public function post(int $id, Request $request): JsonResponse
    {
        $record = $this->records->dataset($id);
        $stale = Version::maybeStale($request, $record->version, $this->state->whole($record));
        if (null !== $stale) {
            return $stale;
        }
        $body = JsonBody::of($request)->object(['reading', 'mapping', 'mode']);
        $import = $this->bringIn->into($record, $body->must('reading')->string(24), $body->maybe('mapping'), $body->maybe('mode')?->enum(ImportMode::class) ?? ImportMode::Add);

        return Version::answer(['import' => ImportState::of($import), 'dataset' => $this->state->whole($record)], $record->version, 201);
    }

    /** What taking it back would do. */
    #[Route('/api/imports/{id}/take-back', requirements: ['id' => '\d{1,9}'], methods: 'GET')]
    public function foresee(int $id): JsonResponse
    {
        return new JsonResponse($this->takeBack->foresee($this->standing($id)));
    }

    /** Takes it back; where a later import overwrote part of it, only with `{"confirmed": true}`. */
    #[Route('/api/imports/{id}/take-back', requirements: ['id' => '\d{1,9}'], methods: 'POST')]
    public function takeBack(int $id, Request $request): JsonResponse
    {
        $import = $this->standing($id);
        $body = JsonBody::of($request)->object(['confirmed']);
        $foreseen = $this->takeBack->foresee($import);
        if ($foreseen['overwritten'] > 0 && true !== $body->maybe('confirmed')?->bool()) {
            throw new ConflictHttpException(ImportState::overwritten($foreseen['overwritten']).' Send {"confirmed": true} to take the rest back.');
        }
        $done = $this->takeBack->do($import);

        return Version::answer(['import' => ImportState::of($import), 'done' => $done, 'dataset' => $this->state->whole($import->dataset)], $import->dataset->version);
    }

    private function standing(int $id): ImportRecord
    {
        $import = $this->records->import($id);

        return null === $import->takenBackAt ? $import : throw new ConflictHttpException("\"$import->name\" was taken back already.");
    }
}
