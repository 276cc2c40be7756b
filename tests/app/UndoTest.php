<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\TestCase;

/** Whatever is changed in a dataset, undone in turn it is the same, byte for byte; done again as well. */
final class UndoTest extends TestCase
{
    public function testAnySequenceOfChangesUndoneAndDoneAgain(): void
    {
        for ($seed = 1; $seed <= 6; ++$seed) {
            mt_srand($seed);
            $id = Kept::made(self::figures());
            $states = [[Kept::bytes($id), self::settings($id)]];
            for ($step = 0; $step < 14; ++$step) {
                $changed = self::change($id);
                if ($changed) {
                    $states[] = [Kept::bytes($id), self::settings($id)];
                }
            }
            for ($at = \count($states) - 2; $at >= 0; --$at) {
                self::assertNotNull(Server::send('POST', "/api/datasets/$id/undo")->at('step'));
                self::assertSame($states[$at], [Kept::bytes($id), self::settings($id)], "seed $seed, back to step $at");
            }
            self::assertNull(Server::send('GET', "/api/datasets/$id/pulse")->at('undo'));
            for ($at = 1; $at < \count($states); ++$at) {
                Server::send('POST', "/api/datasets/$id/redo");
                self::assertSame($states[$at], [Kept::bytes($id), self::settings($id)], "seed $seed, on to step $at");
            }
            self::assertNull(Server::send('GET', "/api/datasets/$id/pulse")->at('redo'));
        }
    }

    /** The sum over groups is the sum over members, and totals kept along are those counted anew. */
    public function testTotalsStayTrueThroughChanges(): void
    {
        for ($seed = 21; $seed <= 24; ++$seed) {
            mt_srand($seed);
            $id = Kept::made(self::figures());
            for ($step = 0; $step < 10; ++$step) {
                self::change($id);
            }
            foreach (['AC', 'BU'] as $scenario) {
                $table = Server::send('POST', "/api/datasets/$id/tables", ['by' => 'Route', 'scenario' => $scenario]);
                $sums = [];
                foreach ((array) $table->at('rows') as $i => $row) {
                    $outermost = 0 === $table->at('rows', $i, 'depth') ? (array) $table->at('rows', $i, 'cells') : [];
                    foreach ($outermost as $column => $cell) {
                        $sums[$column] = ($sums[$column] ?? 0) + self::cents($cell);
                    }
                }
                self::assertSame(
                    array_map(self::cents(...), (array) $table->at('total', 'cells')), $sums, "seed $seed, $scenario",
                );
            }
            $again = Kept::made(Kept::bytes($id), null, 'again.csv');
            $recipe = [
                'recipe' => [
                    'keenMargin' => 1,
                    'question' => ['against' => ['BU'], 'by' => 'month'],
                    'kind' => 'variance-tiers',
                ],
            ];
            $workings = static fn (int $of): mixed => array_map(
                static fn (mixed $row): mixed => \is_array($row) ? [$row['key'], $row['cells']] : null,
                (array) Server::send('POST', "/api/datasets/$of/drawings", $recipe)->at('workings', 'rows'),
            );
            self::assertSame(
                $workings($again), $workings($id), "seed $seed: what comes in anew is what was kept along",
            );
        }
    }

    private static function cents(mixed $text): int
    {
        return (int) round(100 * (float) strtr(\is_string($text) ? $text : '', ['−' => '-', ',' => '']));
    }

    private static function figures(): string
    {
        $csv = "Month,Route,Actual,Budget\n2026-01,North,1,1\n";
        foreach (['North', 'Holm', 'Skerry', 'Outer'] as $route) {
            foreach (range(1, 5) as $month) {
                $csv .=
                    0 === mt_rand(0, 4)
                        ? ''
                        : \sprintf("2026-%02d,%s,%d,%d\n", $month, $route, mt_rand(-50, 900), mt_rand(0, 900));
            }
        }

        return $csv."2026-03,Skerry,1,1\n2026-04,Outer,1,1\n2026-02,Holm,1,1\n";
    }

    /** @return array<string, mixed> */
    private static function settings(int $id): array
    {
        $dataset = Server::send('GET', "/api/datasets/$id");

        return array_combine(
            $keys = ['name', 'firstMonth', 'closing', 'measures', 'breakdowns', 'facts', 'scenarios'],
            array_map(static fn (string $key): mixed => $dataset->at($key), $keys),
        );
    }

    private static function change(int $id): bool
    {
        $dataset = Server::send('GET', "/api/datasets/$id");
        $members = array_values(array_diff(
            Kept::members($id),
            array_map(
                static fn (mixed $group): string => \is_string($group) ? $group : '',
                (array) $dataset->at('breakdowns', 0, 'parents'),
            ),
        ));
        $one = $members[mt_rand(0, \count($members) - 1)];
        $other = $members[mt_rand(0, \count($members) - 1)];
        $breakdown = '/breakdowns/'.$dataset->int('breakdowns', 0, 'id');
        $name = 'Isle '.mt_rand(1, 1000);
        $amounts = [(string) mt_rand(-99, 99), mt_rand(1, 9).'.'.mt_rand(1, 9), '', '0'];
        $answer = match (mt_rand(0, 9)) {
            0 => Kept::change('PATCH', $id, $breakdown, ['merge' => $one, 'into' => $other]),
            1 => Kept::change('PATCH', $id, $breakdown, [
                'members' => [$one, $other],
                'group' => 'Group '.mt_rand(1, 2),
            ]),
            2 => Kept::change('PATCH', $id, $breakdown, ['rename' => $one, 'to' => $name]),
            3 => Kept::change('PATCH', $id, $breakdown, ['move' => $one, 'before' => $other]),
            4 => Kept::change('PATCH', $id, '', ['firstMonth' => mt_rand(1, 12), 'name' => $name]),
            5 => Kept::change('PATCH', $id, '/measures/'.$dataset->int('measures', 0, 'id'), [
                'unit' => 'EUR',
                'better' => ['more', 'less'][mt_rand(0, 1)],
            ]),
            6 => Kept::set($id, $name, '2026-03', $amounts[0], ['newRows' => true]),
            default => Kept::set(
                dataset: $id,
                row: $one,
                period: \sprintf('2026-%02d', mt_rand(1, 7)),
                amount: $amounts[mt_rand(0, 3)],
                more: [],
                scenario: ['AC', 'BU', 'FC'][mt_rand(0, 2)],
            ),
        };

        return 200 === $answer->status
            && 0 !== $answer->at('changed')
            && $answer->header('ETag') !== $dataset->header('ETag');
    }
}
