<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Kind;

use KeenMargin\App\Sources\FetchFailed;
use KeenMargin\App\Sources\Reach\NotAllowed;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;

/** A kind of place that figures are fetched from. */
interface SourceKind
{
    /** As it is kept: `web`. */
    public function id(): string;

    /**
     * Reads what was told, or was kept.
     *
     * @return array<string, mixed> the same, complete and without secrets
     *
     * @throws NotAccepted
     */
    public function settings(Given $given): array;

    /**
     * Where it is, in one line: `https://ledger.example/entries`.
     *
     * @param array<string, mixed> $settings
     */
    public function place(array $settings): string;

    /**
     * Fetches what is due into a file of the request's folder.
     *
     * @return ?Fetched null where there is nothing that was not fetched before
     *
     * @throws FetchFailed|NotAllowed|NotAccepted
     */
    public function fetch(FetchRequest $request): ?Fetched;
}
