<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\TestCase;

/** Named finishes, and charts as a list: used on many at once, followed, copied, deleted and brought back. */
final class FinishesTest extends TestCase
{
    private const CSV = "Month,Route,Amount,Budget\n2026-07,North,3,4\n2026-08,North,5,6\n";

    /** @param array<string, mixed> $finish */
    private static function chart(int $dataset, string $name, array $finish = []): Answer
    {
        $chart = Server::send('POST', '/api/charts', [
            'dataset' => $dataset,
            'name' => $name,
            'recipe' => ['keenMargin' => 1, 'question' => ['against' => ['BU']], 'kind' => 'variance-tiers'] +
                ([] === $finish ? [] : ['finish' => $finish]),
        ]);
        self::assertSame(201, $chart->status, $chart->body);

        return $chart;
    }

    private static function called(): string
    {
        return 'House '.bin2hex(random_bytes(3));
    }

    public function testOneFinishOnThreeChartsKeepsTheirWordsAndIsFollowed(): void
    {
        $dataset = Kept::made(self::CSV);
        $charts = array_map(
            static fn (int $i): int => self::chart(
                $dataset,
                "Chart $i",
                1 === $i ? ['message' => ['text' => 'Ahead'], 'highlight' => ['2026-07'], 'decimals' => 2] : [],
            )->int('id'),
            [1, 2, 3],
        );
        $name = self::called();
        $made = Server::send('POST', '/api/finishes', [
            'name' => $name,
            'finish' => ['unit' => 'k', 'colours' => 'greys', 'message' => ['text' => 'not mine']],
        ]);
        self::assertSame([201, ['unit' => 'k', 'colours' => 'greys']], [$made->status, $made->at('finish')]);
        $used = Server::send('POST', '/api/finishes/'.$made->int('id').'/uses', ['charts' => $charts]);
        self::assertSame([200, 2], [$used->status, $used->int('before', 0, 'recipe', 'finish', 'decimals')]);
        $finish = static fn (int $chart): mixed => Server::send('GET', "/api/charts/$chart")->at('recipe', 'finish');
        self::assertSame(
            [
                'unit' => 'k',
                'highlight' => ['2026-07'],
                'colours' => 'greys',
                'message' => ['text' => 'Ahead'],
                'named' => $name,
            ],
            $finish($charts[0]),
        );
        self::assertSame(['unit' => 'k', 'colours' => 'greys', 'named' => $name], $finish($charts[2]));
        $other = $name.' 2';
        $changed = Server::send(
            'PUT',
            '/api/finishes/'.$made->int('id'),
            ['name' => $other, 'finish' => ['unit' => 'm']],
            ['If-Match' => '"1"'],
        );
        self::assertSame([200, $charts], [$changed->status, $changed->at('charts')]);
        self::assertSame(['unit' => 'm', 'named' => $other], $finish($charts[1]));
        self::assertSame(
            204, Server::send('DELETE', '/api/finishes/'.$made->int('id'), null, ['If-Match' => '"2"'])->status,
        );
        self::assertSame(['unit' => 'm'], $finish($charts[1]));
    }

    public function testOneIsTheDefaultOfNewCharts(): void
    {
        $dataset = Kept::made(self::CSV);
        [$one, $two] = array_map(
            static fn (string $unit): Answer => Server::send('POST', '/api/finishes', [
                'name' => self::called(),
                'finish' => ['unit' => $unit],
                'isDefault' => true,
            ]),
            ['k', 'm'],
        );
        self::assertFalse(
            array_values(array_filter(
                (array) Server::send('GET', '/api/finishes')->at('items'),
                static fn (mixed $item): bool => \is_array($item) && $item['id'] === $one->int('id'),
            ))[0]['isDefault'],
        );
        self::assertSame(
            ['unit' => 'm', 'named' => $two->text('name')],
            Server::send('GET', "/api/datasets/$dataset")->at('firstRecipe', 'finish'),
        );
        Server::send(
            'PUT',
            '/api/finishes/'.$two->int('id'),
            ['name' => $two->text('name'), 'isDefault' => false],
            ['If-Match' => '"1"'],
        );
        self::assertNull(Server::send('GET', "/api/datasets/$dataset")->at('firstRecipe', 'finish'));
    }

    public function testWhatCannotBeKeptIsRefused(): void
    {
        $name = self::called();
        Server::send('POST', '/api/finishes', ['name' => $name, 'finish' => ['unit' => 'k']]);
        $again = Server::send('POST', '/api/finishes', ['name' => $name, 'finish' => ['unit' => 'k']]);
        self::assertSame([422, 'name'], [$again->status, $again->text('path')]);
        self::assertSame(
            [422, 'finish.unit'],
            [
                ($wrong = Server::send('POST', '/api/finishes', [
                    'name' => self::called(),
                    'finish' => ['unit' => 'dozen'],
                ]))->status,
                $wrong->text('path'),
            ],
        );
        self::assertSame(404, Server::send('POST', '/api/finishes/999999/uses', ['charts' => [1]])->status);
    }

