<?php

declare(strict_types=1);

namespace KeenMargin\App\Jobs;

/** Long work as it stands: a request that is answered by a process of its own. */
final readonly class Job
{
    public const WAITING = 'waiting';
    public const WORKING = 'working';
    public const ENDED = 'ended';

    /**
     * @param string $state one of the constants
     * @param string $says what is being done
     * @param string $phase of the work, '' before it has said any
     * @param int $done of the phase: rows, series or figures
     * @param ?int $status of the answer; none before it has ended
     * @param array<string, mixed> $answer as the request would have been answered at once
     * @param ?string $file path of the file that is the answer instead
     * @param array<string, string> $headers of that file
     */
    public function __construct(
        public string $id,
        public string $state,
        public string $says,
        public string $phase = '',
        public int $done = 0,
        public ?int $of = null,
        public ?int $status = null,
        public array $answer = [],
        public ?string $file = null,
        public array $headers = [],
    ) {}

    /** @return array<string, mixed> as the API tells it */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'state' => $this->state,
            'says' => $this->says,
            'phase' => $this->phase,
            'done' => $this->done,
            'of' => $this->of,
            'status' => $this->status,
            'answer' => null === $this->status || null !== $this->file ? null : $this->answer,
            'file' => null === $this->file ? null : "/api/jobs/$this->id/file",
        ];
    }
}
