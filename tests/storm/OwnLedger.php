<?php

declare(strict_types=1);

namespace KeenMargin\Tests\storm;

use KeenMargin\Tests\app\Answer;

/**
 * A dataset that one user alone changes, and what it must hold: every change that was acknowledged, and nothing else.
 * Where an answer was lost it must hold all of that change or nothing of it.
 */
final class OwnLedger
{
    private const MONTHS = 9;
    /** Seconds that a request goes on at the longest after its connection was lost. */
    private const UNDERWAY = 9.0;

    private int $id = 0;
    /** @var array<string, string> amounts by `month,route` */
    private array $amounts = [];
    /** @var list<array<string, string>> what it held before each step that can be undone, since a file came in */
    private array $before = [];
    /**
     * @var array{int, array<string, string>}|null the import that came in last, while nothing came after it; what it
     *                                             found
     */
    private ?array $import = null;
    private int $count = 0;
    /** @var list<string> */
    public array $wrong = [];
    /** @var list<string> what was done, and how it was answered */
    private array $trail = [];

    public function __construct(private readonly Client $client, private readonly string $name) {}

    public function step(): void
    {
        if (0 === $this->id) {
            $this->create();

            return;
        }
        match (mt_rand(0, 15)) {
            0, 1, 2, 3, 4, 5 => $this->edit(),
            6, 7 => $this->bringIn('add'),
            8 => $this->bringIn('replace all'),
            9 => $this->takeBack(),
            10, 11 => $this->undo(),
            12 => $this->copy(),
            13 => $this->deleteAndRestore(),
            14 => $this->settings(),
            default => $this->look(),
        };
    }

    /** Compares every figure. */
    public function verify(): void
    {
        if (0 < $this->id) {
            $this->is([$this->amounts], 'at the end');
        }
    }

    private function create(): void
    {
        $rows = $this->rows(20);
        $reading = $this->client->upload(self::csv($rows), null);
        $made = $this->client->send('POST', '/api/datasets', [
            'reading' => $reading->text('id'),
            'name' => $this->name,
        ]);
        if (201 === $made->status) {
            [$this->id, $this->amounts] = [$made->int('id'), $rows];
        }
    }

    private function edit(): void
    {
        $routes = array_map(static fn (): string => 'Route '.mt_rand(1, 12), range(1, mt_rand(1, 3)));
        $routes = array_values(array_unique($routes));
        $months = array_map(
            static fn (int $month): string => self::month($month),
            array_unique([mt_rand(1, self::MONTHS), mt_rand(1, self::MONTHS)]),
        );
        $after = $this->amounts;
        $block = [];
        foreach ($routes as $i => $route) {
            foreach (array_values($months) as $j => $month) {
                $amount = 0 === mt_rand(0, 4) ? '' : (string) mt_rand(-999, 99_999).['', '.5', '.25'][mt_rand(0, 2)];
                $block[$i][$j] = $amount;
                if ('' === $amount) {
                    unset($after["$month,$route"]);
                } else {
                    $after["$month,$route"] = $amount;
                }
            }
        }
        $columns = array_map(
            static fn (string $month): array => ['key' => $month, 'scenario' => 'AC'],
            array_values($months),
        );
        $answer = $this->client->send('POST', "/api/datasets/$this->id/edits", [
            'measure' => 'Amount',
            'by' => 'Route',
            'rows' => $routes,
            'periods' => $columns,
            'amounts' => $block,
            'newRows' => true,
        ]);
        $before = $this->amounts;
        if ($this->settle($answer, $after, 'an edit') && 0 < $answer->int('changed')) {
            $this->before[] = $before;
            $this->import = null;
        }
    }

    private function bringIn(string $mode): void
    {
        $rows = $this->rows(mt_rand(1, 60));
        $after = 'add' === $mode ? $rows + $this->amounts : $rows;
        $reading = $this->client->upload(self::csv($rows), $this->id);
        if (201 !== $reading->status) {
            return;
        }
        $version = $this->version();
        $answer =
            null === $version
                ? null
                : $this->client->send(
                    'POST',
                    "/api/datasets/$this->id/imports",
                    ['reading' => $reading->text('id'), 'mode' => $mode],
                    $version,
                );
        $before = $this->amounts;
        if (null !== $answer && $this->settle($answer, $after, "an import ($mode)")) {
            $this->before = [];
            $id = $answer->int('import', 'id');
            $this->import = $id > 0 ? [$id, $before] : null;
        }
    }

