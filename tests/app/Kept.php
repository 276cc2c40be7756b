<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\Assert;

/** Datasets of the tests' own server, made and changed as a page would. */
final class Kept
{
    /** Fares of two routes against their budget, three months. */
    public const FARES = "Month,Route,Amount,Budget\n2026-01,North,100,120\n2026-01,Holm,50,40\n"
        ."2026-02,North,110,120\n2026-02,Holm,55,40\n2026-03,North,130,120\n2026-03,Holm,45,40\n";

    /** @param array<string, mixed>|null $mapping */
    public static function made(string $csv, ?array $mapping = null, string $file = 'ledger-2026-07.csv'): int
    {
        $reading = Server::upload($file, $csv);
        $made = Server::send(
            'POST',
            '/api/datasets',
            ['reading' => $reading->text('id'), 'name' => 'Ledger '.bin2hex(random_bytes(3))] +
                (null === $mapping ? [] : ['mapping' => $mapping]),
        );
        Assert::assertSame(201, $made->status, $made->body);

        return $made->int('id');
    }

    /** All figures as they leave, byte for byte. */
    public static function bytes(int $dataset): string
    {
        $answer = Server::send('GET', "/api/datasets/$dataset/exports/csv");
        Assert::assertSame(200, $answer->status, $answer->body);

        return $answer->body;
    }

    /** The same with its lines in order. */
    public static function csv(int $dataset): string
    {
        $lines = explode("\r\n", trim(self::bytes($dataset)));
        sort($lines);

        return implode("\n", $lines);
    }

    /** @param array<string, mixed> $body */
    public static function change(string $method, int $dataset, string $path, array $body, string $who = ''): Answer
    {
        $version = Server::send('GET', "/api/datasets/$dataset")->header('ETag');

        return Server::send($method, "/api/datasets/$dataset$path", $body, [
            'If-Match' => $version,
            'X-Signed' => rawurlencode($who),
        ]);
    }

    /**
     * One amount of a dataset split by one breakdown, or by none.
     *
     * @param array<string, mixed> $more
     */
    public static function set(
        int $dataset,
        ?string $row,
        string $period,
        ?string $amount,
        array $more = [],
        string $scenario = 'AC',
        string $who = '',
    ): Answer {
        $by = null === $row ? [] : ['by' => 'Route'];

        return Server::send(
            'POST',
            "/api/datasets/$dataset/edits",
            $more +
                $by + [
                    'measure' => 'Amount',
                    'rows' => [$row ?? ''],
                    'periods' => [['key' => $period, 'scenario' => $scenario]],
                    'amounts' => [[$amount]],
                ],
            ['X-Signed' => rawurlencode($who)],
        );
    }

    /** @return array<string, string> amounts of a table's row, by period */
    public static function row(int $dataset, string $member, string $scenario = 'AC', string $by = 'Route'): array
    {
        $table = Server::send('POST', "/api/datasets/$dataset/tables", ['by' => $by, 'scenario' => $scenario]);
        Assert::assertSame(200, $table->status, $table->body);
        foreach ((array) $table->at('rows') as $i => $row) {
            if ($table->at('rows', $i, 'member') === $member) {
                $keys = array_map(
                    static fn (mixed $period): string => \is_array($period) && \is_string($period['key'])
                        ? $period['key']
                        : '',
                    (array) $table->at('periods'),
                );

                return array_combine(
                    $keys,
                    array_map(
                        static fn (mixed $cell): string => \is_string($cell) ? $cell : '',
                        (array) $table->at('rows', $i, 'cells'),
                    ),
                );
            }
        }

        return [];
    }

    /** @return list<string> members of a breakdown, as a tree */
    public static function members(int $dataset, int $breakdown = 0): array
    {
        return array_map(
            static fn (mixed $member): string => \is_string($member) ? $member : '',
            array_values(
                (array) Server::send('GET', "/api/datasets/$dataset")->at('breakdowns', $breakdown, 'members'),
            ),
        );
    }
}
