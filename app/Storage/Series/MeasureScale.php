<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Series;

use Doctrine\DBAL\ParameterType;
use KeenMargin\Core\Figures\Reading\Rows\ScaledRuns;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Core\Figures\Series\PackedAmounts;

/** Gives a measure more decimals, or fewer: all its amounts, and those that imports remember, are scaled anew. */
final readonly class MeasureScale
{
    public function __construct(private SeriesStore $store) {}

    public function raise(int $dataset, int $measure, string $name, int $power): void
    {
        $this->each(
            $dataset,
            $measure,
            static fn (string $amounts): string => ScaledRuns::of([$amounts], $power)[0] ??
                throw RefusedFigures::whole(
                    "The amounts of $name have too many digits for $power more decimals. Give fewer decimals.",
                ),
        );
    }

    /** Whether all amounts can do with so many decimals fewer. */
    public function canLower(int $dataset, int $measure, int $power): bool
    {
        $factor = 10 ** $power;
        $isNeeded = false;
        $this->each(
            $dataset,
            $measure,
            static function (string $packed) use ($factor, &$isNeeded): string {
                $isNeeded =
                    $isNeeded
                    || [] !==
                        array_filter(
                            PackedAmounts::unpack($packed),
                            static fn (int $amount): bool => 0 !== $amount % $factor,
                        );

                return $packed;
            },
            false,
        );

        return !$isNeeded;
    }

    /** By so many more decimals, or fewer; false, and nothing is changed, where some amount needs them. */
    public function change(int $dataset, int $measure, string $name, int $power): bool
    {
        if ($power >= 0) {
            $this->raise($dataset, $measure, $name, $power);

            return true;
        }
        if (!$this->canLower($dataset, $measure, -$power)) {
            return false;
        }
        $factor = 10 ** -$power;
        $this->each(
            $dataset,
            $measure,
            static fn (string $packed): string => PackedAmounts::pack(
                array_map(static fn (int $amount): int => intdiv($amount, $factor), PackedAmounts::unpack($packed)),
            ),
        );

        return true;
    }

    /** @param callable(string): string $scale */
    private function each(int $dataset, int $measure, callable $scale, bool $writes = true): void
    {
        foreach (['packed' => 'series', 'touched' => 'series, import'] as $table => $key) {
            $columns = explode(', ', $key);
            $rows = $this->store->connection->fetchAllNumeric(
                "SELECT t.amounts, t.$columns[0]".
                    (isset($columns[1]) ? ", t.$columns[1]" : '').
                    " FROM series s JOIN $table t ON t.series = s.id WHERE s.dataset = ? AND s.measure = ?",
                [$dataset, $measure],
            );
            foreach ($rows as $row) {
                $scaled = $scale(\is_string($row[0]) ? $row[0] : '');
                if ($writes) {
                    $this->store->connection->executeStatement(
                        "UPDATE $table SET amounts = ? WHERE ".implode(' = ? AND ', $columns).' = ?',
                        [$scaled, ...\array_slice($row, 1)],
                        [ParameterType::LARGE_OBJECT, ParameterType::INTEGER, ParameterType::INTEGER],
                    );
                }
            }
        }
    }
}
