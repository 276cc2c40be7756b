<?php

declare(strict_types=1);

namespace KeenMargin\App\Reports;

use KeenMargin\App\Export\Report\Origin;
use KeenMargin\App\Storage\Reports\SourceImports;
use KeenMargin\App\Storage\Reports\StoredLibrary;
use KeenMargin\Core\Document\NotAccepted;

/** Addresses of one report, and the imports of its datasets. */
final readonly class OriginOfReport implements Origin
{
    /**
     * @param ?string $base `https://figures.example`; null: nobody asked over HTTP
     * @param ?int $report its id; null: charts stand in none
     */
    public function __construct(
        private ?string $base,
        private ?int $report,
        private StoredLibrary $library,
        private SourceImports $imports,
    ) {}

    public function maybeAddress(string $page, string $named = ''): ?string
    {
        $path = match (true) {
            '' !== $named => "/charts/$named",
            null !== $this->report => "/reports/$this->report?page=".rawurlencode($page),
            default => null,
        };

        return null === $this->base || null === $path ? null : $this->base.$path;
    }

    public function sources(string $dataset): array
    {
        try {
            $imports = $this->imports->of($this->library->dataset($dataset))['imports'];
        } catch (NotAccepted) {
            return [];
        }

        return array_map(
            static fn (array $import): string => $import['name'].', '.
                (new \DateTimeImmutable($import['at']))->format('j M Y'),
            $imports,
        );
    }
}
