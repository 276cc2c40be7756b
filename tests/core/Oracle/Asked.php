<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

use KeenMargin\Core\Document\With;

/** A question as the oracle reads it: what a recipe has, with periods as first days. */
final readonly class Asked
{
    /**
     * @param list<string> $against
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     * @param ?array{field: string, first: string, second: string} $between
     * @param array<'used'|'unused'|'total', string> $parts of a capacity
     * @param ?array{string, string} $closing first day and grain; null: as the figures have it
     * @param ?array{kind: string, from?: string, to?: string, grain?: string, count?: int} $span `between` by first and
     *                                                                                            last day, `last`,
     *                                                                                            `previous`, `year to
     *                                                                                            date`, `rest of year`;
     *                                                                                            null: all
     */
    public function __construct(
        public string $by,
        public string $measure,
        public string $scenario = 'AC',
        public ?string $forecast = null,
        public array $against = [],
        public array $where = [],
        public ?string $each = null,
        public ?int $top = null,
        public string $order = 'given',
        public ?string $cumulate = null,
        public ?array $between = null,
        public array $parts = [],
        public ?string $target = null,
        public ?string $better = null,
        public ?string $flag = null,
        public ?array $closing = null,
        public ?array $span = null,
        public bool $isProRata = false,
    ) {}

    /** @param array<string, mixed> $changes */
    public function with(array $changes): self
    {
        return With::of($this, $changes);
    }

    /** @return array<string, mixed> the same as a recipe's question */
    public function recipe(Calendar $calendar): array
    {
        return array_filter(
            [
                'by' => $this->by,
                'measure' => [] === $this->parts ? $this->measure : null,
                'scenario' => 'AC' === $this->scenario ? null : $this->scenario,
                'forecast' => $this->forecast,
                'against' => $this->against,
                'where' => array_map(
                    static fn (array $filter): array => [
                        'field' => $filter['field'],
                        $filter['keeps'] ? 'in' : 'notIn' => $filter['members'],
                    ],
                    $this->where,
                ),
                'each' => $this->each,
                'top' => $this->top,
                'order' => 'given' === $this->order ? null : $this->order,
                'cumulate' => $this->cumulate,
                'between' => $this->between,
                'target' => $this->target,
                'better' => $this->better,
                'proRata' => $this->isProRata ?: null,
                'flag' => null === $this->flag ? null : ['percent' => $this->flag],
                'closedThrough' => null === $this->closing ? null : $calendar->key(...$this->closing),
                'span' => null === $this->span ? null : self::spanned($this->span, $calendar),
            ] + $this->parts,
            static fn (mixed $value): bool => null !== $value && [] !== $value,
        );
    }

    /**
     * @param array{kind: string, from?: string, to?: string, grain?: string, count?: int} $span
     *
     * @return string|array<string, int|string>
     */
    private static function spanned(array $span, Calendar $calendar): string|array
    {
        $grain = $span['grain'] ?? 'month';

        return match ($span['kind']) {
            'between' => [
                'from' => $calendar->key($span['from'] ?? '', $grain),
                'to' => $calendar->key($span['to'] ?? '', $grain),
            ],
            'last', 'previous' => [$span['kind'] => $span['count'] ?? 1, 'unit' => $grain],
            default => $span['kind'],
        };
    }
}
