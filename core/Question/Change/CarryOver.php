<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Change;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Question\Fit\RecipeFit;
use KeenMargin\Core\Question\Kinds;
use KeenMargin\Core\Question\Names\OneName;
use KeenMargin\Core\Question\Names\RecipeNames;
use KeenMargin\Core\Time\Grain;

/** A recipe made on another dataset, fitted to this one: each name that it lacks is asked for, once. */
final class CarryOver
{
    /** What a name becomes that is to be left out. */
    public const LEFT_OUT = '';

    /** @var list<Ask> */
    private array $asks = [];

    /**
     * @param array<mixed> $recipe as JSON has it
     * @param array<string, string> $answers names of this dataset, or LEFT_OUT, by what was asked
     */
    private function __construct(
        private array $recipe,
        private readonly Kinds $kinds,
        private readonly Dataset $dataset,
        private readonly array $answers,
    ) {}

    /**
     * @param array<mixed> $recipe
     * @param array<string, string> $answers
     *
     * @return array{recipe: array<mixed>, asks: list<Ask>, problem: ?string} the recipe as far as it is answered; what
     *                                                                        is left to be answered; why it cannot be
     *                                                                        drawn where all is
     */
    public static function of(array $recipe, Kinds $kinds, Dataset $dataset, array $answers = []): array
    {
        $fitting = new self($recipe, $kinds, $dataset, $answers);
        $fitting->measures();
        $fitting->breakdowns();
        $fitting->members();

        return [
            'recipe' => $fitting->recipe,
            'asks' => $fitting->asks,
            'problem' => [] === $fitting->asks ? $fitting->maybeProblem() : null,
        ];
    }

    private function measures(): void
    {
        $known = array_map(static fn (Measure $measure): string => $measure->name, $this->dataset->measures);
        $drivers = $this->question()['drivers'] ?? [];
        $named = [...$this->question(), ...\is_array($drivers) ? $drivers : []];
        $target = $this->question()['target'] ?? null;
        $goal = $this->question()['goal'] ?? null;
        $named['target'] = \is_array($target) ? $target['measure'] ?? null : null;
        $named['goal'] = \is_array($goal) ? $goal['measure'] ?? null : null;
        foreach (['measure', 'target', 'goal', 'used', 'unused', 'total', 'volume', 'value', 'currency'] as $key) {
            $name = $named[$key] ?? null;
            if (!\is_string($name) || \in_array($name, $known, true)) {
                continue;
            }
            $answer = $this->answer(
                id: "measure:$name",
                name: $name,
                what: "The measure “{$name}”",
                choices: $known,
                mayGo: 'measure' === $key,
                without: 'the first one',
            );
            if (self::LEFT_OUT === $answer) {
                $this->drop($key);
            } elseif (null !== $answer) {
                $this->recipe = RecipeNames::of($this->recipe, OneName::ofMeasure($name, $answer));
            }
        }
    }

    private function breakdowns(): void
    {
        $known = array_map(static fn (Breakdown $one): string => $one->name, $this->dataset->breakdowns);
        $measures = array_map(static fn (Measure $measure): string => $measure->name, $this->dataset->measures);
        foreach ($this->fields() as $name => $mayGo) {
            $name = (string) $name;
            if (\in_array($name, $known, true) || \in_array($name, $measures, true)) {
                continue;
            }
            $answer = $this->answer(
                id: "breakdown:$name",
                name: $name,
                what: "The breakdown “{$name}”",
                choices: $known,
                mayGo: $mayGo,
                without: 'it',
            );
            if (self::LEFT_OUT === $answer) {
                $this->dropField($name);
            } elseif (null !== $answer) {
                $this->recipe = RecipeNames::of($this->recipe, OneName::ofBreakdown($name, $answer));
            }
        }
    }

    /** @return array<string|int, bool> names of breakdowns that the question uses, and whether it can do without */
    private function fields(): array
    {
        $question = $this->question();
        $fields = [];
        $by = $question['by'] ?? null;
        if (\is_string($by) && !\in_array($by, Grain::words(), true)) {
            $fields[$by] = true;
        }
        foreach (['each', 'layers'] as $key) {
            if (\is_string($question[$key] ?? null)) {
                $fields[$question[$key]] = true;
            }
        }
        foreach (\is_array($question['where'] ?? null) ? $question['where'] : [] as $filter) {
            if (\is_array($filter) && \is_string($filter['field'] ?? null)) {
                $fields[$filter['field']] = true;
            }
        }
        foreach (['between', 'bridge'] as $key) {
            if (\is_array($question[$key] ?? null) && \is_string($question[$key]['field'] ?? null)) {
                $fields[$question[$key]['field']] = !\in_array($key, $this->required(), true);
            }
        }
        foreach (\is_array($question['opened'] ?? null) ? $question['opened'] : [] as $opened) {
            $by = \is_array($opened) ? $opened['by'] ?? null : null;
            if (\is_string($by) && !\in_array($by, Grain::words(), true)) {
                $fields[$by] = true;
            }
        }

        return $fields;
    }

