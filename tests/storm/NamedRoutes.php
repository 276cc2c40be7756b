<?php

declare(strict_types=1);

namespace KeenMargin\Tests\storm;

use KeenMargin\Tests\app\Answer;

/**
 * Routes that are renamed and swapped beside a report whose charts are about them, and which is rolled on. Whatever the
 * routes are called, each chart must be about the one that it was made for; also where it was made by a page that had
 * not heard of the last names, and where a step brought it back.
 *
 * @phpstan-type PageOfCharts array{rows: list<array{blocks: non-empty-list<array{
 *     id: string, chart: array{question: array{where: non-empty-list<array{in: non-empty-list<string>}>}},
 * }>}>}
 * @phpstan-type State array{names: array<int, string>, blocks: array<string, int>, closing: string}
 */
final class NamedRoutes
{
    private const NAMES = ['Sound', 'Holm', 'Isle', 'Reef', 'Old sound', 'Skerry'];
    private const MONTHS = ['2026-01', '2026-02', '2026-03'];
    private const MOST = 8;
    /** Seconds that a request goes on at the longest after its connection was lost. */
    private const UNDERWAY = 9.0;

    private int $dataset = 0;
    private int $breakdown = 0;
    private int $report = 0;
    /** @var State names by the routes' numbers; which route each chart is about; what the report is closed through */
    private array $state = ['names' => ['Sound', 'Holm', 'Isle'], 'blocks' => [], 'closing' => '2026-02'];
    /** @var list<State> before each step of the report that can be taken back */
    private array $steps = [];
    /** @var list<State> before each renaming that can be taken back */
    private array $renamings = [];
    /** @var array{Answer, array<int, string>}|null what a page still shows, and the names of then */
    private ?array $page = null;
    private int $count = 0;
    public int $done = 0;
    /** @var list<string> */
    public array $wrong = [];

    public function __construct(private readonly Client $client, private readonly string $name) {}

    public function step(): void
    {
        if (0 === $this->report) {
            $this->make();

            return;
        }
        match (mt_rand(0, 11)) {
            0, 1 => $this->rename(mt_rand(0, 2), self::NAMES[mt_rand(0, 5)]),
            2 => $this->swap(),
            3, 4, 5 => $this->add(),
            6 => $this->drop(),
            7, 8 => $this->stepBack(),
            9 => $this->rollOn(),
            10 => $this->stepBackOverRenaming(),
            default => $this->bringIn(),
        };
    }

    public function verify(): void
    {
        0 === $this->report || $this->is([$this->state], 'at the end');
    }

    private function make(): void
    {
        $csv = "Month,Route,Actual\n";
        foreach (self::MONTHS as $month) {
            foreach ($this->state['names'] as $route => $name) {
                $csv .= "$month,$name,".(100 + $route)."\n";
            }
        }
        if (0 === $this->dataset) {
            $reading = $this->client->upload($csv, null);
            $made = $this->client->send('POST', '/api/datasets', [
                'reading' => $reading->text('id'),
                'name' => $this->name,
            ]);
            if (201 !== $made->status) {
                return;
            }
            [$this->dataset, $this->breakdown] = [$made->int('id'), $made->int('breakdowns', 0, 'id')];
        }
        $made = $this->client->send('POST', '/api/reports', [
            'title' => $this->name,
            'document' => [
                'keenMargin' => 1,
                'report' => $this->name,
                'closedThrough' => $this->state['closing'],
                'pages' => [['id' => 'p', 'title' => 'Routes']],
            ],
        ]);
        201 === $made->status && ($this->report = $made->int('id'));
    }

    private function rename(int $route, string $to): bool
    {
        $after = $this->state;
        if (\in_array($to, $after['names'], true)) {
            return false;
        }
        $after['names'][$route] = $to;
        $before = $this->state;
        $isDone = $this->change(
            '/breakdowns/'.$this->breakdown, ['rename' => $before['names'][$route], 'to' => $to], $after, 'a renaming',
        );
        $isDone && ($this->renamings[] = $before);

        return $isDone;
    }

