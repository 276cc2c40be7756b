<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Amounts changed by hand over HTTP: kept as an import, told to others, undone and done again. */
final class EditTest extends TestCase
{
    private const CSV = "Month,Route,Actual,Budget\n2026-06,North,10,11\n2026-07,North,20,21\n2026-07,Holm,5,6\n";

    /** An amount is kept exactly or refused; nothing is rounded, and nothing is a fault. */
    public function testAnAmountThatDoesNotFitItsDecimalsIsRefused(): void
    {
        $id = Kept::made("Month,Route,Actual,Budget\n2026-05,North,10.1234567,11\n2026-06,North,20,21\n");
        $before = Kept::bytes($id);
        foreach (['999999999999999', '-123456789012345'] as $amount) {
            $answer = Kept::set($id, 'North', '2026-05', $amount);
            self::assertSame([422, 'amounts'], [$answer->status, $answer->text('path')], $answer->body);
            self::assertStringContainsString(
                '"'.$amount.'" has too many digits to be kept exactly beside amounts with 7 decimals.',
                $answer->text('detail'),
            );
        }
        self::assertSame($before, Kept::bytes($id));
    }

    public function testAnAmountIsSetClearedAndUndone(): void
    {
        $id = Kept::made(self::CSV);
        $before = Kept::bytes($id);
        $set = Kept::set($id, 'North', '2026-07', '22.5', ['was' => [['20']]], who: 'Ada Lindqvist');
        self::assertSame(
            [200, 1, 'North, Jul 2026: 20 to 22.5', null],
            [$set->status, $set->at('changed'), $set->at('undo'), $set->at('redo')],
            $set->body,
        );
        self::assertSame(
            ['2026-06' => '10.0', '2026-07' => '22.5'], Kept::row($id, 'North'), 'with every digit that came',
        );
        self::assertSame(1, Kept::set($id, 'Holm', '2026-07', '')->int('changed'));
        self::assertSame(['2026-06' => '', '2026-07' => ''], Kept::row($id, 'Holm'));
        self::assertSame(0, Kept::set($id, 'Holm', '2026-07', '')->int('changed'), 'nothing to change is no step');

        $import = Server::send('GET', "/api/datasets/$id/imports");
        self::assertSame(
            ['By hand', 'by hand', 'Ada Lindqvist'],
            [$import->at('items', 1, 'name'), $import->at('items', 1, 'mode'), $import->at('items', 1, 'who')],
            $import->body,
        );
        self::assertSame('', $import->at('items', 0, 'who'), 'another hand, another import');

        $undone = Server::send('POST', "/api/datasets/$id/undo");
        self::assertSame(
            ['Holm, Jul 2026: now nothing', 0], [$undone->at('step', 'says'), $undone->at('step', 'skipped')],
        );
        self::assertSame('North, Jul 2026: 20 to 22.5', $undone->at('undo'));
        Server::send('POST', "/api/datasets/$id/undo");
        self::assertSame($before, Kept::bytes($id), 'byte for byte, decimals too');
        self::assertNull(Server::send('POST', "/api/datasets/$id/undo")->at('step'));
        self::assertSame(
            1,
            Server::send('GET', "/api/datasets/$id/imports")->at('total'),
            'what was all undone is nothing to take back',
        );
        Server::send('POST', "/api/datasets/$id/redo");
        self::assertSame('22.5', Kept::row($id, 'North')['2026-07']);
    }

    public function testChangesByHandAreTakenBackLikeAnyImport(): void
    {
        $id = Kept::made(self::CSV);
        $before = Kept::csv($id);
        Kept::set($id, 'North', '2026-07', '1');
        Kept::set($id, 'North', '2026-07', '2');
        Kept::set($id, 'Holm', '2026-06', '3');
        $import = Server::send('GET', "/api/datasets/$id/imports")->int('items', 0, 'id');
        $would = Server::send('GET', "/api/imports/$import/take-back");
        self::assertSame([1, 1], [$would->at('gone'), $would->at('restored')], $would->body);
        self::assertSame(200, Server::send('POST', "/api/imports/$import/take-back", ['confirmed' => true])->status);
        self::assertSame($before, Kept::csv($id));
        self::assertNull(
            Server::send('GET', "/api/datasets/$id/pulse")->at('undo'), 'no step leads back into what was taken back',
        );
    }

