<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The program's workings held against the oracle's, over random sparse figures and questions. */
final class OracleTest extends TestCase
{
    private const SEEDS = 1_400;
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
            $program = new Program($ledger);
            for ($number = 1; $number <= self::QUESTIONS; ++$number) {
                $question = $ledger->question($number);
                $workings = $program->maybeWorkings($question);
                if (null === $workings) {
                    ++$refused;
                    continue;
                }
                $written = json_encode(Written::document($workings), \JSON_THROW_ON_ERROR);
                $difference = (new Difference($ledger, $question))->between(
                    $ledger->reckoning($question)->workings(), $written,
                );
                self::assertSame('', $difference, "seed $seed, question $number: {$ledger->recipe($question)}");
                ++$asked;
            }
        }
        self::assertGreaterThan(2 * $refused, $asked, 'Most questions are answered.');
    }
}