    private function takeBack(): void
    {
        if (null === $this->import) {
            return;
        }
        [$id, $before] = $this->import;
        $answer = $this->client->send('POST', "/api/imports/$id/take-back", ['confirmed' => true]);
        if ($this->settle($answer, $before, 'a take back')) {
            $this->import = null;
            $this->before = [];
        }
    }

    private function undo(): void
    {
        if ([] === $this->before) {
            return;
        }
        $before = array_pop($this->before);
        $now = $this->amounts;
        $answer = $this->client->send('POST', "/api/datasets/$this->id/undo");
        if (!$this->settle($answer, $before, 'a step back')) {
            $this->before[] = $before;
        } elseif (1 === mt_rand(0, 1)) {
            $this->settle($this->client->send('POST', "/api/datasets/$this->id/redo"), $now, 'a step on')
                && ($this->before[] = $before);
        }
    }

    private function copy(): void
    {
        $copy = $this->client->send('POST', "/api/datasets/$this->id/copies");
        if (201 !== $copy->status || 0 === $copy->int('id')) {
            return;
        }
        $this->holds($copy->int('id'), [$this->amounts], 'a copy');
        $version = $this->client->send('GET', "/api/datasets/{$copy->int('id')}")->header('ETag');
        $this->client->send('DELETE', "/api/datasets/{$copy->int('id')}", null, $version);
    }

    private function deleteAndRestore(): void
    {
        $version = $this->version();
        if (null === $version) {
            return;
        }
        $this->client->send('DELETE', "/api/datasets/$this->id", null, $version);
        for (
            $i = 0;
            $i < 60 && 200 !== $this->client->send('POST', "/api/datasets/$this->id/restoration")->status;
            ++$i
        ) {
            usleep(200_000);
        }
    }

    private function settings(): void
    {
        $version = $this->version();
        null === $version
            || $this->client->send(
                'PATCH', "/api/datasets/$this->id", ['organisation' => 'Brackwater '.++$this->count], $version,
            );
        // The step is one of the log: what was to be undone is not the last one any more.
        $this->before = [];
        $this->client->send('POST', '/api/finishes', ['name' => "$this->name $this->count", 'finish' => (object) []]);
    }

    private function look(): void
    {
        $dataset = $this->client->send('GET', "/api/datasets/$this->id");
        $recipe = $dataset->at('firstRecipe');
        if (200 === $dataset->status && \is_array($recipe)) {
            $this->client->send('POST', "/api/datasets/$this->id/drawings", ['recipe' => $recipe]);
            $chart = $this->client->send('POST', '/api/charts', [
                'dataset' => $this->id,
                'name' => $this->name,
                'recipe' => $recipe,
            ]);
            201 === $chart->status
                && $this->client->send(
                    'PUT',
                    "/api/charts/{$chart->int('id')}",
                    ['name' => "$this->name again", 'recipe' => $recipe],
                    $chart->header('ETag'),
                );
            $this->client->send('POST', "/api/datasets/$this->id/notes", [
                'recipe' => $recipe,
                'row' => self::month(3),
                'text' => 'Seen',
            ]);
            // Notes are steps of the log as well.
            $this->before = [];
        }
        $this->is([$this->amounts], 'when looked at');
    }