    public function testABlockFromAnotherProgramWithDecimalCommas(): void
    {
        $id = Kept::made(self::CSV);
        $block = [
            'rows' => ['North', 'Holm'],
            'periods' => [['key' => '2026-06', 'scenario' => 'AC'], ['key' => '2026-08', 'scenario' => 'AC']],
            'amounts' => [['1.234,5', '7'], [null, '−2,25']],
        ];
        $set = Server::send('POST', "/api/datasets/$id/edits", ['measure' => 'Amount', 'by' => 'Route'] + $block);
        self::assertSame(
            [200, 3, '3 amounts of Amount'], [$set->status, $set->at('changed'), $set->at('undo')], $set->body,
        );
        self::assertSame(['2026-06' => '1,234.50', '2026-07' => '20.00', '2026-08' => '7.00'], Kept::row($id, 'North'));
        self::assertSame(
            ['2026-06' => '', '2026-07' => '5.00', '2026-08' => '−2.25'],
            Kept::row($id, 'Holm'),
            'a blank that is null is left alone',
        );
        self::assertSame(
            '2026-08',
            Server::send('GET', "/api/datasets/$id")->at('closing'),
            'a new month of actuals closes the books through it',
        );
    }

    public function testTwoHandsOnOneAmount(): void
    {
        $id = Kept::made(self::CSV);
        self::assertSame(200, Kept::set($id, 'North', '2026-07', '30', ['was' => [['20']]])->status);
        $late = Kept::set($id, 'North', '2026-07', '40', ['was' => [['20']]]);
        self::assertSame(412, $late->status);
        self::assertSame(
            [['row' => 'North', 'period' => '2026-07', 'label' => 'Jul 2026', 'was' => '20', 'is' => '30']],
            $late->at('current', 'cells'),
        );
        self::assertSame('30', Kept::row($id, 'North')['2026-07'], 'nothing is lost in silence');
        self::assertSame(200, Kept::set($id, 'North', '2026-07', '40')->status, 'put on top, knowing');
        self::assertSame('40', Kept::row($id, 'North')['2026-07']);
    }

    public function testAStepThatSomebodyElseHasWorkedOnIsUndoneAroundTheirs(): void
    {
        $id = Kept::made(self::CSV);
        Server::send('POST', "/api/datasets/$id/edits", [
            'measure' => 'Amount',
            'by' => 'Route',
            'rows' => ['North', 'Holm'],
            'periods' => [['key' => '2026-07', 'scenario' => 'AC']],
            'amounts' => [['1'], ['2']],
        ]);
        $reading = Server::send('POST', '/api/readings', [
            'name' => 'n.csv',
            'text' => "Month,Route,Actual,Budget\n2026-07,North,77,21\n",
            'dataset' => $id,
        ]);
        self::assertSame(
            201,
            Server::send(
                'POST',
                "/api/datasets/$id/imports",
                ['reading' => $reading->text('id')],
                ['If-Match' => Server::send('GET', "/api/datasets/$id")->header('ETag')],
            )->status,
        );
        self::assertSame(1, Server::send('POST', "/api/datasets/$id/undo")->at('step', 'skipped'));
        self::assertSame(['77', '5'], [Kept::row($id, 'North')['2026-07'], Kept::row($id, 'Holm')['2026-07']]);
    }

    public function testNewMembersComeOnlyWhereTheyAreWanted(): void
    {
        $id = Kept::made(self::CSV);
        $before = Kept::bytes($id);
        $refused = Kept::set($id, 'Skerry', '2026-07', '9');
        self::assertSame(
            [422, 'Route has no Skerry. Send "newRows": true to add it.'], [$refused->status, $refused->at('detail')],
        );
        self::assertSame(200, Kept::set($id, 'Skerry', '2026-07', '9', ['newRows' => true])->status);
        self::assertSame(['North', 'Holm', 'Skerry'], Kept::members($id));
        Server::send('POST', "/api/datasets/$id/undo");
        self::assertSame([['North', 'Holm'], $before], [Kept::members($id), Kept::bytes($id)]);
    }

    public function testAnAmountOfMergedMembersIsTheirSum(): void
    {
        $id = Kept::made(self::CSV);
        $before = Kept::bytes($id);
        $breakdown = Server::send('GET', "/api/datasets/$id")->int('breakdowns', 0, 'id');
        self::assertSame(
            200, Kept::change('PATCH', $id, "/breakdowns/$breakdown", ['merge' => 'Holm', 'into' => 'North'])->status,
        );
        self::assertSame(['2026-06' => '10', '2026-07' => '25'], Kept::row($id, 'North'));
        self::assertSame(412, Kept::set($id, 'North', '2026-07', '30', ['was' => [['20']]])->status);
        self::assertSame(200, Kept::set($id, 'North', '2026-07', '30', ['was' => [['25']]])->status);
        self::assertSame('30', Kept::row($id, 'North')['2026-07']);
        Server::send('POST', "/api/datasets/$id/undo");
        Server::send('POST', "/api/datasets/$id/undo");
        self::assertSame($before, Kept::bytes($id));
    }

