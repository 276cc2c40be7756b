<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use Doctrine\DBAL\ParameterType;
use KeenMargin\Core\Figures\Reading\RefusedFigures;
use KeenMargin\Core\Figures\Reading\ScaledRuns;

/** Gives a measure more decimals: all its amounts, and those that imports remember, are scaled anew. */
final readonly class MeasureScale
{
    public function __construct(private SeriesStore $store)
    {
    }

    public function raise(int $dataset, int $measure, string $name, int $power): void
    {
        foreach (['packed' => 'series', 'touched' => 'series, import'] as $table => $key) {
            $columns = explode(', ', $key);
            $rows = $this->store->connection->fetchAllNumeric("SELECT t.amounts, t.$columns[0]".(isset($columns[1]) ? ", t.$columns[1]" : '')." FROM series s JOIN $table t ON t.series = s.id WHERE s.dataset = ? AND s.measure = ?", [$dataset, $measure]);
            foreach ($rows as $row) {
                $amounts = \is_string($row[0]) ? $row[0] : '';
                $scaled = ScaledRuns::of([$amounts], $power) ?? throw RefusedFigures::whole("The amounts of $name have too many digits for $power more decimals. Give fewer decimals.");
                $this->store->connection->executeStatement("UPDATE $table SET amounts = ? WHERE ".implode(' = ? AND ', $columns).' = ?', [$scaled[0], ...\array_slice($row, 1)], [ParameterType::LARGE_OBJECT, ParameterType::INTEGER, ParameterType::INTEGER]);
            }
        }
    }
}
