<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Result;

/** What the chart says, in words and a few numbers, all of them taken from the workings and written out. */
final readonly class Summary
{
    /**
     * @param array{
     *     label: string, amount: string, variance: ?string, percent: ?string, effect: ?string, note: string,
     *     row: string,
     * } $headline
     * @param list<array{key: string, label: string, variance: string, effect: string, flagged: bool}> $movers
     * @param list<Sentence> $sentences
     * @param string $moves heads the movers
     */
    public function __construct(
        public array $headline,
        public array $movers,
        public array $sentences,
        public string $moves = '',
    ) {}

    /** @return list<string> */
    public function texts(): array
    {
        return array_map(static fn (Sentence $sentence): string => $sentence->text(), $this->sentences);
    }
}
