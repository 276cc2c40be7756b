<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question;

/** A name that recipes use becomes another: of a measure, a breakdown, or a member of one. */
final readonly class Renaming
{
    private function __construct(private string $from, private string $to, private string $what, private string $breakdown = '')
    {
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
        if (!\is_array($recipe['question'] ?? null)) {
            return $recipe;
        }
        if ('measure' === $this->what && ($recipe['question']['measure'] ?? null) === $this->from) {
            $recipe['question']['measure'] = $this->to;
        }
        foreach (\is_array($recipe['question']['where'] ?? null) ? $recipe['question']['where'] : [] as $i => $filter) {
            if (\is_array($filter)) {
                $recipe['question']['where'][$i] = $this->filter($filter);
            }
        }

        return $recipe;
    }

    /**
     * @param array<mixed> $filter
     *
     * @return array<mixed>
     */
    private function filter(array $filter): array
    {
        if ('member' !== $this->what) {
            return ($filter['field'] ?? null) === $this->from ? ['field' => $this->to] + $filter : $filter;
        }
        foreach (($filter['field'] ?? null) === $this->breakdown ? ['in', 'notIn'] : [] as $key) {
            if (\is_array($filter[$key] ?? null) && \in_array($this->from, $filter[$key], true)) {
                $filter[$key] = array_values(array_unique(array_map(fn (mixed $member): mixed => $member === $this->from ? $this->to : $member, $filter[$key]), \SORT_REGULAR));
            }
        }

        return $filter;
    }
}
