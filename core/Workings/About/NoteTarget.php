<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\About;

use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Question\Document\RecipeWriter;

/**
 * What a note is about besides its measure and its period: the members it was narrowed to, however a chart came to
 * them.
 */
final readonly class NoteTarget
{
    /** @param list<array<string, mixed>> $filters as recipes have them, in an order of their own */
    private function __construct(public array $filters) {}

    /**
     * @param list<MemberFilter|NumberFilter> $where of the question
     * @param array<string, string> $members that the row is narrowed to, by breakdown
     */
    public static function of(array $where, array $members = []): self
    {
        $left = array_values(array_filter(
            $where,
            static fn (MemberFilter|NumberFilter $filter): bool => $filter instanceof NumberFilter
                || !isset($members[$filter->breakdown]),
        ));
        $filters = array_map(
            static fn (MemberFilter|NumberFilter $filter): array => RecipeWriter::filter(
                $filter instanceof MemberFilter ? self::sorted($filter) : $filter,
            ),
            [
                ...$left,
                ...array_map(
                    static fn (string $field, string $member): MemberFilter => new MemberFilter($field, [$member]),
                    array_map(strval(...), array_keys($members)),
                    array_values($members),
                ),
            ],
        );
        usort($filters, static fn (array $a, array $b): int => self::text($a) <=> self::text($b));

        return new self($filters);
    }

    public function key(): string
    {
        return self::text($this->filters);
    }

    private static function sorted(MemberFilter $filter): MemberFilter
    {
        $members = $filter->members;
        sort($members, \SORT_STRING);

        return new MemberFilter($filter->breakdown, $members, $filter->keeps);
    }

    /** @param array<mixed> $of */
    private static function text(array $of): string
    {
        return json_encode($of, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES);
    }
}