    public function testChartsAreFoundCopiedDeletedAndBroughtBack(): void
    {
        $dataset = Kept::made(self::CSV);
        $word = 'zz'.bin2hex(random_bytes(3));
        $chart = self::chart($dataset, "Chart 50% $word");
        $names = static fn (string $query): array => array_column(
            (array) Server::send('GET', '/api/charts?'.http_build_query(['q' => $query]))->at('items'), 'name',
        );
        self::assertSame(["Chart 50% $word"], $names("50% $word"));
        self::assertSame([], $names("50_ $word"));
        $copy = Server::send('POST', '/api/charts/'.$chart->int('id').'/copies');
        self::assertSame(
            [201, "Chart 50% $word (copy)", $chart->at('recipe')],
            [$copy->status, $copy->text('name'), $copy->at('recipe')],
        );
        self::assertCount(2, (array) Server::send('GET', "/api/charts?dataset=$dataset")->at('items'));
        self::assertSame(
            204, Server::send('DELETE', '/api/charts/'.$chart->int('id'), null, ['If-Match' => '"1"'])->status,
        );
        self::assertSame(
            [404, 404, ["Chart 50% $word (copy)"]],
            [
                Server::send('GET', '/api/charts/'.$chart->int('id'))->status,
                Server::send('GET', '/charts/'.$chart->int('id').'.svg')->status,
                $names($word),
            ],
        );
        self::assertSame(
            [],
            array_filter(
                (array) Server::send('GET', '/api/search?q='.$word)->at('items'),
                static fn (mixed $item): bool => \is_array($item) && $item['id'] === $chart->int('id'),
            ),
        );
        $back = Server::send('POST', '/api/charts/'.$chart->int('id').'/restoration');
        self::assertSame([200, $chart->int('id')], [$back->status, $back->int('id')]);
        self::assertCount(2, $names($word));
    }

    public function testAMessageThatIsStaleIsMarkedInTheList(): void
    {
        $dataset = Kept::made(self::CSV);
        self::chart($dataset, 'Stale message', [
            'message' => [
                'text' => 'We are 5',
                'numbers' => [['said' => '5', 'row' => 'total', 'column' => 'AC', 'exact' => '5']],
            ],
        ]);
        self::assertSame(
            ['The message says 5, is now 8.'],
            Server::send('GET', "/api/charts?dataset=$dataset")->at('items', 0, 'troubles'),
        );
    }

    public function testARecipeOfOtherFiguresIsFitted(): void
    {
        $dataset = Kept::made(self::CSV);
        $recipe = [
            'keenMargin' => 1,
            'question' => ['measure' => 'Fuel', 'where' => [['field' => 'Route', 'in' => ['Nord']]]],
            'kind' => 'variance-tiers',
        ];
        $asked = Server::send('POST', "/api/datasets/$dataset/fits", ['recipe' => $recipe]);
        self::assertSame(
            [200, null, ['measure:Fuel', 'member:Route/Nord']],
            [$asked->status, $asked->at('recipe'), array_column((array) $asked->at('asks'), 'id')],
        );
        self::assertSame('North', $asked->text('asks', 1, 'guess'));
        $fitted = Server::send('POST', "/api/datasets/$dataset/fits", [
            'recipe' => $recipe,
            'answers' => ['measure:Fuel' => 'Amount', 'member:Route/Nord' => 'North'],
        ]);
        self::assertSame(
            [
                'measure' => 'Amount',
                'scenario' => 'AC',
                'by' => 'month',
                'where' => [['field' => 'Route', 'in' => ['North']]],
            ],
            $fitted->at('recipe', 'question'),
        );
        self::assertSame(
            [422, 'kind'],
            [
                ($wrong = Server::send('POST', "/api/datasets/$dataset/fits", [
                    'recipe' => ['kind' => 'pie'] + $recipe,
                ]))->status,
                $wrong->text('path'),
            ],
        );
    }

    public function testASlotIsTypedInto(): void
    {
        $dataset = Kept::made(self::CSV);
        $ask = static fn (string $slot, string $text): Answer => Server::send('POST', "/api/datasets/$dataset/slots", [
            'recipe' => ['keenMargin' => 1, 'question' => ['against' => ['BU']], 'kind' => 'variance-tiers'],
            'slot' => $slot,
            'text' => $text,
        ]);
        self::assertSame(['span' => ['last' => 3, 'unit' => 'month']], $ask('span', 'last 3 months')->at('change'));
        self::assertSame([422, 'text'], [$ask('span', 'soon')->status, $ask('span', 'soon')->text('path')]);
    }
}