    /** @param array<string, mixed> $body */
    #[DataProvider('refused')]
    public function testRefuses(array $body, string $says): void
    {
        static $id = null;
        $id ??= Kept::made("Month,Route,Actual,Budget,Sailings\n2026-06,North,10,11,4\n2026-07,Holm,5,6,4\n", [
            'columns' => [
                'Month' => ['role' => 'period'],
                'Route' => ['role' => 'breakdown'],
                'Actual' => ['role' => 'amount', 'scenario' => 'AC'],
                'Budget' => ['role' => 'amount', 'scenario' => 'BU'],
                'Sailings' => ['role' => 'amount', 'scenario' => 'AC', 'measure' => 'Sailings'],
            ],
            'measure' => 'Amount',
            'measures' => [
                'Per sailing' => ['grouping' => 'ratio', 'numerator' => 'Amount', 'denominator' => 'Sailings'],
            ],
        ]);
        \assert(\is_int($id));
        $before = Kept::bytes($id);
        $refused = Server::send('POST', "/api/datasets/$id/edits", $body);
        self::assertSame(422, $refused->status, $refused->body);
        self::assertStringContainsString($says, $refused->text('path').': '.$refused->text('detail'));
        self::assertSame($before, Kept::bytes($id));
    }

    /** @return \Generator<string, array{array<string, mixed>, string}> */
    public static function refused(): \Generator
    {
        $with = static fn (array $more): array => $more + [
            'measure' => 'Amount',
            'by' => 'Route',
            'rows' => ['North'],
            'periods' => [['key' => '2026-06', 'scenario' => 'AC']],
            'amounts' => [['1']],
        ];
        yield 'a formula' => [
            $with(['amounts' => [['=2+3']]]),
            'amounts[0][0]: "=2+3" is not a number. Figures are figures here: type the amount itself.',
        ];
        yield 'a word' => [$with(['amounts' => [['ten']]]), '"ten" is not a number'];
        yield 'too many digits' => [
            $with(['amounts' => [['1234567890123456']]]), 'has too many digits to be kept exactly',
        ];
        yield 'too many decimals' => [$with(['amounts' => [['0.12345678901']]]), 'has too many digits'];
        yield 'a ratio' => [
            $with(['measure' => 'Per sailing']), 'Per sailing is computed from Amount and Sailings. Change those.',
        ];
        yield 'no such measure' => [$with(['measure' => 'Fuel']), '"Fuel" is not accepted'];
        yield 'a quarter' => [
            $with(['periods' => [['key' => '2026-Q1', 'scenario' => 'AC']]]), 'give a month, as the figures are',
        ];
        yield 'no period' => [$with(['periods' => [['key' => 'June', 'scenario' => 'AC']]]), 'is not a period'];
        yield 'prior year that is derived' => [
            $with(['periods' => [['key' => '2026-06', 'scenario' => 'PY']]]),
            'Prior year is the actual of one year earlier here. Change that.',
        ];
        yield 'no scenario' => [
            $with(['periods' => [['key' => '2026-06', 'scenario' => 'XX']]]), 'periods[0].scenario',
        ];
        yield 'a sum over routes' => [
            [
                'measure' => 'Amount',
                'rows' => [''],
                'periods' => [['key' => '2026-06', 'scenario' => 'AC']],
                'amounts' => [['1']],
            ],
            'Each amount is the sum over Route. Choose one of its members, then change the amount.',
        ];
        yield 'rows that do not match' => [$with(['amounts' => [['1'], ['2']]]), 'amounts'];
        yield 'columns that do not match' => [$with(['amounts' => [['1', '2']]]), 'give 1 amounts a row'];
        yield 'no rows' => [$with(['rows' => []]), 'rows'];
        yield 'an unknown key' => [$with(['colour' => 'red']), 'This key is not known'];
        yield 'too much at once' => [
            [
                'measure' => 'Amount',
                'by' => 'Route',
                'rows' => array_fill(0, 3000, 'North'),
                'periods' => array_fill(0, 7, ['key' => '2026-06', 'scenario' => 'AC']),
                'amounts' => [],
            ],
            'More than 20,000 amounts at once',
        ];
    }

