<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Workings;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Document\RowKeyReader;
use KeenMargin\Core\Question\Part\PanelKey;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Question\Part\SumKey;
use KeenMargin\Core\Workings\About\RowFigures;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Rows are told apart whatever their names hold. */
final class RowKeyTest extends TestCase
{
    /** @return iterable<string, array{RowKey, string, string}> key, id, JSON */
    public static function keys(): iterable
    {
        $north = PanelKey::member('North');
        yield 'a period' => [RowKey::row('2026-08'), '2026-08', '"2026-08"'];
        yield 'the blank member' => [RowKey::row(''), '', '{"row":""}'];
        yield 'the total' => [RowKey::sum(SumKey::Total), 'total', '"total"'];
        yield 'a member called total' => [RowKey::row('total'), '\total', '{"row":"total"}'];
        yield 'in a panel' => [RowKey::row('2026-08', $north), 'North/2026-08', '{"panel":"North","row":"2026-08"}'];
        yield 'a total in a panel' => [
            RowKey::sum(SumKey::Total, $north), 'North/total', '{"panel":"North","sum":"total"}',
        ];
        yield 'in the panel of the others' => [
            RowKey::row('2026-08', PanelKey::others()), 'other/2026-08', '{"others":true,"row":"2026-08"}',
        ];
        yield 'in the panel of a member called other' => [
            RowKey::row('2026-08', PanelKey::member('other')), '\other/2026-08', '{"panel":"other","row":"2026-08"}',
        ];
        yield 'in the panel of the blank member' => [
            RowKey::row('2026-08', PanelKey::member('')), '/2026-08', '{"panel":"","row":"2026-08"}',
        ];
    }

    #[DataProvider('keys')]
    public function testAreWrittenAndReadAgain(RowKey $key, string $id, string $json): void
    {
        self::assertSame([$id, $json], [$key->id, json_encode($key->toJson(), \JSON_UNESCAPED_SLASHES)]);
        self::assertEquals($key, RowKeyReader::read(Given::json($json), null !== $key->panel));
    }

    /** @return iterable<string, array{string, bool, RowKey}> as older recipes wrote it, whether there are panels */
    public static function older(): iterable
    {
        yield 'in a panel' => ['North/2026-08', true, RowKey::row('2026-08', PanelKey::member('North'))];
        yield 'a name with a slash, without panels' => ['A/B', false, RowKey::row('A/B')];
        yield 'in the panel of the others' => ['Other (3)/total', true, RowKey::sum(SumKey::Total, PanelKey::others())];
        yield 'in the blank panel' => ['(blank)/Fuel', true, RowKey::row('Fuel', PanelKey::member(''))];
        yield 'a total beside a member called total' => ['total*', false, RowKey::sum(SumKey::Total)];
    }

    #[DataProvider('older')]
    public function testOfOlderRecipesAreStillRead(string $text, bool $hasPanels, RowKey $key): void
    {
        $json = json_encode($text, \JSON_THROW_ON_ERROR);
        self::assertEquals($key, RowKeyReader::read(Given::json($json), $hasPanels));
    }

    public function testLinesAndRoutesWithSlashesInTheirNamesStayApart(): void
    {
        $csv = "Month,Line,Route,Actual\n2026-01,A,B/C,1\n2026-01,A/B,C,2\n2026-01,A,C,3\n2026-01,A/B,B/C,4\n";
        $workings = Written::workings($csv, ['by' => 'Route', 'each' => 'Line']);
        $keys = $workings->table->keys();
        self::assertSame($keys, array_unique($keys));
        self::assertSame(
            ['A' => ['B/C' => '1', 'C' => '3'], 'A/B' => ['B/C' => '4', 'C' => '2']], self::shown($workings),
        );
        $drawing = Written::drawing(
            $csv, ['by' => 'Route', 'each' => 'Line'], ['highlight' => [['panel' => 'A', 'row' => 'B/C']]],
        );
        $highlighted = [];
        foreach ($drawing->scene->marks() as $mark) {
            $plain = $mark->toArray();
            'highlight' === ($plain['role'] ?? null) && ($highlighted[] = $plain['key'] ?? null);
        }
        self::assertSame(['A/B/C'], $highlighted);
    }

    public function testAMemberThatIsReallyCalledOtherIsNoGathering(): void
    {
        $csv = "Month,Route,Actual\n2026-01,Other (3),5\n2026-01,North,7\n";
        $question = ['each' => 'Route'];
        $recipe = Written::recipe($question);
        $workings = Written::workings($csv, $question);
        $row = array_values(
            array_filter($workings->table->rows, static fn (Row $one): bool => 'Other (3)' === $one->panel),
        )[0];
        self::assertFalse($row->key->panel?->isOthers());
        $facts = (new RowFigures($row, $workings, $recipe->question, Written::figures($csv)))->of(Scenario::Actual);
        self::assertEquals([new MemberFilter('Route', ['Other (3)'])], $facts->where);
    }

    public function testTheGatheredPanelStandsBesideAMemberOfItsName(): void
    {
        $csv = "Month,Route,Actual\n2026-01,Other (3),500\n";
        for ($i = 1; $i <= 13; ++$i) {
            $csv .= "2026-01,R$i,".(100 - $i)."\n";
        }
        $workings = Written::workings($csv, ['each' => 'Route']);
        $named = array_filter($workings->table->rows, static fn (Row $row): bool => 'Other (3)' === $row->panel);
        self::assertCount(2, $named);
        self::assertCount(12, $workings->table->panels());
        self::assertSame(
            [false, true],
            array_values(array_map(static fn (Row $row): ?bool => $row->key->panel?->isOthers(), $named)),
        );
    }

    /** @return array<string, array<string, ?string>> what is shown, by panel and row */
    private static function shown(Workings $workings): array
    {
        $shown = [];
        foreach ($workings->table->rows as $row) {
            if (null !== $row->key->name) {
                $shown[$row->panel][$row->key->name] = $row->shown?->toString();
            }
        }

        return $shown;
    }
}
