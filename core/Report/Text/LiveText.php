<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Text;

/** A text with numbers in it that are taken from workings. */
final readonly class LiveText
{
    /** @param list<string|LiveNumber> $parts in reading order */
    public function __construct(public array $parts = []) {}

    public function isEmpty(): bool
    {
        return '' === trim($this->said());
    }

    /** As it was written. */
    public function said(): string
    {
        return $this->with(static fn (LiveNumber $number): string => $number->said);
    }

    /**
     * With each number as given.
     *
     * @param callable(LiveNumber): string $written
     */
    public function with(callable $written): string
    {
        return implode(
            '',
            array_map(
                static fn (string|LiveNumber $part): string => $part instanceof LiveNumber ? $written($part) : $part,
                $this->parts,
            ),
        );
    }

    /** @return list<LiveNumber> */
    public function numbers(): array
    {
        return array_values(
            array_filter($this->parts, static fn (string|LiveNumber $part): bool => $part instanceof LiveNumber),
        );
    }
}
