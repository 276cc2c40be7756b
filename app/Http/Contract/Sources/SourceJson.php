<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Sources;

use OpenApi\Attributes as OA;

/** Where figures of a dataset are fetched from, how and when. Secrets are never told. */
#[OA\Schema]
final readonly class SourceJson
{
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public int $version,
        #[OA\Property] public int $dataset,
        #[OA\Property] public string $datasetName,
        #[OA\Property] public string $name,
        #[OA\Property(enum: ['web', 'database', 'folder'])] public string $kind,
        #[OA\Property] public string $place,
        #[OA\Property(type: 'object')] public object $settings,
        #[OA\Property] public bool $hasSecret,
        #[OA\Property(type: 'object')] public object $mapping,
        #[OA\Property(enum: ['add', 'replace periods', 'replace all'])] public string $mode,
        #[OA\Property(ref: '#/components/schemas/Schedule')] public ScheduleJson $schedule,
        #[OA\Property(ref: '#/components/schemas/ScheduleTimes')] public ScheduleTimesJson $times,
        #[OA\Property(enum: ['never', 'new periods', 'open periods', 'checked'])] public string $takes,
        #[OA\Property] public int $lookBack,
        #[OA\Property(enum: ['new', 'came', 'waits', 'fails', 'stopped'])] public string $state,
        #[OA\Property] public string $says,
        #[OA\Property(nullable: true)] public ?string $triedAt,
        #[OA\Property(nullable: true)] public ?string $dueAt,
        #[OA\Property] public int $waiting,
    ) {}
}