    private function swap(): void
    {
        [$one, $other] = [$this->state['names'][0], $this->state['names'][1]];
        $this->rename(0, "$one for a moment") && $this->rename(1, $one) && $this->rename(0, $other);
    }

    /** A chart about a route, as a page adds it that may not have heard of what happened since. */
    private function add(): void
    {
        if (null === $this->page || 0 === mt_rand(0, 1)) {
            $known = $this->known();
            if (null === $known) {
                return;
            }
            $this->page = [$known, $this->state['names']];
        }
        if (\count($this->state['blocks']) >= self::MOST) {
            return;
        }
        [$known, $names] = $this->page;
        $route = mt_rand(0, 2);
        $id = 'c'.++$this->count;
        $after = $this->state;
        $after['blocks'][$id] = $route;
        $document = self::document($known);
        $chart = [
            'keenMargin' => 1,
            'question' => ['by' => 'month', 'where' => [['field' => 'Route', 'in' => [$names[$route]]]]],
            'kind' => 'variance-tiers',
        ];
        $block = ['id' => $id, 'dataset' => (string) $this->dataset, 'chart' => $chart];
        $document['pages'][0]['rows'][] = ['id' => "r$id", 'blocks' => [$block]];
        $this->put($known, $document, $after, 'a chart');
    }

    private function drop(): void
    {
        $id = array_rand($this->state['blocks'] + ['' => 0]);
        $known = '' === $id ? null : $this->known();
        if (null === $known) {
            return;
        }
        $after = $this->state;
        unset($after['blocks'][$id]);
        $document = self::document($known);
        $document['pages'][0]['rows'] = array_values(array_filter(
            $document['pages'][0]['rows'],
            static fn (array $row): bool => $row['blocks'][0]['id'] !== $id,
        ));
        $this->put($known, $document, $after, 'a chart that was taken away');
    }

    private function stepBack(): void
    {
        $before = array_pop($this->steps);
        if (null !== $before) {
            $after = ['names' => $this->state['names']] + $before;
            $answer = $this->client->send('POST', "/api/reports/$this->report/undo");
            $this->settle($answer, $after, 'a step back');
        }
    }

    private function rollOn(): void
    {
        $known = $this->known();
        $to = self::MONTHS[mt_rand(0, 2)];
        if (null === $known || $to === $this->state['closing']) {
            return;
        }
        $before = $this->state;
        $answer = $this->client->send('POST', "/api/reports/$this->report/roll", ['to' => $to], $known->header('ETag'));
        $this->settle($answer, ['closing' => $to] + $before, 'rolling on') && ($this->steps[] = $before);
    }

    private function stepBackOverRenaming(): void
    {
        $before = array_pop($this->renamings);
        if (null !== $before) {
            $after = ['names' => $before['names']] + $this->state;
            $answer = $this->client->send('POST', "/api/datasets/$this->dataset/undo");
            $this->settle($answer, $after, 'a renaming that was taken back');
        }
    }

    /** Figures of the routes under the names that they have now. */
    private function bringIn(): void
    {
        $csv = "Month,Route,Actual\n2026-03,{$this->state['names'][mt_rand(0, 2)]},".mt_rand(1, 99)."\n";
        $reading = $this->client->upload($csv, $this->dataset);
        $version = $this->client->send('GET', "/api/datasets/$this->dataset")->header('ETag');
        $answer = $this->client->send(
            'POST', "/api/datasets/$this->dataset/imports", ['reading' => $reading->text('id')], $version,
        );
        $this->renamings = [];
        $this->settle($answer, $this->state, 'an import');
    }

