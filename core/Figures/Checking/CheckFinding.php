<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Checking;

/** What a check of a dataset has to say: that all is well, or what is not, how much of it, and where. */
final readonly class CheckFinding
{
    public const MOST_PLACES = 40;

    /**
     * @param string $says a sentence without its full stop
     * @param int $count of places in all
     * @param list<FindingTarget> $places the first of them
     */
    public function __construct(
        public string $id,
        public bool $holds,
        public string $says,
        public int $count = 0,
        public array $places = [],
        private string $all = '',
    ) {}

    public static function well(string $id, string $says): self
    {
        return new self($id, true, $says);
    }

    /**
     * @param non-empty-list<FindingTarget> $places all of them
     */
    public static function at(string $id, string $says, array $places): self
    {
        $all = hash(
            'xxh128',
            implode("\n", array_map(static fn (FindingTarget $place): string => $place->mark(), $places)),
        );

        return new self(
            id: $id,
            holds: false,
            says: $says,
            count: \count($places),
            places: \array_slice($places, 0, self::MOST_PLACES),
            all: $all,
        );
    }

    /** By which it is known whether anything about it has changed. */
    public function mark(): string
    {
        return substr(hash('xxh128', "$this->id\0$this->says\0$this->all"), 0, 24);
    }

    /**
     * @return array{
     *     id: string, holds: bool, says: string, count: int, mark: string,
     *     places: list<array{
     *         measure: string, scenario: string, period: string, members: list<string>, amount: string,
     *     }>,
     * }
     */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'holds' => $this->holds,
            'says' => $this->says,
            'count' => $this->count,
            'mark' => $this->mark(),
            'places' => array_map(static fn (FindingTarget $place): array => $place->toArray(), $this->places),
        ];
    }
}
