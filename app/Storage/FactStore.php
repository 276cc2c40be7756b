<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use Brick\Math\BigDecimal;
use Brick\Math\Exception\MathException;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception\DriverException;
use Doctrine\DBAL\ParameterType;
use KeenMargin\Core\Figures\Fact;
use KeenMargin\Core\Figures\Reading\RefusedFigures;
use KeenMargin\Core\Figures\Scenario;

/**
 * Facts in bulk, past the object mapper: amounts as integers scaled by their measure's decimals, exact in SQL.
 * All SQL that only SQLite understands stands here.
 */
final readonly class FactStore
{
    public const PLACES = 8;
    private const ROWS_AT_ONCE = 60;

    public function __construct(private Connection $connection)
    {
    }

    public static function scenarioNumber(Scenario $scenario): int
    {
        return 1 + (int) array_search($scenario, Scenario::cases(), true);
    }

    public static function scenario(int $number): Scenario
    {
        return Scenario::cases()[$number - 1];
    }

    /**
     * @param list<Fact>                     $facts    with keys that stand once
     * @param array<string, array{int, int}> $measures id and decimals by name
     * @param list<array<string|int, int>>   $members  id by name, for each breakdown
     */
    public function insert(int $dataset, int $import, array $facts, array $measures, array $members): void
    {
        foreach (array_chunk($facts, self::ROWS_AT_ONCE) as $chunk) {
            $values = [];
            foreach ($chunk as $fact) {
                [$measure, $scale] = $measures[$fact->measure];
                array_push($values, $dataset, $measure, self::scenarioNumber($fact->scenario), $fact->period->start);
                for ($place = 0; $place < self::PLACES; ++$place) {
                    $values[] = isset($members[$place]) ? $members[$place][$fact->members[$place]] : 0;
                }
                array_push($values, self::scaled($fact, $scale), $import);
            }
            $row = '('.implode(',', array_fill(0, 6 + self::PLACES, '?')).')';
            $this->connection->executeStatement('INSERT INTO fact (dataset, measure, scenario, period, m0, m1, m2, m3, m4, m5, m6, m7, amount, import) VALUES '.implode(',', array_fill(0, \count($chunk), $row)), $values, array_fill(0, \count($values), ParameterType::INTEGER));
        }
        $this->total($dataset);
    }

    /** Makes the totals over all members anew. */
    private function total(int $dataset): void
    {
        $this->connection->executeStatement('DELETE FROM fact_total WHERE dataset = ?', [$dataset]);
        $this->exact(fn () => $this->connection->executeStatement('INSERT INTO fact_total SELECT dataset, measure, scenario, period, SUM(amount), COUNT(*) FROM fact WHERE dataset = ? GROUP BY dataset, measure, scenario, period', [$dataset]));
    }

    /**
     * Exact sums by measure, scenario and period; over all members from their totals.
     *
     * @param list<int>                         $measures ids
     * @param list<array{int, list<int>, bool}> $where    place of the breakdown, member ids, whether they are kept or left out
     *
     * @return list<array{measure: int, scenario: int, period: int, amount: int, facts: int}>
     */
    public function sums(int $dataset, array $measures, array $where): array
    {
        $conditions = '';
        foreach ($where as [$place, $ids, $keeps]) {
            $conditions .= " AND m$place ".($keeps ? 'IN' : 'NOT IN').' ('.implode(',', array_map(intval(...), $ids)).')';
        }
        $from = ' WHERE dataset = '.$dataset.' AND measure IN ('.implode(',', array_map(intval(...), $measures)).')'.$conditions;
        $sql = '' === $conditions
            ? "SELECT measure, scenario, period, amount, facts FROM fact_total$from"
            : "SELECT measure, scenario, period, SUM(amount) AS amount, COUNT(*) AS facts FROM fact$from GROUP BY measure, scenario, period";

        /** @var list<array{measure: int, scenario: int, period: int, amount: int, facts: int}> */
        return $this->exact(fn () => $this->connection->fetchAllAssociative($sql));
    }

    /**
     * Names of a breakdown's members by their ids, in their order; past the object mapper, as there may be many.
     *
     * @return array<int, string>
     */
    public function members(int $breakdown): array
    {
        /** @var array<int, string> */
        return $this->connection->fetchAllKeyValue('SELECT id, name FROM member WHERE breakdown_id = ? ORDER BY position', [$breakdown]);
    }

    /**
     * @template T
     *
     * @param callable(): T $sum
     *
     * @return T
     */
    private function exact(callable $sum): mixed
    {
        try {
            return $sum();
        } catch (DriverException $e) {
            throw str_contains($e->getMessage(), 'integer overflow') ? RefusedFigures::whole('The sum has more digits than can be kept exactly. Give the amounts in thousands.') : $e;
        }
    }

    private static function scaled(Fact $fact, int $scale): int
    {
        try {
            return $fact->amount->toScale(max(0, $scale))->getUnscaledValue()->toInt();
        } catch (MathException) {
            throw RefusedFigures::whole("The amount {$fact->amount} of {$fact->measure} has too many digits beside amounts with $scale decimals. Give fewer decimals.");
        }
    }

    public static function amount(int $scaled, int $scale): BigDecimal
    {
        return BigDecimal::ofUnscaledValue($scaled, $scale);
    }
}