    /**
     * Takes what an answer says: done, refused, or lost.
     *
     * @param array<string, string> $after
     */
    private function settle(Answer $answer, array $after, string $what): bool
    {
        $this->trail[] = "$what: $answer->status";
        if (\in_array($answer->status, [200, 201], true)) {
            $this->amounts = $after;
            0 === mt_rand(0, 3) && $this->is([$after], "after $what");

            return true;
        }
        $isKnown =
            \in_array($answer->status, [404, 409, 410, 412, 422, 507], true)
            || (503 === $answer->status && str_contains($answer->text('detail'), 'Nothing'));
        // A request whose answer was lost may still be underway; what it waits for is no longer than that.
        for ($until = microtime(true) + self::UNDERWAY; !$isKnown && microtime(true) < $until; usleep(500_000)) {
            if (
                self::sorted($after) ===
                self::read($this->client->send('GET', "/api/datasets/$this->id/exports/csv")->body)
            ) {
                break;
            }
        }
        $held = $this->is(
            $isKnown ? [$this->amounts] : [$this->amounts, $after],
            "after $what that was answered by $answer->status",
        );
        $this->before = [];
        $this->import = null;
        if (1 === $held) {
            $this->amounts = $after;
        }

        return false;
    }

    /**
     * @param non-empty-list<array<string, string>> $states
     *
     * @return ?int which of them it is; none where it is neither
     */
    private function is(array $states, string $when): ?int
    {
        return $this->holds($this->id, $states, $when);
    }

    /** @param non-empty-list<array<string, string>> $states */
    private function holds(int $id, array $states, string $when): ?int
    {
        for ($i = 0; $i < 100; ++$i) {
            $answer = $this->client->send('GET', "/api/datasets/$id/exports/csv");
            if (200 === $answer->status) {
                $held = self::read($answer->body);
                foreach ($states as $which => $state) {
                    if (self::sorted($state) === $held) {
                        return $which;
                    }
                }
                // A killed worker cuts its answer off, which the status does not tell: the next one is longer.
                $again = $this->client->send('GET', "/api/datasets/$id/exports/csv");
                if ($again->body !== $answer->body && str_starts_with($again->body, $answer->body)) {
                    continue;
                }
                $wanted = self::sorted($states[0]);
                $differs = array_keys(array_diff_assoc($held, $wanted) + array_diff_assoc($wanted, $held));
                $told = array_map(
                    static fn (string $key): string => "$key holds ".
                        ($held[$key] ?? 'nothing').
                        ' and not '.
                        ($wanted[$key] ?? 'nothing'),
                    \array_slice($differs, 0, 3),
                );
                $this->wrong[] =
                    "$this->name ($id) $when: ".
                    \count($differs).
                    ' figures differ: '.
                    implode('; ', $told).
                    '. Before: '.
                    implode(', ', \array_slice($this->trail, -6));
                $this->amounts = $id === $this->id ? $held : $this->amounts;

                return null;
            }
            usleep(200_000);
        }
        $this->wrong[] = "$this->name ($id) $when: it cannot be read: $answer->status";

        return null;
    }

    private function version(): ?string
    {
        $version = $this->client->send('GET', "/api/datasets/$this->id")->header('ETag');

        return '' === $version ? null : $version;
    }

    /** @return array<string, string> */
    private function rows(int $count): array
    {
        $rows = [];
        for ($i = 0; $i < $count; ++$i) {
            $rows[self::month(mt_rand(1, self::MONTHS)).',Route '.mt_rand(1, 40)] = (string) mt_rand(-500, 9_999);
        }

        return $rows;
    }

    private static function month(int $month): string
    {
        return \sprintf('2026-%02d', $month);
    }

    /** @param array<string, string> $rows */
    private static function csv(array $rows): string
    {
        $csv = "Month,Route,Actual\n";
        foreach ($rows as $key => $amount) {
            $csv .= "$key,$amount\n";
        }

        return $csv;
    }

    /** @return array<string, string> an export as amounts, without noughts at the end */
    private static function read(string $csv): array
    {
        $amounts = [];
        foreach (\array_slice(explode("\r\n", trim($csv)), 1) as $line) {
            $cells = explode(',', $line);
            $amounts["$cells[0],$cells[4]"] = $cells[5];
        }

        return self::sorted($amounts);
    }

    /**
     * @param array<string, string> $amounts
     *
     * @return array<string, string>
     */
    private static function sorted(array $amounts): array
    {
        ksort($amounts);

        return array_map(
            static fn (string $amount): string => str_contains($amount, '.')
                ? rtrim(rtrim($amount, '0'), '.')
                : $amount,
            $amounts,
        );
    }
}
