<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\TestCase;

/**
 * Figures in the database answer filtered questions as figures in memory do; groups and merged members as their parts
 * do.
 */
final class FilterStorageTest extends TestCase
{
    private const ROUTES = ['North', 'Holm', 'Skerry', 'Outer', 'Lowen'];
    private const CLASSES = ['Foot', 'Car', 'Lorry'];
    private const MAPPING = [
        'columns' => [
            'Month' => ['role' => 'period'],
            'Route' => ['role' => 'breakdown'],
            'Class' => ['role' => 'breakdown'],
            'Completion' => ['role' => 'breakdown'],
            'Actual' => ['role' => 'amount', 'scenario' => 'AC'],
            'Budget' => ['role' => 'amount', 'scenario' => 'BU'],
            'Sailings' => ['role' => 'amount', 'scenario' => 'AC', 'measure' => 'Sailings'],
        ],
    ];

    private static function csv(): string
    {
        $csv = "Month,Route,Class,Completion,Actual,Budget,Sailings\n";
        foreach (self::ROUTES as $route) {
            foreach (self::CLASSES as $class) {
                for ($month = 1; $month <= 8; ++$month) {
                    $csv .= \sprintf(
                        "2026-%02d,%s,%s,%s,%s,%d,%s\n",
                        $month,
                        $route,
                        $class,
                        mt_rand(90, 100),
                        mt_rand(0, 6) ? mt_rand(-50, 5000) / 10 : '',
                        mt_rand(0, 500),
                        mt_rand(0, 4) ? mt_rand(0, 30) : '',
                    );
                }
            }
        }

        return $csv;
    }

    /** @return array<string, mixed> */
    private static function question(): array
    {
        $some = static fn (array $of): array => \array_slice($of, mt_rand(0, \count($of) - 1), mt_rand(1, 2));
        $where = array_values(
            array_filter([
                mt_rand(0, 1) ? ['field' => 'Route', ['in', 'notIn'][mt_rand(0, 1)] => $some(self::ROUTES)] : null,
                mt_rand(0, 1) ? ['field' => 'Class', ['in', 'notIn'][mt_rand(0, 1)] => $some(self::CLASSES)] : null,
                mt_rand(0, 1)
                    ? ['field' => 'Completion', ['below', 'atLeast'][mt_rand(0, 1)] => (string) mt_rand(90, 100)]
                    : null,
                mt_rand(0, 2)
                    ? null
                    : [
                        'field' => 'Sailings',
                        'atLeast' => (string) mt_rand(0, 20),
                        'below' => (string) mt_rand(10, 31),
                    ],
                mt_rand(0, 3) ? null : ['field' => 'Amount', 'below' => '250.5'],
            ]),
        );

        return [
            'measure' => ['Amount', 'Sailings'][mt_rand(0, 1)],
            'against' => ['BU'],
            'by' => ['month', 'quarter'][mt_rand(0, 1)],
        ] + ([] === $where ? [] : ['where' => $where]);
    }

    public function testStoredAndInMemoryAlike(): void
    {
        mt_srand(31);
        $csv = self::csv();
        $id = Kept::made($csv, self::MAPPING);
        $figures = Written::figures($csv, self::MAPPING);
        $answered = 0;
        for ($round = 0; $round < 120; ++$round) {
            $question = self::question();
            $says = json_encode($question, \JSON_THROW_ON_ERROR);
            $stored = self::stored($id, $question);
            try {
                $memory = Written::document(Drawing::workings(Written::recipe($question), $figures, ChartKinds::all()));
            } catch (NotAccepted $e) {
                self::assertSame([422, $e->reason], [$stored->status, $stored->at('detail')], $says);
                continue;
            }
            ++$answered;
            $rows = array_map(
                static fn (mixed $row): array => \is_array($row) ? [$row['key'], $row['shown']] : [],
                (array) $memory['rows'],
            );
            self::assertSame(
                [...$rows, ['Total', ((array) $memory['total'])['shown'] ?? null]],
                self::lines($stored),
                $says,
            );
        }
        self::assertGreaterThan(80, $answered);
    }

