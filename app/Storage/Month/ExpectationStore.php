<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Month;

use Doctrine\DBAL\Connection;
use KeenMargin\Core\Figures\Scenario;

/** What datasets expect each month, and what does not come in one of them. */
final readonly class ExpectationStore
{
    public function __construct(private Connection $connection) {}

    /** @return array<int, list<Expectation>> by dataset, in the order of the days */
    public function all(): array
    {
        $all = [];
        /** @var list<array{int, string, int, string, ?int}> $rows */
        $rows = $this->connection->fetchAllNumeric(
            'SELECT dataset, scenario, working_day, whom, source FROM expectation ORDER BY dataset, working_day',
        );
        foreach ($rows as [$dataset, $scenario, $day, $whom, $source]) {
            $all[$dataset][] = new Expectation(Scenario::from($scenario), $day, $whom, $source);
        }

        return $all;
    }

    /** @param list<Expectation> $expectations in place of all that there were; to be called within a write turn */
    public function replace(int $dataset, array $expectations): void
    {
        $this->connection->delete('expectation', ['dataset' => $dataset]);
        foreach ($expectations as $one) {
            $this->connection->insert('expectation', [
                'dataset' => $dataset,
                'scenario' => $one->scenario->value,
                'working_day' => $one->workingDay,
                'whom' => $one->whom,
                'source' => $one->source,
            ]);
        }
    }

    /** @return array<int, array<string, string>> why something does not come in a month, by dataset and scenario */
    public function notComing(string $period): array
    {
        $all = [];
        /** @var list<array{int, string, string}> $rows */
        $rows = $this->connection->fetchAllNumeric('SELECT dataset, scenario, why FROM not_coming WHERE period = ?', [
            $period,
        ]);
        foreach ($rows as [$dataset, $scenario, $why]) {
            $all[$dataset][$scenario] = $why;
        }

        return $all;
    }

    /** @param ?string $why null: it does come */
    public function setNotComing(int $dataset, Scenario $scenario, string $period, ?string $why, string $who): void
    {
        $key = ['dataset' => $dataset, 'scenario' => $scenario->value, 'period' => $period];
        $this->connection->delete('not_coming', $key);
        null === $why || $this->connection->insert('not_coming', $key + ['why' => $why, 'who' => $who]);
    }
}
