<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\TestCase;

/** Bullets over HTTP and the store: lists with bands, what is typed, exports, renamed measures. */
final class BulletsTest extends TestCase
{
    private const SCORES = "Store,Value,Target,Poor,Fair,Good\nNorth,72,80,60,75,100\nHolm,81,85,60,75,100\n";
    private const CALLS = "Month,Route,Calls,Berths\n2026-01,North,5,6\n2026-01,Holm,8,6\n";

    public function testAListWithBandsIsMetWithItsBullets(): void
    {
        $id = Kept::made(self::SCORES, ['bands' => 'limits']);
        $recipe = (array) Server::send('GET', "/api/datasets/$id")->at('firstRecipe');
        self::assertSame('bullet', $recipe['kind']);
        $drawn = Server::send('POST', "/api/datasets/$id/drawings", ['recipe' => $recipe]);
        self::assertSame(200, $drawn->status, $drawn->body);
        self::assertStringStartsWith(
            'How near is amount of all stores to its target, with bands as given, by store?',
            implode('', array_filter(array_column((array) $drawn->at('sentence'), 'text'), is_string(...))),
        );
        self::assertSame(
            [['72', '80', 'Fair'], ['81', '85', 'Good']],
            array_map(
                static fn (int $row): array => array_map(
                    static fn (string $column): string => $drawn->text('workings', 'rows', $row, 'cells', $column),
                    ['shown', 'target', 'band'],
                ),
                [0, 1],
            ),
        );
        $csv = Server::send('POST', "/api/datasets/$id/workings.csv", ['recipe' => $recipe]);
        self::assertSame(200, $csv->status, $csv->body);
        self::assertStringContainsString('Fair', $csv->body);
    }

    public function testWhatIsTypedIntoGoalAndBandsIsUnderstood(): void
    {
        $id = Kept::made(self::CALLS);
        $recipe = self::recipe(['measure' => 'Calls', 'by' => 'Route']);
        $typed = static fn (string $slot, string $text): Answer => Server::send('POST', "/api/datasets/$id/slots", [
            'recipe' => $recipe,
            'slot' => $slot,
            'text' => $text,
        ]);
        self::assertSame(['target' => '6.5'], $typed('aim', '6.5')->at('change'));
        self::assertSame(['target' => ['measure' => 'Berths']], $typed('aim', 'berths')->at('change'));
        self::assertSame(
            ['bands' => ['limits' => ['5', '7'], 'names' => ['few', 'enough']]],
            $typed('bands', 'few 5, enough 7')->at('change'),
        );
        $refused = $typed('bands', '7, 5');
        self::assertSame(
            [422, 'Limits of bands must rise; 5 does not lie above 7.'],
            [$refused->status, $refused->at('detail')],
        );
    }

    public function testANamedChartFollowsWhenTheMeasureOfItsTargetIsRenamed(): void
    {
        $id = Kept::made(self::CALLS);
        $chart = Server::send('POST', '/api/charts', [
            'dataset' => $id,
            'name' => 'Calls '.bin2hex(random_bytes(3)),
            'recipe' => self::recipe(['measure' => 'Calls', 'by' => 'Route', 'target' => ['measure' => 'Berths']]),
        ]);
        self::assertSame(201, $chart->status, $chart->body);
        $measures = (array) Server::send('GET', "/api/datasets/$id")->at('measures');
        $berths = array_column($measures, 'id', 'name')['Berths'];
        Kept::change('PATCH', $id, "/measures/$berths", ['name' => 'Quays']);
        $kept = Server::send('GET', "/api/charts/{$chart->int('id')}");
        self::assertSame(['measure' => 'Quays'], $kept->at('recipe', 'question', 'target'));
    }

    /**
     * @param array<string, mixed> $question
     *
     * @return array<string, mixed>
     */
    private static function recipe(array $question): array
    {
        return ['keenMargin' => 1, 'question' => $question, 'kind' => 'bullet'];
    }
}
