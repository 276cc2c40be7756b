<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Kind;

use KeenMargin\Core\Document\Given;

/** What a kind of source is asked for. */
final readonly class FetchRequest
{
    /**
     * @param array<string, mixed> $settings as SourceKind::settings() gave them
     * @param ?string $secret password or token, opened; null: there is none
     * @param array<string, mixed> $remembered what the last fetch that succeeded left; empty: there was none
     * @param string $folder that may be written to and is removed afterwards
     * @param ?int $firstRows so many rows are enough, to look at; null: all
     */
    public function __construct(
        public array $settings,
        public ?string $secret,
        public Due $due,
        public array $remembered,
        public string $folder,
        public ?int $firstRows = null,
    ) {}

    public function given(): Given
    {
        return Given::kept($this->settings);
    }
}
