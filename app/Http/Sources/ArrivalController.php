<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Sources;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\Contract\Sources\ArrivalTakenJson;
use KeenMargin\App\Http\Imports\ImportState;
use KeenMargin\App\Http\JsonBody;
use KeenMargin\App\Http\ListPage;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Http\Signature;
use KeenMargin\App\Jobs\Deferral;
use KeenMargin\App\Sources\Arrivals\ArrivalDesk;
use KeenMargin\App\Storage\Record\ArrivalRecord;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Arrival\Picked;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\NotAPeriod;
use KeenMargin\Core\Time\Period;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** What sources brought: looked at, taken whole or in part, refused. */
final readonly class ArrivalController
{
    private const MOST_PICKED = 5_000;

    public function __construct(
        private EntityManagerInterface $manager,
        private Records $records,
        private ArrivalState $state,
        private ArrivalDesk $desk,
        private Deferral $deferral,
    ) {}

    #[Route('/api/datasets/{id}/arrivals', requirements: ['id' => Records::ID], methods: 'GET')]
    #[Operation(
        'What the sources of a dataset brought, the latest first',
        answer: 'page of Arrival',
        query: ['page' => 'integer 1..', 'waiting' => '1'],
    )]
    public function list(int $id, Request $request): JsonResponse
    {
        $of = $this->manager
            ->createQueryBuilder()
            ->from(ArrivalRecord::class, 'a')
            ->join('a.source', 's')
            ->where('s.dataset = :dataset')
            ->setParameter('dataset', $this->records->dataset($id));
        if ('1' === $request->query->get('waiting')) {
            $of->andWhere('a.state = :state')->setParameter('state', ArrivalRecord::WAITS);
        }

        return new JsonResponse(
            ListPage::of($request)->listed($of, ArrivalRecord::class, ArrivalState::of(...), ['id']),
        );
    }

    #[Route('/api/arrivals/{id}', requirements: ['id' => Records::ID], methods: 'GET')]
    #[Operation(
        'What an arrival would change in the dataset as it is now',
        answer: 'ArrivalDifferences',
        query: ['page' => 'integer 1..'],
        isLong: true,
    )]
    public function get(int $id, Request $request): JsonResponse
    {
        $arrival = $this->records->arrival($id);
        $page = ListPage::of($request)->number;
        $dataset = $arrival->source->dataset;
        $job = $this->deferral->maybe(
            $request,
            intdiv($dataset->factCount, 5),
            "$arrival->name is being compared",
            "$arrival->state $dataset->version $dataset->revision",
        );

        return $job ?? new JsonResponse($this->state->differences($arrival, ($page - 1) * ArrivalState::AMOUNTS));
    }

    #[Route('/api/arrivals/{id}/take', requirements: ['id' => Records::ID], methods: 'POST')]
    #[Operation(
        'Take an arrival, or some periods or members of it',
        answer: 'ArrivalTaken',
        body: ['periods?' => 'string[]', 'members?' => 'object'],
        isSigned: true,
        isLong: true,
    )]
    public function take(int $id, Request $request): JsonResponse
    {
        $arrival = $this->records->arrival($id);
        $picked = self::maybePicked(JsonBody::of($request), $arrival->source->dataset);
        $job = $this->deferral->maybe($request, $arrival->source->dataset->factCount, "$arrival->name is being taken");
        if (null !== $job) {
            return $job;
        }
        $import = $this->desk->take($arrival, $picked, Signature::of($request));

        return new JsonResponse(
            new ArrivalTakenJson(ArrivalState::of($this->records->arrival($id)), ImportState::of($import)),
        );
    }

    #[Route('/api/arrivals/{id}/refuse', requirements: ['id' => Records::ID], methods: 'POST')]
    #[Operation('Refuse an arrival, with a reason', answer: 'Arrival', body: ['reason' => 'string'], isSigned: true)]
    public function refuse(int $id, Request $request): JsonResponse
    {
        $this->records->arrival($id);
        $reason = JsonBody::of($request)->object(['reason'])->must('reason')->string(1000);
        $this->desk->refuse($id, $reason, Signature::of($request));

        return new JsonResponse(ArrivalState::of($this->records->arrival($id)));
    }

    /** @throws NotAccepted */
    private static function maybePicked(Given $body, DatasetRecord $dataset): ?Picked
    {
        $body->object(['periods', 'members']);
        $starts = null;
        foreach ($body->maybe('periods')?->list(1) ?? [] as $period) {
            try {
                $starts[Period::of($period->string(10), new FiscalCalendar($dataset->firstMonth))->start] = true;
            } catch (NotAPeriod) {
                throw $period->refuse('the key of a period, such as 2026-06');
            }
        }
        $members = [];
        foreach ($body->maybe('members')?->entries() ?? [] as $breakdown => $names) {
            foreach ($names->list(1) as $name) {
                $members[(string) $breakdown][$name->string(500)] = true;
            }
        }
        if (\count($starts ?? []) + \count($members, \COUNT_RECURSIVE) > self::MOST_PICKED) {
            throw new NotAccepted('', 'These are too many to pick one by one. Take all of it.');
        }

        return null === $starts && [] === $members ? null : new Picked($starts, $members);
    }
}
