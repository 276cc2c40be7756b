<?php

declare(strict_types=1);

namespace KeenMargin\App\Import;

use KeenMargin\App\Work\Cancelled;
use KeenMargin\App\Work\CurrentJob;

/** Tells how far long work has come, and hears whether it is still wanted. */
final readonly class WorkSign
{
    public function __construct(private string $folder, private string $token, private CurrentJob $job) {}

    /** @return \Closure(int): void to be told what is done from time to time */
    public function of(string $phase): \Closure
    {
        return function (int $done) use ($phase): void {
            if (@file_get_contents("$this->folder/work") !== $this->token) {
                throw new Cancelled('It was cancelled. Nothing was kept.');
            }
            $this->job->tell($phase, $done);
            @file_put_contents(
                "$this->folder/progress", json_encode(['phase' => $phase, 'done' => $done], \JSON_THROW_ON_ERROR),
            );
        };
    }
}
