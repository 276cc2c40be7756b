<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures\Reading;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Reading\Guess\JoinedMapping;
use KeenMargin\Core\Figures\Reading\Guess\RoleGuess;
use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Mapping\MappingReader;
use KeenMargin\Core\Figures\Reading\Mapping\RememberedMapping;
use KeenMargin\Core\Figures\Reading\Mapping\Role;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Tests\core\Written;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** How a file is to be read: told, remembered, fitted to a dataset. */
final class MappingTest extends TestCase
{
    private const CSV = "Month,Route,Actual,Memo\n2026-01,North,1.5,late\n2026-02,Norht,2,\n";
    private const FULL = '{"columns":{"Month":{"role":"period"},"Route":{"role":"breakdown"},'
        .'"Actual":{"role":"amount","scenario":"AC","measure":"Fuel"}},"decimal":".","dates":"month first",'
        .'"measure":"Fuel","year":2026,"leaveOut":[3],"measures":{"Fuel":{"unit":"EUR","grouping":"sum",'
        .'"better":"less","factor":1000}},"fiscalYearStarts":4,"grain":"month",'
        .'"sameAs":{"Route":{"Norht":"North"}},"totals":"keep","header":{"row":1,"levels":1},"sheet":"Data"}';

    private static function told(string $json, string $csv = self::CSV): Mapping
    {
        $sheet = Written::sheet($csv);

        return MappingReader::read(Given::json($json), RoleGuess::of($sheet, null, 2026), $sheet);
    }

    public function testIsReadAndWrittenAsTheSameDocument(): void
    {
        self::assertSame(self::FULL, json_encode(self::told(self::FULL)->toArray()));
    }

    public function testIsWhatTheSchemaSays(): void
    {
        $validator = new Validator();
        $schema = (string) file_get_contents(\dirname(__DIR__, 4).'/docs/recipe.schema.json');
        $valid = static fn (string $figures): bool => $validator
            ->validate(
                json_decode('{"keenMargin":1,"question":{},"kind":"variance-tiers","figures":'.$figures.'}'), $schema,
            )
            ->isValid();
        self::assertTrue($valid(self::FULL));
        self::assertFalse($valid('{"totals":"maybe"}'));
        self::assertFalse($valid('{"header":{"levels":2}}'));
        self::assertFalse($valid('{"measures":{"Fuel":{"factor":7}}}'));
    }

    /** @return iterable<string, array{string, string}> */
    public static function refused(): iterable
    {
        yield 'unknown key' => ['{"colums":{}}', 'colums: This key is not known'];
        yield 'unknown column' => ['{"columns":{"Mont":{"role":"period"}}}', 'columns.Mont: '];
        yield 'unknown role' => [
            '{"columns":{"Month":{"role":"time"}}}',
            'columns.Month.role: "time" is not accepted; give period, amount, scenario, measure, breakdown, unit, '
                .'total, band or ignore.',
        ];
        yield 'no role' => ['{"columns":{"Month":{}}}', 'columns.Month.role: This key is missing.'];
        yield 'odd factor' => [
            '{"measures":{"Fuel":{"factor":12}}}',
            'measures.Fuel.factor: 12 is not accepted; give 1, 1000, 1000000 or 1000000000.',
        ];
        yield 'three levels' => [
            '{"header":{"row":1,"levels":3}}', 'header.levels: 3 is not accepted; give a whole number from 0 to 2.',
        ];
        yield 'no row' => ['{"header":{"levels":1}}', 'header.row: This key is missing.'];
        yield 'totals' => ['{"totals":"drop"}', 'totals: "drop" is not accepted; give keep or leave out.'];
        yield 'same as nothing' => ['{"sameAs":{"Route":{"Norht":""}}}', 'sameAs.Route.Norht: "" is not accepted'];
        yield 'a grain of the mind' => ['{"grain":"moment"}', 'grain: "moment" is not accepted'];
        yield 'a ratio without parts' => [
            '{"measures":{"Rate":{"grouping":"ratio"}}}', 'measures.Rate.numerator: This key is missing.',
        ];
    }