    /** @return list<string> keys of the question that its kind cannot do without */
    private function required(): array
    {
        $kind = $this->recipe['kind'] ?? null;

        return \is_string($kind) && \in_array($kind, $this->kinds->ids(), true)
            ? $this->kinds->of($kind)->required()
            : [];
    }

    private function members(): void
    {
        $question = $this->question();
        foreach (\is_array($question['where'] ?? null) ? $question['where'] : [] as $filter) {
            $names = \is_array($filter) ? $filter['in'] ?? ($filter['notIn'] ?? []) : [];
            $field = \is_array($filter) && \is_string($filter['field'] ?? null) ? $filter['field'] : '';
            $this->membersOf($field, \is_array($names) ? $names : [], true);
        }
        foreach ([$question['between'] ?? null, $question['bridge'] ?? null] as $between) {
            if (\is_array($between) && \is_string($between['field'] ?? null)) {
                $this->membersOf($between['field'], [$between['first'] ?? null, $between['second'] ?? null], false);
            }
        }
    }

    /** @param array<mixed> $names */
    private function membersOf(string $field, array $names, bool $mayGo): void
    {
        $breakdown = $this->dataset->maybeBreakdown($field);
        if (null === $breakdown) {
            return;
        }
        foreach ($names as $name) {
            if (!\is_string($name) || \in_array($name, $breakdown->members, true)) {
                continue;
            }
            $answer = $this->answer(
                id: "member:$field/$name",
                name: $name,
                what: "“{$name}” of {$field}",
                choices: $breakdown->members,
                mayGo: $mayGo,
                without: 'it',
            );
            if (self::LEFT_OUT === $answer) {
                $this->dropMember($field, $name);
            } elseif (null !== $answer) {
                $this->recipe = RecipeNames::of($this->recipe, OneName::ofMember($field, $name, $answer));
            }
        }
    }

    /**
     * What was answered; none where it is still to be asked.
     *
     * @param list<string> $choices
     * @param bool $mayGo whether the question can do without
     */
    private function answer(
        string $id,
        string $name,
        string $what,
        array $choices,
        bool $mayGo,
        string $without,
    ): ?string {
        $answer = $this->answers[$id] ?? null;
        if (null !== $answer && (\in_array($answer, $choices, true) || ($mayGo && self::LEFT_OUT === $answer))) {
            return $answer;
        }
        if ([] === array_filter($this->asks, static fn (Ask $ask): bool => $ask->id === $id)) {
            $this->asks[] = new Ask(
                id: $id,
                says: "$what is not here.",
                choices: $choices,
                mayGo: $mayGo,
                without: $without,
                guess: Ask::nearest($name, $choices),
            );
        }

        return null;
    }

    private function maybeProblem(): ?string
    {
        try {
            RecipeFit::insist(
                RecipeReader::read(Given::kept($this->recipe), $this->kinds, $this->dataset->calendar), $this->dataset,
            );
        } catch (NotAccepted $e) {
            return $e->getMessage();
        }

        return null;
    }

    /** @return array<mixed> */
    private function question(): array
    {
        return \is_array($this->recipe['question'] ?? null) ? $this->recipe['question'] : [];
    }

    private function drop(string $key): void
    {
        $this->recipe['question'] = array_diff_key($this->question(), [$key => 1]);
    }

    private function dropField(string $name): void
    {
        $question = $this->question();
        if (($question['by'] ?? null) === $name) {
            $question['by'] = $this->dataset->isTimeless()
                ? $this->dataset->breakdowns[0]->name ?? 'month'
                : $this->dataset->grain->value;
            $ofRows = ['order', 'top', 'sequence', 'opened', 'subtotals', 'roles'];
            $question = array_diff_key($question, array_flip($ofRows));
        }
        if (\is_array($question['opened'] ?? null)) {
            $question['opened'] = array_values(array_filter(
                $question['opened'],
                static fn (mixed $one): bool => !\is_array($one) || ($one['by'] ?? null) !== $name,
            ));
        }
        foreach (['each', 'layers', 'between', 'bridge'] as $key) {
            $of = $question[$key] ?? null;
            if ($of === $name || (\is_array($of) && ($of['field'] ?? null) === $name)) {
                unset($question[$key]);
            }
        }
        if (\is_array($question['where'] ?? null)) {
            $question['where'] = array_values(array_filter(
                $question['where'],
                static fn (mixed $filter): bool => !\is_array($filter) || ($filter['field'] ?? null) !== $name,
            ));
        }
        $this->recipe['question'] = $question;
    }

    private function dropMember(string $field, string $member): void
    {
        $question = $this->question();
        $where = [];
        foreach (\is_array($question['where'] ?? null) ? $question['where'] : [] as $filter) {
            $key = \is_array($filter) && isset($filter['in']) ? 'in' : 'notIn';
            if (\is_array($filter) && ($filter['field'] ?? null) === $field && \is_array($filter[$key] ?? null)) {
                $filter[$key] = array_values(array_diff(array_filter($filter[$key], is_string(...)), [$member]));
                if ([] === $filter[$key]) {
                    continue;
                }
            }
            $where[] = $filter;
        }
        $this->recipe['question'] = array_replace($question, ['where' => $where]);
    }
}
