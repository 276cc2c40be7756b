<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Names;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Question\Document\RowKeyReader;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Question\Part\SumKey;
use KeenMargin\Core\Time\Grain;

/** Puts other names into a recipe, wherever one of a measure, a breakdown or a member stands. */
final readonly class RecipeNames
{
    /** Keys of a question, and of its parts, whose values are names of measures. */
    private const MEASURES = ['measure', 'used', 'unused', 'total'];
    private const MEASURES_OF_PARTS = [
        'drivers' => ['volume', 'value', 'currency'],
        'bridge' => ['balance'],
        'target' => ['measure'],
        'goal' => ['measure'],
    ];
    private const BREAKDOWNS = ['by', 'each', 'layers'];

    /** @param array<mixed> $question as the document had it before */
    private function __construct(private array $question, private NameMap $names) {}

    /**
     * @param array<string, mixed> $recipe as JSON has it; what does not stand where it should is left alone
     *
     * @return array<string, mixed>
     */
    public static function of(array $recipe, NameMap $names): array
    {
        $question = $recipe['question'] ?? null;
        if (!\is_array($question)) {
            return $recipe;
        }
        $own = new self($question, $names);
        $recipe['question'] = $own->asked();
        if (\is_array($recipe['finish'] ?? null)) {
            $recipe['finish'] = $own->finish($recipe['finish']);
        }

        return $recipe;
    }

    /**
     * A row of a chart, as recipes write it.
     *
     * @param mixed $row `"North"`, `{"panel": "North", "row": "2026-08"}`
     * @param array<mixed> $question of the chart, as the same document has it; empty: it is not known
     */
    public static function row(mixed $row, array $question, NameMap $names): mixed
    {
        return (new self($question, $names))->rowOf($row);
    }

    /**
     * @param array<mixed> $filters `[{"field": "Route", "in": ["North"]}]`
     *
     * @return list<mixed>
     */
    public static function filters(array $filters, NameMap $names): array
    {
        $own = new self([], $names);

        return array_values(array_map(
            static fn (mixed $filter): mixed => \is_array($filter) ? $own->filter($filter) : $filter,
            $filters,
        ));
    }

    /**
     * Bands that belong to a measure.
     *
     * @param array<string, mixed> $bands `{"limits": […], "field": "Route", "member": "North"}`
     *
     * @return array<string, mixed>
     */
    public static function bands(array $bands, NameMap $names): array
    {
        $field = $bands['field'] ?? null;
        if (!\is_string($field)) {
            return $bands;
        }

        return array_replace($bands, [
            'field' => $names->breakdown($field),
            'member' => (new self([], $names))->member($bands['member'] ?? null, $field),
        ]);
    }

    /** @return array<mixed> the question with its other names */
    private function asked(): array
    {
        $asked = $this->question;
        foreach (self::MEASURES as $key) {
            \is_string($asked[$key] ?? null) && ($asked[$key] = $this->names->measure($asked[$key]));
        }
        foreach (self::MEASURES_OF_PARTS as $part => $keys) {
            $of = $asked[$part] ?? null;
            if (\is_array($of)) {
                $told = array_filter(array_intersect_key($of, array_flip($keys)), \is_string(...));
                $asked[$part] = array_replace($of, array_map($this->names->measure(...), $told));
            }
        }
        foreach (self::BREAKDOWNS as $key) {
            $name = self::maybeBreakdown($asked[$key] ?? null);
            null === $name || ($asked[$key] = $this->names->breakdown($name));
        }
        foreach (['between', 'bridge'] as $key) {
            \is_array($asked[$key] ?? null) && ($asked[$key] = $this->pair($asked[$key]));
        }
        \is_array($asked['where'] ?? null) && ($asked['where'] = self::filters($asked['where'], $this->names));
        $by = self::maybeBreakdown($this->question['by'] ?? null);
        foreach (['sequence', 'subtotals'] as $key) {
            \is_array($asked[$key] ?? null) && ($asked[$key] = $this->members($asked[$key], $by));
        }
        if (\is_array($asked['roles'] ?? null)) {
            $roles = [];
            foreach ($asked['roles'] as $name => $role) {
                $roles[$this->names->member($by, (string) $name)] = $role;
            }
            $asked['roles'] = $roles;
        }
        \is_array($asked['opened'] ?? null) && ($asked['opened'] = array_map($this->opened(...), $asked['opened']));

        return $asked;
    }

    /**
     * @param array<mixed> $finish
     *
     * @return array<mixed>
     */
    private function finish(array $finish): array
    {
        if (\is_array($finish['highlight'] ?? null)) {
            $finish['highlight'] = array_map($this->rowOf(...), $finish['highlight']);
        }
        $message = $finish['message'] ?? null;
        if (\is_array($message) && \is_array($message['numbers'] ?? null)) {
            $message['numbers'] = array_map(
                fn (mixed $number): mixed => \is_array($number) && isset($number['row'])
                    ? array_replace($number, ['row' => $this->rowOf($number['row'])])
                    : $number,
                $message['numbers'],
            );
            $finish['message'] = $message;
        }

        return $finish;
    }

    private function rowOf(mixed $row): mixed
    {
        $key = self::maybeKey($row, isset($this->question['each']));
        if (null === $key) {
            return $row;
        }
        $written = $key->toJson();
        $parts = \is_array($written) ? $written : [(null === $key->sum ? 'row' : 'sum') => $written];
        if (null !== $key->panel && !$key->panel->isOthers()) {
            $each = self::maybeBreakdown($this->question['each'] ?? null);
            $parts['panel'] = $this->names->member($each, (string) $key->panel->member);
        }
        if (null !== $key->name && (null === $key->sum || SumKey::Subtotal === $key->sum)) {
            $parts['row'] = $this->names->member($this->breakdownWithin($key->within), $key->name);
        }
        $within = [];
        foreach ($key->within as $level => $name) {
            $breakdown = $this->breakdownWithin(\array_slice($key->within, 0, $level));
            $within[] = null === SumKey::tryFrom($name) ? $this->names->member($breakdown, $name) : $name;
        }[] === $within || ($parts['within'] = $within);

        return self::maybeKey($parts, false)?->toJson() ?? $row;
    }

    /**
     * The breakdown that the steps of an opened one are members of.
     *
     * @param list<string> $path the opened steps that they stand within, the outermost first
     */
    private function breakdownWithin(array $path): ?string
    {
        if ([] === $path) {
            return self::maybeBreakdown($this->question['by'] ?? null);
        }
        $opened = $this->question['opened'] ?? null;
        foreach (\is_array($opened) ? $opened : [] as $one) {
            $step = \is_array($one) ? self::maybeKey($one['step'] ?? null, isset($this->question['each'])) : null;
            $own = null === $step ? [] : [...$step->within, $step->name ?? (string) $step->sum?->value];
            if ($own === $path) {
                return self::maybeBreakdown($one['by'] ?? null);
            }
        }

        return null;
    }

    private function opened(mixed $opened): mixed
    {
        if (!\is_array($opened)) {
            return $opened;
        }
        $by = self::maybeBreakdown($opened['by'] ?? null);

        return array_replace($opened, [
            'step' => $this->rowOf($opened['step'] ?? null),
            ...null === $by ? [] : ['by' => $this->names->breakdown($by)],
        ]);
    }

    /**
     * Two members of a breakdown.
     *
     * @param array<mixed> $pair
     *
     * @return array<mixed>
     */
    private function pair(array $pair): array
    {
        $field = $pair['field'] ?? null;
        if (!\is_string($field)) {
            return $pair;
        }
        foreach (['first', 'second'] as $side) {
            $pair[$side] = $this->member($pair[$side] ?? null, $field);
        }

        return array_replace($pair, ['field' => $this->names->breakdown($field)]);
    }

    /**
     * @param array<mixed> $filter
     *
     * @return array<mixed>
     */
    private function filter(array $filter): array
    {
        $field = $filter['field'] ?? null;
        if (!\is_string($field)) {
            return $filter;
        }
        foreach (['in', 'notIn'] as $key) {
            \is_array($filter[$key] ?? null) && ($filter[$key] = $this->members($filter[$key], $field));
        }

        return array_replace($filter, ['field' => $this->names->field($field)]);
    }

    /**
     * @param array<mixed> $members
     *
     * @return list<mixed> each once: two that were merged have one name
     */
    private function members(array $members, ?string $breakdown): array
    {
        $mapped = array_map(fn (mixed $member): mixed => $this->member($member, $breakdown), $members);

        return array_values(array_unique($mapped, \SORT_REGULAR));
    }

    private function member(mixed $name, ?string $breakdown): mixed
    {
        return \is_string($name) ? $this->names->member($breakdown, $name) : $name;
    }

    private static function maybeBreakdown(mixed $name): ?string
    {
        return \is_string($name) && !\in_array($name, Grain::words(), true) ? $name : null;
    }

    private static function maybeKey(mixed $row, bool $hasPanels): ?RowKey
    {
        try {
            return RowKeyReader::read(Given::json(json_encode($row, \JSON_THROW_ON_ERROR)), $hasPanels);
        } catch (NotAccepted) {
            return null;
        }
    }
}
