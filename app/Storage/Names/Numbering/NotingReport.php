<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Names\Numbering;

use Doctrine\DBAL\Connection;
use KeenMargin\App\Storage\Names\FormerNames;
use KeenMargin\App\Storage\Names\NumbersOfReport;
use KeenMargin\Core\Question\Names\NameMap;
use KeenMargin\Core\Report\Document\NamesOfDatasets;

/** Numbers for the names in a report; notes which of them stand for nothing. */
final class NotingReport implements NamesOfDatasets
{
    private readonly NumbersOfReport $numbers;
    /** @var array<string, NotingNames> */
    private array $datasets = [];

    /** @param array<string, string> $borne references by names that were borne for a while only */
    public function __construct(Connection $connection, FormerNames $names, int $known, private readonly array $borne)
    {
        $this->numbers = new NumbersOfReport($connection, $names, $known);
    }

    public function of(string $dataset): NameMap
    {
        return '' === $dataset
            ? $this->numbers->of($dataset)
            : ($this->datasets[$dataset] ??= new NotingNames($this->numbers->of($dataset), $this->borne));
    }

    public function maybeChart(string $named): ?array
    {
        return $this->numbers->maybeChart($named);
    }

    /** @return array<string, string> */
    public function unresolved(): array
    {
        return array_merge(
            [],
            ...array_map(static fn (NotingNames $names): array => $names->unresolved, array_values($this->datasets)),
        );
    }
}
