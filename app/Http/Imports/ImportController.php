<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Imports;

use Doctrine\Common\Collections\ArrayCollection;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Query\Parameter;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\Figures\DatasetState;
use KeenMargin\App\Http\JsonBody;
use KeenMargin\App\Http\ListPage;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Http\Version;
use KeenMargin\App\Import\BringIn;
use KeenMargin\App\Import\ReadingShelf;
use KeenMargin\App\Jobs\Deferral;
use KeenMargin\App\Storage\Imports\HandImport;
use KeenMargin\App\Storage\Imports\ImportTakeBack;
use KeenMargin\App\Storage\Imports\NotTakenBack;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ImportRecord;
use KeenMargin\Core\Figures\Keeping\ImportMode;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** What was brought into a dataset: listed, confirmed, taken back. */
final readonly class ImportController
{
    public function __construct(
        private EntityManagerInterface $manager,
        private BringIn $bringIn,
        private ImportTakeBack $takeBack,
        private DatasetState $state,
        private Records $records,
        private Deferral $deferral,
        private ReadingShelf $shelf,
    ) {}

    #[Route('/api/datasets/{id}/imports', requirements: ['id' => Records::ID], methods: 'GET')]
    #[Operation(
        'What was brought into a dataset, the latest first', answer: 'page of Import', query: ['page' => 'integer 1..'],
    )]
    public function list(int $id, Request $request): JsonResponse
    {
        $page = ListPage::of($request);
        // Changes by hand that were all undone are nothing to take back.
        $of = $this->manager
            ->createQueryBuilder()
            ->from(ImportRecord::class, 'i')
            ->where(
                'i.dataset = :dataset AND i.partOf IS NULL AND (i.mode <> :hand OR i.counts NOT LIKE :added OR '.
                    'i.counts NOT LIKE :replaced OR i.counts NOT LIKE :removed)',
            )
            ->setParameters(
                new ArrayCollection([
                    new Parameter('dataset', $this->records->dataset($id)),
                    new Parameter('hand', HandImport::MODE),
                    ...array_map(static fn (string $count): Parameter => new Parameter($count, "%\"$count\":0%"), [
                        'added', 'replaced', 'removed',
                    ]),
                ]),
            );

        return new JsonResponse($page->listed($of, ImportRecord::class, ImportState::of(...), ['id']));
    }

    /** Confirms a reading into a dataset that is there: all of it comes in, or nothing does. */
    #[Route('/api/datasets/{id}/imports', requirements: ['id' => Records::ID], methods: 'POST')]
    #[Operation(
        'Confirm a reading into a dataset that is there: all of it comes in, or nothing does',
        answer: 'Imported',
        status: 201,
        body: ['reading' => 'string', 'mapping?' => 'Mapping', 'mode?' => 'add|replace periods|replace all'],
        isVersioned: true,
        isLong: true,
    )]
    public function post(int $id, Request $request): JsonResponse
    {
        $record = $this->records->dataset($id);
        $insist = fn (DatasetRecord $record) => Version::insist(
            $request,
            $record->version,
            fn (): array => $this->state->whole($record),
        );
        $insist($record);
        $body = JsonBody::of($request)->object(['reading', 'mapping', 'mode']);
        $reading = $this->shelf->get($body->must('reading')->string(24));
        $job = $this->deferral->maybeOfFile(
            $request, $reading->path, $record->factCount, "$reading->name is being brought in",
        );
        if (null !== $job) {
            return $job;
        }
        $import = $this->bringIn->into(
            $record,
            $reading->id,
            $body->maybe('mapping'),
            $body->maybe('mode')?->enum(ImportMode::class) ?? ImportMode::Add,
            $insist,
        );
        $record = $import->dataset;

        return Version::answer(
            ['import' => ImportState::of($import), 'dataset' => $this->state->whole($record)], $record->version, 201,
        );
    }

    /** What taking it back would do. */
    #[Route('/api/imports/{id}/take-back', requirements: ['id' => Records::ID], methods: 'GET')]
    #[Operation('What taking an import back would do', answer: 'TakeBack')]
    public function foresee(int $id): JsonResponse
    {
        $import = $this->records->import($id);
        null === $import->takenBackAt || throw NotTakenBack::again($import->name);

        return new JsonResponse($this->takeBack->foresee($import));
    }

    /** Takes it back; where a later import overwrote part of it, only with `{"confirmed": true}`. */
    #[Route('/api/imports/{id}/take-back', requirements: ['id' => Records::ID], methods: 'POST')]
    #[Operation(
        'Take an import back; where a later one overwrote part of it, only confirmed',
        answer: 'TakenBack',
        body: ['confirmed?' => 'boolean'],
        isLong: true,
    )]
    public function takeBack(int $id, Request $request): JsonResponse
    {
        $import = $this->records->import($id);
        $body = JsonBody::of($request)->object(['confirmed']);
        null === $import->takenBackAt || throw NotTakenBack::again($import->name);
        $job = $this->deferral->maybe(
            $request, max($import->factCount, $import->dataset->factCount), "$import->name is being taken back",
        );
        if (null !== $job) {
            return $job;
        }
        $done = $this->takeBack->do($import, true === $body->maybe('confirmed')?->bool());
        $import = $this->records->import($id);

        return Version::answer(
            ['import' => ImportState::of($import), 'done' => $done, 'dataset' => $this->state->whole($import->dataset)],
            $import->dataset->version,
        );
    }
}
