<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Names;

use Doctrine\DBAL\Connection;
use KeenMargin\Core\Question\Names\NameMap;
use KeenMargin\Core\Report\Document\NamesOfDatasets;

/** Numbers for the names in a report, which may be of several datasets. */
final class NumbersOfReport implements NamesOfDatasets
{
    /** @var array<string, NumbersOf> */
    private array $datasets = [];

    /** @param ?int $known the last change of a name that whoever wrote the names knew of; null: all */
    public function __construct(
        private readonly Connection $connection,
        private readonly FormerNames $names,
        private readonly ?int $known,
    ) {}

    public function of(string $dataset): NameMap
    {
        return $this->datasets[$dataset] ??= new NumbersOf((int) $dataset, $this->names, $this->known);
    }

    public function maybeChart(string $named): ?array
    {
        $chart = $this->connection->fetchAssociative('SELECT dataset_id, recipe FROM chart WHERE id = ?', [
            (int) $named,
        ]);
        $recipe = \is_string($chart['recipe'] ?? null) ? json_decode($chart['recipe'], true) : null;
        if (false === $chart || !is_numeric($chart['dataset_id']) || !\is_array($recipe)) {
            return null;
        }

        return [
            'dataset' => (string) $chart['dataset_id'],
            'question' => \is_array($recipe['question'] ?? null) ? $recipe['question'] : [],
        ];
    }
}