    /**
     * @param array<mixed> $document
     * @param State $after
     */
    private function put(Answer $known, array $document, array $after, string $what): void
    {
        $before = $this->state;
        $answer = $this->client->send(
            'PUT',
            "/api/reports/$this->report",
            ['document' => $document, 'says' => $what, 'names' => $known->int('names')],
            $known->header('ETag'),
        );
        $this->settle($answer, $after, $what) && ($this->steps[] = $before);
    }

    /**
     * @param array<string, mixed> $body
     * @param State $after
     */
    private function change(string $path, array $body, array $after, string $what): bool
    {
        $version = $this->client->send('GET', "/api/datasets/$this->dataset")->header('ETag');
        $answer = $this->client->send('PATCH', "/api/datasets/$this->dataset$path", $body, $version);

        return $this->settle($answer, $after, $what);
    }

    /**
     * Takes what an answer says: done, refused, or lost.
     *
     * @param State $after
     */
    private function settle(Answer $answer, array $after, string $what): bool
    {
        if (\in_array($answer->status, [200, 201], true)) {
            ++$this->done;
            $this->state = $after;
            0 === mt_rand(0, 2) && $this->is([$after], "after $what");

            return true;
        }
        $isKnown =
            \in_array($answer->status, [404, 409, 410, 412, 422, 507], true)
            || (503 === $answer->status && str_contains($answer->text('detail'), 'Nothing'));
        for ($until = microtime(true) + self::UNDERWAY; !$isKnown && microtime(true) < $until; usleep(500_000)) {
            if ($this->maybeHeld() === self::told($after)) {
                break;
            }
        }
        $states = $isKnown ? [$this->state] : [$this->state, $after];
        $held = $this->is($states, "after $what that was answered by $answer->status");
        $this->steps = $this->renamings = [];
        1 === $held && ($this->state = $after);

        return false;
    }

    /**
     * @param non-empty-list<State> $states
     *
     * @return ?int which of them it is; null where it is none
     */
    private function is(array $states, string $when): ?int
    {
        for ($i = 0; $i < 100; ++$i) {
            $held = $this->maybeHeld();
            if (null === $held) {
                usleep(200_000);
                continue;
            }
            foreach ($states as $which => $state) {
                if (self::told($state) === $held) {
                    return $which;
                }
            }
            $this->wrong[] = "$this->name $when: it holds $held, and not ".self::told($states[0]);

            return null;
        }
        $this->wrong[] = "$this->name $when: it cannot be read";

        return null;
    }

    /** @return ?string what is there; null where it cannot be read now */
    private function maybeHeld(): ?string
    {
        $dataset = $this->client->send('GET', "/api/datasets/$this->dataset");
        $known = $this->known();
        if (200 !== $dataset->status || null === $known) {
            return null;
        }
        $blocks = [];
        foreach (self::document($known)['pages'][0]['rows'] as $row) {
            $block = $row['blocks'][0];
            $blocks[$block['id']] = $block['chart']['question']['where'][0]['in'][0];
        }
        ksort($blocks);

        return json_encode(
            [$dataset->at('breakdowns', 0, 'members'), $blocks, $known->at('document', 'closedThrough')],
            \JSON_THROW_ON_ERROR,
        );
    }

    private function known(): ?Answer
    {
        $known = $this->client->send('GET', "/api/reports/$this->report");

        return 200 === $known->status && \is_array($known->at('document')) ? $known : null;
    }

    /** @param State $state */
    private static function told(array $state): string
    {
        $blocks = array_map(static fn (int $route): string => $state['names'][$route], $state['blocks']);
        ksort($blocks);

        return json_encode([$state['names'], $blocks, $state['closing']], \JSON_THROW_ON_ERROR);
    }

    /** @return array{pages: non-empty-list<PageOfCharts>} */
    private static function document(Answer $known): array
    {
        /** @var array{pages: non-empty-list<array<string, mixed>>} $document */
        $document = $known->at('document');
        $document['pages'][0] += ['rows' => []];

        /** @var array{pages: non-empty-list<PageOfCharts>} */
        return $document;
    }
}
