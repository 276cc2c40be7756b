<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\LineRole;
use KeenMargin\Core\Question\RecipeReader;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Workings\Reckoning as Program;
use KeenMargin\Core\Workings\WorkingsWriter;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The program's workings held against the oracle's, over random sparse figures and questions. */
final class OracleTest extends TestCase
{
    private const SEEDS = 720;
    private const DEEP = 17_600;
    private const QUESTIONS = 3;
    private const AT_ONCE = 100;

    /** @return iterable<string, array{int, int}> */
    public static function seeds(): iterable
    {
        $last = '1' === getenv('KEEN_DEEP') ? self::DEEP : self::SEEDS;
        for ($from = 1; $from <= $last; $from += self::AT_ONCE) {
            yield "seeds from $from" => [$from, min($last, $from + self::AT_ONCE - 1)];
        }
    }

    #[DataProvider('seeds')]
    public function testTheProgramSaysWhatTheOracleSays(int $from, int $to): void
    {
        $asked = $refused = 0;
        for ($seed = $from; $seed <= $to; ++$seed) {
            $ledger = new RandomLedger($seed);
            $figures = Written::figures($ledger->csv, $ledger->mapping);
            if ([] !== $ledger->groups || [] !== $ledger->roles) {
                $figures = Written::grouped($figures, 'Route', $ledger->groups, array_map(LineRole::from(...), $ledger->roles));
            }
            for ($number = 1; $number <= self::QUESTIONS; ++$number) {
                $question = $ledger->question($number);
                $recipe = json_encode(['keenMargin' => 1, 'kind' => $ledger->kind, 'question' => $question->recipe($ledger->calendar)], \JSON_THROW_ON_ERROR);
                try {
                    $read = RecipeReader::json($recipe, new FiscalCalendar($ledger->calendar->firstMonth));
                    $workings = json_encode(WorkingsWriter::toArray(Program::of($read, $figures)), \JSON_THROW_ON_ERROR);
                } catch (NotAccepted) {
                    ++$refused;
                    continue;
                }
                $expected = (new Reckoning($ledger->facts, $ledger->measures, $ledger->breakdowns, $ledger->roles, $question, $ledger->family()))->workings();
                self::assertSame('', (new Difference($ledger, $question))->between($expected, $workings), "seed $seed, question $number: $recipe");
                ++$asked;
            }
        }
        self::assertGreaterThan(2 * $refused, $asked, 'Most questions are answered.');
    }
}