    /** A group is the sum of what stands in it, however the question asks for it; so is a merged member. */
    public function testAGroupIsItsMembers(): void
    {
        mt_srand(32);
        $id = Kept::made(self::csv(), self::MAPPING);
        $breakdown = Server::send('GET', "/api/datasets/$id")->int('breakdowns', 0, 'id');
        $total = static fn (array $where, string $measure = 'Amount'): ?string => self::total($id, [
            'measure' => $measure,
            'where' => $where,
        ]);
        $members = ['Holm', 'Skerry', 'Lowen'];
        $before = $total([['field' => 'Route', 'in' => $members]]);
        $others = $total([['field' => 'Route', 'notIn' => $members]]);
        Kept::change('PATCH', $id, "/breakdowns/$breakdown", ['members' => ['Holm', 'Skerry'], 'group' => 'Inner']);
        Kept::change('PATCH', $id, "/breakdowns/$breakdown", ['members' => ['Inner', 'Lowen'], 'group' => 'Near']);
        self::assertSame(
            [$before, $others],
            [$total([['field' => 'Route', 'in' => ['Near']]]), $total([['field' => 'Route', 'notIn' => ['Near']]])],
        );
        self::assertSame(
            $total([['field' => 'Route', 'in' => ['Holm', 'Skerry']], ['field' => 'Class', 'in' => ['Car']]]),
            $total([['field' => 'Route', 'in' => ['Inner']], ['field' => 'Class', 'in' => ['Car']]]),
        );
        $numbers = [['field' => 'Completion', 'atLeast' => '95']];
        self::assertSame(
            $total([['field' => 'Route', 'in' => $members], ...$numbers]),
            $total([['field' => 'Route', 'in' => ['Near']], ...$numbers]),
        );
        $all = $total([]);
        Kept::change('PATCH', $id, "/breakdowns/$breakdown", ['merge' => 'Outer', 'into' => 'Holm']);
        self::assertSame($all, $total([]), 'nothing is lost or counted twice');
        self::assertSame(
            $total([['field' => 'Route', 'in' => ['Holm']]]),
            $total([['field' => 'Route', 'in' => ['Outer']]]),
            'whoever has not heard of it means what it counts as now',
        );
        self::assertNotSame($before, $total([['field' => 'Route', 'in' => ['Near']]]), 'Outer is near now');
    }

    public function testATableIsGivenAStretchAtATime(): void
    {
        $csv =
            'Month,Customer,Actual'.
            "\n".
            implode('', array_map(static fn (int $i): string => "2026-01,Customer $i,$i\n", range(1, 250)));
        $id = Kept::made($csv);
        $of = static fn (int $from, array $more = []): Answer => Server::send(
            'POST', "/api/datasets/$id/tables", ['by' => 'Customer', 'from' => $from] + $more,
        );
        self::assertSame(
            [250, 0, 100, 'Customer 1'],
            [
                $of(0)->at('count'),
                $of(0)->at('from'),
                \count((array) $of(0)->at('rows')),
                $of(0)->at('rows', 0, 'member'),
            ],
        );
        self::assertSame(
            [50, 'Customer 201', '31,375'],
            [\count((array) $of(200)->at('rows')), $of(200)->at('rows', 0, 'member'), $of(200)->at('total', 'total')],
        );
        self::assertSame('Customer 150', $of(100, ['order' => 'largest first'])->at('rows', 0, 'member'));
        self::assertSame([], $of(300)->at('rows'));
        self::assertSame(
            [422, 422, 422],
            [
                $of(-1)->status,
                $of(0, ['page' => 2])->status,
                $of(0, ['where' => [['field' => 'Customer', 'below' => '5']]])->status,
            ],
        );
    }

    /** @param array<string, mixed> $question */
    private static function total(int $id, array $question): ?string
    {
        $lines = self::lines(self::stored($id, $question));

        return $lines[\count($lines) - 1][1] ?? null;
    }

    /** @param array<string, mixed> $question */
    private static function stored(int $id, array $question): Answer
    {
        return Server::send('POST', "/api/datasets/$id/workings", [
            'recipe' => ['keenMargin' => 1, 'question' => (object) $question, 'kind' => 'variance-tiers'],
        ]);
    }

    /** @return list<array{string, ?string}> key and shown amount of each row, and of the total */
    private static function lines(Answer $workings): array
    {
        self::assertSame(200, $workings->status, $workings->body);
        $lines = array_map(
            static fn (string $line): array => str_getcsv($line, escape: ''),
            \array_slice(explode("\r\n", trim($workings->body)), 1),
        );
        $head = str_getcsv(explode("\r\n", $workings->body)[0], escape: '');
        $at = (int) array_search('Shown', $head, true);
        self::assertGreaterThan(0, $at, implode(',', array_map(strval(...), $head)));

        return array_map(
            static fn (array $line): array => [
                (string) $line[0],
                '' === (string) ($line[$at] ?? '') ? null : (string) $line[$at],
            ],
            $lines,
        );
    }
}
