<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Question;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Question\Document\PartWriter;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Question\Typed\TypedFlag;
use KeenMargin\Core\Question\Typed\TypedSlot;
use KeenMargin\Core\Question\Typed\TypedSpan;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Period;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What people type into the slots of the sentence. */
final class SpokenTest extends TestCase
{
    private const CSV =
        "Month,Route,Class,Revenue,Budget,Prior year\n2026-01,North,Foot,1,1,1\n2026-02,Holm and ".
        "Sound,Vehicle,2,2,2\n2026-02,Northwest,Foot,2,2,2\n";

    #[TestWith(['last 3 months', ['last' => 3, 'unit' => 'month']])]
    #[TestWith(['Last three quarters', ['last' => 3, 'unit' => 'quarter']])]
    #[TestWith(['Apr to Jun 2025', ['from' => '2025-04', 'to' => '2025-06']])]
    #[TestWith(['from march to May', ['from' => '2026-03', 'to' => '2026-05']])]
    #[TestWith(['Nov to Feb', ['from' => '2025-11', 'to' => '2026-02']])]
    #[TestWith(['nov 2025 - feb 2026', ['from' => '2025-11', 'to' => '2026-02']])]
    #[TestWith(['2024–2026', ['from' => '2024', 'to' => '2026']])]
    #[TestWith(['2025', ['from' => '2025', 'to' => '2025']])]
    #[TestWith(['Q3', ['from' => '2026-Q3', 'to' => '2026-Q3']])]
    #[TestWith(['h1 2025', ['from' => '2025-H1', 'to' => '2025-H1']])]
    #[TestWith(['2026-04 to 2026-06', ['from' => '2026-04', 'to' => '2026-06']])]
    #[TestWith(['jan-mar', ['from' => '2026-01', 'to' => '2026-03']])]
    #[TestWith(['Sept.', ['from' => '2026-09', 'to' => '2026-09']])]
    #[TestWith(['31 Aug 2026', ['from' => '2026-08-31', 'to' => '2026-08-31']])]
    #[TestWith(['ytd', 'year to date'])]
    #[TestWith(['the rest of the year', 'rest of year'])]
    #[TestWith(['last year', ['previous' => 1, 'unit' => 'year']])]
    #[TestWith(['previous 2 quarters', ['previous' => 2, 'unit' => 'quarter']])]
    #[TestWith(['this quarter', ['from' => '2026-Q3', 'to' => '2026-Q3']])]
    #[TestWith(['all periods', null])]
    public function testSpans(string $text, mixed $span): void
    {
        $read = (new TypedSpan(new FiscalCalendar(), Period::month(2026, 8)))->maybe($text);
        self::assertNotNull($read);
        self::assertSame($span, PartWriter::span($read));
    }

    #[TestWith(['whenever'])]
    #[TestWith(['last 0 months'])]
    #[TestWith(['2026-02-30'])]
    #[TestWith(['Jun to'])]
    #[TestWith(['Jun 2026 to Jan 2026'])]
    #[TestWith(['Jan to Feb to Mar'])]
    #[TestWith(['last 99999 months'])]
    public function testWhatIsNoSpan(string $text): void
    {
        self::assertNull((new TypedSpan(new FiscalCalendar(), Period::month(2026, 8)))->maybe($text));
    }

    public function testMonthsAreThoseOfTheFiscalYear(): void
    {
        $spoken = new TypedSpan(new FiscalCalendar(4), Period::month(2026, 8));
        self::assertSame('2026-05', $spoken->maybe('May')?->from?->key());
        self::assertSame('2027-02', $spoken->maybe('Feb')?->from?->key());
        self::assertSame('FY2027-Q1', $spoken->maybe('Q1')?->from?->key());
    }

    /** @param array<string, string> $flag */
    #[TestWith(['5 % and 20k', ['percent' => '5', 'amount' => '20000']])]
    #[TestWith(['20,000', ['amount' => '20000']])]
    #[TestWith(['gaps over 2.5%', ['percent' => '2.5']])]
    #[TestWith(['1.5m', ['amount' => '1500000']])]
    #[TestWith(['.5 %', ['percent' => '0.5']])]
    #[TestWith(['20k EUR', ['amount' => '20000']])]
    #[TestWith(['nothing', []])]
    public function testFlags(string $text, array $flag): void
    {
        $read = TypedFlag::maybe($text, false);
        self::assertNotNull($read);
        self::assertSame($flag, RecipeWriter::flag($read));
    }

