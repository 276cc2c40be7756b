<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Change;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Question\Document\RowKeyReader;
use KeenMargin\Core\Question\PanelKey;
use KeenMargin\Core\Question\RowKey;

/** A name that recipes use becomes another: of a measure, a breakdown, or a member of one. */
final readonly class Renaming
{
    private function __construct(
        private string $from,
        private string $to,
        private string $what,
        private string $breakdown = '',
    ) {
    }

    public static function measure(string $from, string $to): self
    {
        return new self($from, $to, 'measure');
    }

    public static function breakdown(string $from, string $to): self
    {
        return new self($from, $to, 'breakdown');
    }

    public static function member(string $breakdown, string $from, string $to): self
    {
        return new self($from, $to, 'member', $breakdown);
    }

    /**
     * @param array<mixed> $recipe as JSON has it
     *
     * @return array<mixed> the same where it does not use the name
     */
    public function of(array $recipe): array
    {
        $question = $recipe['question'] ?? null;
        if (!\is_array($question)) {
            return $recipe;
        }
        if ('measure' === $this->what && ($question['measure'] ?? null) === $this->from) {
            $question['measure'] = $this->to;
        }
        $question = $this->parts($question);
        if (
            'member' === $this->what
            && \is_array($question['sequence'] ?? null)
            && ($question['by'] ?? null) === $this->breakdown
        ) {
            $question['sequence'] = array_map(
                fn (mixed $member): mixed => $member === $this->from ? $this->to : $member,
                $question['sequence'],
            );
        }
        if (\is_array($question['where'] ?? null)) {
            $question['where'] = array_map(
                fn (mixed $filter): mixed => \is_array($filter) ? $this->filter($filter) : $filter,
                $question['where'],
            );
        }

        $recipe = array_replace($recipe, ['question' => $question]);
        $finish = $recipe['finish'] ?? null;
        if ('member' === $this->what && \is_array($finish)) {
            $recipe['finish'] = $this->finish($finish, $question);
        }

        return $recipe;
    }

    /**
     * @param array<mixed> $finish
     * @param array<mixed> $question
     *
     * @return array<mixed> with the keys of rows that bear the name
     */
    private function finish(array $finish, array $question): array
    {
        if (\is_array($finish['highlight'] ?? null)) {
            $finish['highlight'] = array_map(
                fn (mixed $row): mixed => $this->row($row, $question),
                $finish['highlight'],
            );
        }
        $message = $finish['message'] ?? null;
        if (\is_array($message) && \is_array($message['numbers'] ?? null)) {
            $message['numbers'] = array_map(
                fn (mixed $number): mixed => \is_array($number)
                    ? array_replace($number, ['row' => $this->row($number['row'] ?? null, $question)])
                    : $number,
                $message['numbers'],
            );
            $finish['message'] = $message;
        }

        return $finish;
    }

    /**
     * @param list<array<mixed>> $filters of a note
     *
     * @return list<array<mixed>>
     */
    public function place(array $filters): array
    {
        return array_map($this->filter(...), $filters);
    }

    /**
     * Bands that belong to a measure.
     *
     * @param array<mixed> $bands
     *
     * @return array<mixed>
     */
    public function bands(array $bands): array
    {
        if ('breakdown' === $this->what && isset($bands['field'])) {
            return array_replace($bands, ['field' => $this->name($bands['field'])]);
        }

        return 'member' === $this->what && ($bands['field'] ?? null) === $this->breakdown
            ? array_replace($bands, ['member' => $this->name($bands['member'] ?? null)])
            : $bands;
    }

    public function measureName(string $measure): string
    {
        return 'measure' === $this->what && $measure === $this->from ? $this->to : $measure;
    }

    /**
     * A row of a chart, as recipes write it.
     *
     * @param array<mixed> $question of the chart, as it was before
     */
    public function row(mixed $row, array $question): mixed
    {
        try {
            $key = RowKeyReader::read(Given::json(json_encode($row, \JSON_THROW_ON_ERROR)), isset($question['each']));
        } catch (NotAccepted) {
            return $row;
        }
        $isPanel = ($question['each'] ?? null) === $this->breakdown && $key->panel?->member === $this->from;
        $isRow = ($question['by'] ?? null) === $this->breakdown && $key->name === $this->from;
        $panel = $isPanel ? PanelKey::member($this->to) : $key->panel;

        return ($isRow ? RowKey::row($this->to) : $key)->inPanel($panel)->toJson();
    }

    /**
     * The other places of a question where names stand.
     *
     * @param array<mixed> $question
     *
     * @return array<mixed>
     */
    private function parts(array $question): array
    {
        $question = $this->waterfall($question);
        $keys =
            ['measure' => ['used', 'unused', 'total'], 'breakdown' => ['by', 'each', 'layers']][$this->what] ?? [];
        foreach ($keys as $key) {
            if (($question[$key] ?? null) === $this->from) {
                $question[$key] = $this->to;
            }
        }
        foreach (['between', 'bridge'] as $key) {
            if (\is_array($question[$key] ?? null)) {
                $question[$key] = $this->between($question[$key]);
            }
        }

        return $question;
    }

    /**
     * Two members of a breakdown.
     *
     * @param array<mixed> $between
     *
     * @return array<mixed>
     */
    private function between(array $between): array
    {
        if ('breakdown' === $this->what && ($between['field'] ?? null) === $this->from) {
            return array_replace($between, ['field' => $this->to]);
        }
        if ('member' === $this->what && ($between['field'] ?? null) === $this->breakdown) {
            foreach (['first', 'second'] as $side) {
                $between[$side] = $this->name($between[$side] ?? null);
            }
        }

        return $between;
    }

    private function name(mixed $name): mixed
    {
        return $name === $this->from ? $this->to : $name;
    }

    /**
     * Names in the parts that waterfalls and targets have.
     *
     * @param array<mixed> $question
     *
     * @return array<mixed>
     */
    private function waterfall(array $question): array
    {
        foreach ('measure' === $this->what ? ['drivers', 'bridge', 'target', 'goal'] : [] as $key) {
            $part = $question[$key] ?? null;
            if (\is_array($part)) {
                $named = array_intersect_key(
                    $part,
                    array_flip(['volume', 'value', 'currency', 'balance', 'measure']),
                );
                $question[$key] = array_replace($part, array_map($this->name(...), $named));
            }
        }
        $isOfRows = 'member' === $this->what && ($question['by'] ?? null) === $this->breakdown;
        if ($isOfRows && \is_array($question['subtotals'] ?? null)) {
            $question['subtotals'] = array_map($this->name(...), $question['subtotals']);
        }
        if ($isOfRows && \is_array($question['roles'] ?? null) && isset($question['roles'][$this->from])) {
            $question['roles'][$this->to] = $question['roles'][$this->from];
            unset($question['roles'][$this->from]);
        }
        if (\is_array($question['opened'] ?? null)) {
            $question['opened'] = array_map(
                fn (mixed $opened): mixed => \is_array($opened) ? $this->opened($opened, $question) : $opened,
                $question['opened'],
            );
        }

        return $question;
    }

    /**
     * @param array<mixed> $opened
     * @param array<mixed> $question
     *
     * @return array<mixed>
     */
    private function opened(array $opened, array $question): array
    {
        if ('breakdown' === $this->what) {
            $opened['by'] = $this->name($opened['by'] ?? null);
        }
        if ('member' !== $this->what) {
            return $opened;
        }
        $step = $opened['step'] ?? null;
        if (!\is_array($step) || !isset($step['within'])) {
            return array_replace($opened, ['step' => $this->row($step, $question)]);
        }

        return \is_array($step['within'])
            ? array_replace($opened, [
                'step' => array_replace($step, [
                    'within' => array_map($this->name(...), $step['within']),
                    'row' => $this->name($step['row'] ?? null),
                ]),
            ])
            : $opened;
    }

    /**
     * @param array<mixed> $filter
     *
     * @return array<mixed>
     */
    private function filter(array $filter): array
    {
        if ('member' !== $this->what) {
            return ($filter['field'] ?? null) === $this->from
                ? array_replace($filter, ['field' => $this->to])
                : $filter;
        }
        foreach (($filter['field'] ?? null) === $this->breakdown ? ['in', 'notIn'] : [] as $key) {
            if (\is_array($filter[$key] ?? null) && \in_array($this->from, $filter[$key], true)) {
                $filter[$key] = array_values(
                    array_unique(
                        array_map(
                            fn (mixed $member): mixed => $member === $this->from ? $this->to : $member,
                            $filter[$key],
                        ),
                        \SORT_REGULAR,
                    ),
                );
            }
        }

        return $filter;
    }
}
