<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\General;

use OpenApi\Attributes as OA;

/** Long work, done by a process of its own. Kept for seven days. */
#[OA\Schema]
final readonly class JobJson
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property(enum: ['waiting', 'working', 'ended'])] public string $state,
        #[OA\Property(description: 'What is being done')] public string $says,
        #[OA\Property(description: 'reading, writing, series, totals; empty before it has said any')]
        public string $phase,
        #[OA\Property] public int $done,
        #[OA\Property(description: 'All of the phase; null where that is not known', nullable: true)] public ?int $of,
        #[OA\Property(description: 'Of the answer, once it has ended', nullable: true)] public ?int $status,
        #[OA\Property(
            description: 'The body that the request would have been answered with; null before, and where it is a file',
            type: 'object',
            nullable: true,
        )]
        public ?object $answer,
        #[OA\Property(description: 'Address of the file that is the answer', nullable: true)] public ?string $file,
    ) {}
}