    #[TestWith(['500 m', 'm', '500'])]
    #[TestWith(['20 thousand m', 'm', '20000'])]
    #[TestWith(['500 m', 'EUR', '500000000'])]
    #[TestWith(['20 thousand', 'kg', '20000'])]
    #[TestWith(['30 min', 'min', '30'])]
    public function testAUnitBehindANumberIsNoPowerOfTen(string $text, string $unit, string $amount): void
    {
        self::assertSame(
            ['amount' => $amount],
            RecipeWriter::flag(TypedFlag::maybe($text, false, $unit) ?? throw new \LogicException()),
        );
    }

    public function testOfPercentagesAPlainNumberIsPoints(): void
    {
        self::assertSame(
            ['percent' => '2'],
            RecipeWriter::flag(TypedFlag::maybe('2', true) ?? throw new \LogicException()),
        );
        self::assertNull(TypedFlag::maybe('20k', true));
    }

    #[TestWith(['much'])]
    #[TestWith(['5 % and'])]
    #[TestWith(['-5 %'])]
    #[TestWith(['9999999999999999999999'])]
    public function testWhatIsNoFlag(string $text): void
    {
        self::assertNull(TypedFlag::maybe($text, false));
    }

    /** @param array<string, mixed> $change */
    #[TestWith(['against', 'budget and prior year', ['against' => ['BU', 'PY']]])]
    #[TestWith(['against', 'nothing', ['against' => null]])]
    #[TestWith(['better', 'less is better', ['better' => 'less']])]
    #[TestWith(['by', 'by Quarter', ['by' => 'quarter', 'order' => null, 'top' => null]])]
    #[TestWith(['by', 'routes', ['by' => 'Route', 'cumulate' => null]])]
    #[TestWith(['members:Route', 'north', ['where' => [['field' => 'Route', 'in' => ['North']]]]])]
    #[TestWith([
        'members:Route', 'North, northwest', ['where' => [['field' => 'Route', 'in' => ['North', 'Northwest']]]],
    ])]
    #[TestWith(['members:Route', 'holm and sound', ['where' => [['field' => 'Route', 'in' => ['Holm and Sound']]]]])]
    #[TestWith(['members:Route', 'all but Holm', ['where' => [['field' => 'Route', 'notIn' => ['Holm and Sound']]]]])]
    #[TestWith(['members:Route', 'all routes', ['where' => null]])]
    #[TestWith([
        'between', 'Foot and Vehicle', ['between' => ['field' => 'Class', 'first' => 'Foot', 'second' => 'Vehicle']],
    ])]
    #[TestWith(['flag', 'none', ['flag' => null]])]
    #[TestWith(['span', 'jan', ['span' => ['from' => '2026-01', 'to' => '2026-01']]])]
    public function testSlots(string $slot, string $text, array $change): void
    {
        self::assertSame($change, self::spoken()->change($slot, $text));
    }

    #[TestWith(['against', 'forecast', 'there are'])]
    #[TestWith(['by', 'x', 'no kind of row'])]
    #[TestWith(['members:Route', 'nowhere', 'no member of Route'])]
    #[TestWith(['members:Route', 'no', 'could be North or Northwest'])]
    #[TestWith(['better', 'blue', 'more or less'])]
    #[TestWith(['span', 'soon', 'last 3 months'])]
    #[TestWith(['flag', 'big', '5 % and 20k'])]
    #[TestWith(['numbers', '5', 'choose from its list'])]
    public function testWhatIsNotUnderstoodSaysWhatWouldBe(string $slot, string $text, string $says): void
    {
        $this->expectException(NotAccepted::class);
        $this->expectExceptionMessage($says);
        self::spoken()->change($slot, $text);
    }

    private static function spoken(): TypedSlot
    {
        return new TypedSlot(Written::recipe()->question, Written::figures(self::CSV)->dataset());
    }
}
