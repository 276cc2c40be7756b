<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use KeenMargin\Tests\core\Oracle\Difference;
use KeenMargin\Tests\core\Oracle\RandomLedger;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\TestCase;

/** Figures that are kept, and files on the command line, answer as the oracle does. */
final class OracleTest extends TestCase
{
    private const DATASETS = 100;
    private const FILES = 30;

    public function testKeptFiguresAnswerAsTheOracleDoes(): void
    {
        $asked = 0;
        for ($seed = 800_001; $seed <= 800_000 + self::DATASETS; ++$seed) {
            $ledger = new RandomLedger($seed);
            $dataset = Kept::made($ledger->csv, $ledger->mapping);
            self::structure($dataset, $ledger);
            foreach ([1, 2] as $number) {
                $question = $ledger->question($number);
                $recipe = $ledger->recipe($question);
                $answer = Server::send('POST', "/api/datasets/$dataset/workings.json", "{\"recipe\":$recipe}", [
                    'Content-Type' => 'application/json',
                ]);
                if (422 !== $answer->status) {
                    self::assertSame(200, $answer->status, "seed $seed: {$answer->body}");
                    self::assertDiffersNowhere($ledger, $number, $answer->body, "seed $seed: $recipe");
                    ++$asked;
                }
            }
        }
        self::assertGreaterThan(self::DATASETS, $asked);
    }

    public function testFilesOnTheCommandLineAnswerAsTheOracleDoes(): void
    {
        $asked = 0;
        for ($seed = 900_001; $asked < self::FILES; ++$seed) {
            $ledger = new RandomLedger($seed);
            if ([] !== $ledger->groups || [] !== $ledger->roles) {
                continue;
            }
            $recipe = (array) json_decode($ledger->recipe($ledger->question(1)), true);
            $json = json_encode($recipe + ['figures' => $ledger->mapping], \JSON_THROW_ON_ERROR);
            [$code, $output, $errors] = Command::keen(['workings', '-', Written::file($ledger->csv)], $json);
            if (2 !== $code) {
                self::assertSame([0, ''], [$code, $errors], "seed $seed: $json");
                self::assertDiffersNowhere($ledger, 1, $output, "seed $seed: $json");
                ++$asked;
            }
        }
    }

    private static function assertDiffersNowhere(
        RandomLedger $ledger,
        int $number,
        string $workings,
        string $case,
    ): void {
        $question = $ledger->question($number);
        self::assertSame(
            '',
            (new Difference($ledger, $question))->between($ledger->reckoning($question)->workings(), $workings),
            $case,
        );
    }

    /** Groups and roles as they are set on the page. */
    private static function structure(int $dataset, RandomLedger $ledger): void
    {
        if ([] === $ledger->groups && [] === $ledger->roles) {
            return;
        }
        $of = Server::send('GET', "/api/datasets/$dataset")->int('breakdowns', 0, 'id');
        foreach ($ledger->groups as $member => $group) {
            $grouped = Kept::change('PATCH', $dataset, "/breakdowns/$of", ['members' => [$member], 'group' => $group]);
            self::assertSame(200, $grouped->status, $grouped->body);
        }
        foreach ($ledger->roles as $member => $role) {
            $set = Kept::change('PATCH', $dataset, "/breakdowns/$of", ['members' => [$member], 'role' => $role]);
            self::assertSame(200, $set->status, $set->body);
        }
    }
}
