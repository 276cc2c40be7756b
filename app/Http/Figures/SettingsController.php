<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Figures;

use KeenMargin\App\Editing\DatasetSettings;
use KeenMargin\App\Editing\MeasureSettings;
use KeenMargin\App\Editing\MemberSettings;
use KeenMargin\App\Editing\Plan;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\JsonBody;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Http\Signature;
use KeenMargin\App\Http\Version;
use KeenMargin\App\Jobs\Deferral;
use KeenMargin\App\Storage\Changes\ChangeLog;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\App\Work\CurrentJob;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;

/** What a dataset is: changed in one step that can be undone; with `?foresee=1` only told what would follow. */
#[Route('/api/datasets/{id}', requirements: ['id' => Records::ID, 'of' => Records::ID])]
final readonly class SettingsController
{
    public function __construct(
        private Records $records,
        private DatasetState $state,
        private ChangeLog $changes,
        private DatasetSettings $dataset,
        private MeasureSettings $measures,
        private MemberSettings $members,
        private WriteTurn $turn,
        private Deferral $deferral,
        private CurrentJob $job,
    ) {}

    #[Route('', methods: 'PATCH')]
    #[Operation(
        'Change the name, the organisation, the fiscal year or the closing period',
        answer: 'Dataset',
        body: [
            'name?' => 'string',
            'organisation?' => 'string',
            'finest?' => 'day|week|month|quarter|half-year|year',
            'firstMonth?' => 'integer 1..12',
            'closedThrough?' => 'string',
        ],
        isVersioned: true,
        isSigned: true,
        isLong: true,
        isForeseen: true,
    )]
    public function dataset(int $id, Request $request): JsonResponse
    {
        return $this->planned(
            $request,
            $id,
            fn (DatasetRecord $record): Plan => $this->dataset->plan($record, JsonBody::of($request)),
        );
    }

    #[Route('/measures', methods: 'POST')]
    #[Operation(
        'A new measure that is one over another',
        answer: 'Dataset',
        body: [
            'name' => 'string',
            'unit?' => 'string',
            'decimals?' => 'integer 0..10',
            'grouping?' => 'sum|average|last|ratio|rate',
            'overMembers?' => 'sum|average|never',
            'better?' => '|more|less',
            'numerator' => 'string',
            'denominator' => 'string',
        ],
        isVersioned: true,
        isSigned: true,
        isForeseen: true,
    )]
    public function newMeasure(int $id, Request $request): JsonResponse
    {
        return $this->planned(
            $request,
            $id,
            fn (DatasetRecord $record): Plan => $this->measures->planNew($record, JsonBody::of($request)),
        );
    }

    #[Route('/measures/{of}', methods: 'PATCH')]
    #[Operation(
        'Change a measure',
        answer: 'Dataset',
        body: [
            'name?' => 'string',
            'unit?' => 'string',
            'decimals?' => 'integer 0..10',
            'grouping?' => 'sum|average|last|ratio|rate',
            'overMembers?' => 'sum|average|never',
            'better?' => '|more|less',
            'numerator?' => 'string',
            'denominator?' => 'string',
            'bands?' => 'KeptBands[]',
        ],
        isVersioned: true,
        isSigned: true,
        isLong: true,
        isForeseen: true,
    )]
    public function measure(int $id, int $of, Request $request): JsonResponse
    {
        return $this->planned($request, $id, function (DatasetRecord $record) use ($of, $request): Plan {
            foreach ($record->measures as $measure) {
                if ($measure->id === $of) {
                    return $this->measures->plan($record, $measure, JsonBody::of($request));
                }
            }
            throw new NotFoundHttpException("There is no measure $of in this dataset.");
        });
    }

    #[Route('/breakdowns/{of}', methods: 'PATCH')]
    #[Operation(
        'Change a breakdown',
        answer: 'Dataset',
        body: [
            'name?' => 'string',
            'add?' => 'string',
            'move?' => 'string',
            'before?' => 'string',
            'rename?' => 'string',
            'to?' => 'string',
            'merge?' => 'string',
            'into?' => 'string',
            'separate?' => 'string',
            'remove?' => 'string',
            'members?' => 'string[]',
            'group?' => 'string',
            'role?' => '|adds|takes away|subtotal',
        ],
        isVersioned: true,
        isSigned: true,
        isForeseen: true,
    )]
    public function breakdown(int $id, int $of, Request $request): JsonResponse
    {
        return $this->planned($request, $id, function (DatasetRecord $record) use ($of, $request): Plan {
            foreach ($record->breakdowns as $breakdown) {
                if ($breakdown->id === $of) {
                    return $this->members->plan($breakdown, JsonBody::of($request));
                }
            }
            throw new NotFoundHttpException("There is no breakdown $of in this dataset.");
        });
    }

    /** @param callable(DatasetRecord): Plan $plan */
    private function planned(Request $request, int $id, callable $plan): JsonResponse
    {
        $planOf = function (DatasetRecord $record) use ($request, $plan): Plan {
            Version::insist($request, $record->version, fn (): array => $this->state->whole($record));

            return $plan($record);
        };
        if ('1' === $request->query->get('foresee')) {
            $planned = $planOf($this->records->dataset($id));

            return new JsonResponse(['follows' => $planned->follows, 'isHarmful' => $planned->isHarmful]);
        }
        // Most settings are quick; some go through every amount.
        $record = $this->records->dataset($id);
        $rescales =
            [] !==
            array_intersect_key(
                (array) json_decode($request->getContent(), true), array_flip(['decimals', 'grouping', 'overMembers']),
            );
        $job = $rescales
            ? $this->deferral->maybe($request, $record->factCount, "$record->name is being counted anew")
            : null;
        if (null !== $job) {
            return $job;
        }
        $this->turn->onDataset($id, function (DatasetRecord $record) use ($request, $planOf): void {
            $planned = $planOf($record);
            [] === $planned->change->rows || $this->changes->do($record, $planned->change, Signature::of($request));
            $this->job->committing();
        });
        $record = $this->records->dataset($id);

        return Version::answer($this->state->whole($record), $record->version);
    }
}