    public function testAListWithoutPeriodsAndAGroupThatIsASum(): void
    {
        $id = Kept::made("Route,Amount\nNorth,5\nHolm,7\n");
        $set = Server::send('POST', "/api/datasets/$id/edits", [
            'measure' => 'Amount',
            'by' => 'Route',
            'rows' => ['Holm'],
            'periods' => [['scenario' => 'AC']],
            'amounts' => [['8']],
        ]);
        self::assertSame([200, 'Holm: now 8'], [$set->status, $set->at('undo')], $set->body);
        $breakdown = Server::send('GET', "/api/datasets/$id")->int('breakdowns', 0, 'id');
        Kept::change('PATCH', $id, "/breakdowns/$breakdown", ['members' => ['North', 'Holm'], 'group' => 'Both']);
        self::assertSame(['' => '13'], Kept::row($id, 'Both'));
        $refused = Server::send('POST', "/api/datasets/$id/edits", [
            'measure' => 'Amount',
            'by' => 'Route',
            'rows' => ['Both'],
            'periods' => [['scenario' => 'AC']],
            'amounts' => [['8']],
        ]);
        self::assertSame(
            [422, 'Both is a group: the sum of what stands in it. Change those.'],
            [$refused->status, $refused->at('detail')],
        );
    }

    public function testFiguresWithoutABreakdown(): void
    {
        $id = Kept::made("Month,Actual\n2026-06,10\n2026-07,20\n");
        self::assertSame(200, Kept::set($id, null, '2026-07', '25', ['was' => [['20']]])->status);
        $table = Server::send('POST', "/api/datasets/$id/tables", ['measure' => 'Amount']);
        self::assertSame(
            [1, ['10', '25'], null], [$table->at('count'), $table->at('rows', 0, 'cells'), $table->at('fixed')],
        );
    }

    public function testASpreadIsShownBeforeItIsSet(): void
    {
        $id = Kept::made(self::CSV);
        $periods = array_map(
            static fn (int $month): array => ['key' => \sprintf('2027-%02d', $month), 'scenario' => 'BU'],
            range(6, 8),
        );
        $spread = Server::send('POST', "/api/datasets/$id/spreads", [
            'measure' => 'Amount',
            'where' => ['Route' => 'North'],
            'periods' => $periods,
            'amount' => '100',
            'by' => 'prior year',
        ]);
        self::assertSame(['33', '67', '0'], $spread->at('amounts'), $spread->body);
        $even = Server::send('POST', "/api/datasets/$id/spreads", [
            'measure' => 'Amount',
            'where' => ['Route' => 'Holm'],
            'periods' => $periods,
            'amount' => '1,5',
            'by' => 'even',
        ]);
        self::assertSame(['0.5', '0.5', '0.5'], $even->at('amounts'));
        $none = Server::send('POST', "/api/datasets/$id/spreads", [
            'measure' => 'Amount',
            'where' => ['Route' => 'Holm'],
            'periods' => \array_slice($periods, 0, 1),
            'amount' => '1',
            'by' => 'prior year',
        ]);
        self::assertSame(
            [422, 'There are no figures of the prior year to spread by. Spread it evenly.'],
            [$none->status, $none->at('detail')],
        );
        self::assertSame('2026-07', Server::send('GET', "/api/datasets/$id")->at('closing'), 'nothing was set');
    }

    public function testManyHandsAtOnceLoseNothing(): void
    {
        $id = Kept::made(self::CSV);
        $multi = curl_multi_init();
        $handles = [];
        for ($i = 0; $i < 24; ++$i) {
            $body = [
                'measure' => 'Amount',
                'by' => 'Route',
                'rows' => [0 === $i % 2 ? 'North' : 'Holm'],
                'periods' => [['key' => \sprintf('2027-%02d', 1 + intdiv($i, 2)), 'scenario' => 'BU']],
                'amounts' => [[(string) (100 + $i)]],
                'was' => [['']],
            ];
            $handle = curl_init(Server::base()."/api/datasets/$id/edits");
            curl_setopt_array($handle, [
                \CURLOPT_POSTFIELDS => json_encode($body, \JSON_THROW_ON_ERROR),
                \CURLOPT_HTTPHEADER => ['Content-Type: application/json'],
                \CURLOPT_RETURNTRANSFER => true,
            ]);
            curl_multi_add_handle($multi, $handle);
            $handles[] = $handle;
        }
        do {
            curl_multi_exec($multi, $running);
            curl_multi_select($multi, 0.05);
        } while ($running > 0);
        foreach ($handles as $handle) {
            self::assertSame(
                200, curl_getinfo($handle, \CURLINFO_RESPONSE_CODE), (string) curl_multi_getcontent($handle),
            );
        }
        $table = Server::send('POST', "/api/datasets/$id/tables", [
            'by' => 'Route',
            'scenario' => 'BU',
            'year' => '2027',
        ]);
        self::assertSame((string) number_format(array_sum(range(100, 123))), $table->at('total', 'total'));
        self::assertSame('123', Kept::row($id, 'Holm', 'BU')['2027-12']);
        for ($i = 0; $i < 24; ++$i) {
            self::assertNotNull(Server::send('POST', "/api/datasets/$id/undo")->at('step'));
        }
        self::assertStringNotContainsString('2027', Kept::bytes($id));
    }
}
