<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Result;

/** One sentence of a summary; its numbers and names point to their rows. */
final readonly class Sentence
{
    /** @var list<string|LinkedText> */
    public array $parts;

    public function __construct(string|LinkedText ...$parts)
    {
        $this->parts = array_values(array_filter($parts, static fn (string|LinkedText $part): bool => '' !== $part));
    }

    public function text(): string
    {
        return implode(
            '',
            array_map(
                static fn (string|LinkedText $part): string => $part instanceof LinkedText ? $part->text : $part,
                $this->parts,
            ),
        );
    }

    /** @return list<LinkedText> the numbers in it */
    public function numbers(): array
    {
        return array_values(array_filter(
            $this->parts,
            static fn (string|LinkedText $part): bool => $part instanceof LinkedText && '' !== $part->column,
        ));
    }

    /** @return list<array<string, string|array<string, string|true|int|list<string>>>> */
    public function toArray(): array
    {
        return array_map(
            static fn (string|LinkedText $part): array => $part instanceof LinkedText
                ? $part->toArray()
                : ['text' => $part],
            $this->parts,
        );
    }

    /**
     * `a`, `a and b`, `a, b and 2 more`, where each is one or several parts.
     *
     * @param list<list<string|LinkedText>> $of
     *
     * @return list<string|LinkedText>
     */
    public static function some(array $of, int $most): array
    {
        $more = \count($of) - $most;
        $of = $more > 0 ? [...\array_slice($of, 0, $most), ["$more more"]] : $of;
        $parts = [];
        foreach ($of as $i => $each) {
            $parts[] = 0 === $i ? '' : ($i === \count($of) - 1 ? ' and ' : ', ');
            array_push($parts, ...$each);
        }

        return $parts;
    }
}