    #[DataProvider('refused')]
    public function testWhatIsNotKnownIsRefusedWithItsPath(string $json, string $says): void
    {
        $this->expectException(NotAccepted::class);
        $this->expectExceptionMessage($says);
        self::told($json);
    }

    public function testIsFollowed(): void
    {
        $figures = Written::figures(self::CSV, [
            'sameAs' => ['Route' => ['Norht' => 'North']],
            'measures' => ['Amount' => ['unit' => 'EUR', 'factor' => 1000]],
        ]);
        self::assertSame(['North'], $figures->dataset()->breakdowns[0]->members);
        $amounts = [];
        foreach ($figures->facts() as $fact) {
            $amounts[] = (string) $fact->amount;
        }
        self::assertSame(['1500', '2000'], $amounts);
        self::assertSame(
            2,
            Written::figures("Month,Route,Actual\n2026-01,North,1\n2026-01,Total,1\n", ['totals' => 'keep'])->count(),
        );
    }

    public function testWhatWasToldBeforeStaysAndWhatIsNewIsRecognised(): void
    {
        $before = self::told(
            '{"columns":{"Month":{"role":"period"},"Route":{"role":"ignore"},'
                .'"Actual":{"role":"amount","scenario":"FC"}},"decimal":",","leaveOut":[2],"measure":"Fuel",'
                .'"sheet":"Old"}',
        );
        $sheet = Written::sheet("Month,Route,Actual,Budget\n2026-03,North,1,2\n");
        $now = RememberedMapping::onto($sheet, $before, RoleGuess::of($sheet, null, 2027));
        self::assertSame(
            ['period', 'ignore', 'amount', 'amount'],
            array_map(static fn ($column): string => $column->role->value, array_values($now->columns)),
        );
        self::assertSame(
            ['FC', 'BU'], [$now->columns['Actual']->scenario?->value, $now->columns['Budget']->scenario?->value],
        );
        self::assertSame(
            [',', [], 'Fuel', 2027, null],
            [$now->decimal->value, $now->leaveOut, $now->measure, $now->year, $now->sheet],
        );
    }

    public function testFitsTheDatasetThatTheFiguresAreToJoin(): void
    {
        $dataset = Written::figures("Month,Route,Fuel actual\n2026-01,North,1\n")->dataset();
        $sheet = Written::sheet("Date,Route,Class,Actual\n2026-02-05,North,Cars,1\n2026-02-09,North,Cars,3\n");
        $joined = JoinedMapping::of(RoleGuess::of($sheet), $dataset);
        self::assertSame(
            [Role::Ignore, Grain::Month, 'Fuel'], [$joined->columns['Class']->role, $joined->grain, $joined->measure],
        );
    }

    /** @return iterable<string, array{string, string}> */
    public static function strangers(): iterable
    {
        yield 'not split' => [
            "Month,Actual\n2026-01,1\n", '"Example" is split by Route, and no column of the file is.',
        ];
        yield 'split otherwise' => [
            "Month,Route,Class,Actual\n2026-01,North,Cars,1\n", '"Example" is not split by Class.',
        ];
        yield 'another grain' => ["Year,Route,Actual\n2026,North,1\n", 'The file is by year, "Example" is by month.'];
        yield 'another unit' => [
            "Month,Route,Fuel (USD)\n2026-01,North,1\n", 'Fuel is in USD in the file and in EUR in "Example".',
        ];
    }

    #[DataProvider('strangers')]
    public function testWhatDoesNotFitIsRefused(string $csv, string $says): void
    {
        $dataset = Written::figures("Month,Route,Fuel (EUR)\n2026-01,North,1\n")->dataset();
        $this->expectExceptionMessage($says);
        JoinedMapping::insist(Written::figures($csv)->dataset(), $dataset);
    }

    public function testTooManyCombinationsAreSaidWithTheRemedy(): void
    {
        $lines = [];
        for ($i = 0; $i <= 300_000; ++$i) {
            $lines[] = "2026-01,D$i,1";
        }
        $this->expectExceptionMessage(
            'The breakdowns have more than 300,000 different combinations. Ignore a column that differs from row to '
                .'row, such as a document number.',
        );
        Written::figures("Month,Document,Actual\n".implode("\n", $lines));
    }
}
