<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Fetching;

use KeenMargin\App\Sources\Kind\SourceKind;
use KeenMargin\App\Sources\Schedule\Schedule;

/** A source as somebody describes it, before it is kept. */
final readonly class SourceDraft
{
    /**
     * @param array<string, mixed> $settings of its kind
     * @param RunningPeriod $period of its dataset
     */
    public function __construct(
        public SourceKind $kind,
        public array $settings,
        #[\SensitiveParameter] public ?string $secret,
        public Schedule $schedule,
        public int $lookBack,
        public RunningPeriod $period,
    ) {}
}
