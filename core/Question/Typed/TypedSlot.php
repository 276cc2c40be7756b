<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Typed;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Reading\Text\ScenarioWords;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Document\PartWriter;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Question\Document\WaterfallWriter;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Time\Grain;

/** What is typed into a slot of the sentence, as a change of the question. */
final readonly class TypedSlot
{
    public function __construct(private Question $question, private Dataset $dataset) {}

    /**
     * @return array<string, mixed> keys of the question as recipes have them; null for one that is left out from now on
     *
     * @throws NotAccepted
     */
    public function change(string $slot, string $text): array
    {
        return match (true) {
            'span' === $slot => $this->span($text),
            'flag' === $slot => $this->flag($text),
            'measure' === $slot => ['measure' => $this->measure($text), 'better' => null],
            'by' === $slot => $this->rows($text),
            'against' === $slot, 'target' === $slot => $this->against($text),
            'better' === $slot => ['better' => $this->better($text)],
            'between' === $slot => $this->between($text),
            'bridge' === $slot => $this->bridge($text),
            'aim' === $slot => (new TypedNear($this->dataset))->target($text),
            'goal' === $slot => (new TypedGoal($this->dataset))->goal($text),
            'columns' === $slot => TypedColumns::columns($text),
            'pace' === $slot => TypedGoal::pace($text),
            'layers' === $slot => (new TypedGoal($this->dataset))->layers($text),
            'bands' === $slot => (new TypedNear($this->dataset))->bands($text),
            str_starts_with($slot, 'members:') => ['where' => $this->members(substr($slot, 8), $text)],
            default => throw new NotAccepted('slot', "The slot \"$slot\" cannot be typed into; choose from its list."),
        };
    }

    /**
     * @return array<string, mixed>
     *
     * @throws NotAccepted
     */
    private function span(string $text): array
    {
        $span =
            (new TypedSpan(
                $this->dataset->calendar,
                $this->question->closedThrough ?? $this->dataset->closing(),
            ))->maybe($text) ??
            throw new NotAccepted(
                'text',
                "\"$text\" is not a span. Write it like last 3 months, Apr to Jun 2025, Q3 2026 or year to date.",
            );

        return ['span' => PartWriter::span($span)];
    }

    /**
     * @return array<string, mixed>
     *
     * @throws NotAccepted
     */
    private function flag(string $text): array
    {
        $asked = $this->question->measure;
        $measure = null === $asked ? $this->dataset->measures[0] : $this->dataset->maybeMeasure($asked);
        $inPoints = true === $measure?->isInPercent();
        $flag =
            TypedFlag::maybe($text, $inPoints, $measure->unit ?? '') ??
            throw new NotAccepted(
                'text',
                "\"$text\" is not a size. Write it like ".($inPoints ? '2 pp.' : '5 % and 20k.'),
            );

        return ['flag' => RecipeWriter::flag($flag) ?: null];
    }

    /** @throws NotAccepted */
    private function measure(string $text): string
    {
        $known = array_map(static fn (Measure $measure): string => $measure->name, $this->dataset->measures);

        return TypedNames::maybeOne($text, $known) ?? throw self::unknown($text, 'measure', $known);
    }

    /**
     * @return array<string, mixed>
     *
     * @throws NotAccepted
     */
    private function rows(string $text): array
    {
        if (\in_array(TypedNames::plain($text), ['all together', 'together', 'as one', 'one'], true)) {
            return ['by' => null, 'order' => null, 'top' => null, 'cumulate' => null];
        }
        $names = array_map(static fn (Breakdown $one): string => $one->name, $this->dataset->breakdowns);
        $grains = array_map(
            static fn (Grain $grain): string => $grain->value,
            $this->dataset->isTimeless() ? [] : $this->dataset->grain->coarser(),
        );
        $by =
            TypedNames::maybeOne((string) preg_replace('/^by /i', '', trim($text)), [...$grains, ...$names]) ??
            throw self::unknown($text, 'kind of row', [...$grains, ...$names]);

        return \in_array($by, $grains, true)
            ? ['by' => $by, 'order' => null, 'top' => null]
            : ['by' => $by, 'cumulate' => null] + ($this->question->each === $by ? ['each' => null] : []);
    }

    /**
     * @return array<string, mixed>
     *
     * @throws NotAccepted
     */
    private function against(string $text): array
    {
        if (\in_array(TypedNames::plain($text), ['nothing', 'none', 'nothing yet'], true)) {
            return ['against' => null];
        }
        $there = array_values(array_filter(
            [...$this->dataset->scenarios(), Scenario::PriorYear],
            fn (Scenario $scenario): bool => $scenario !== $this->question->scenario,
        ));
        $against = [];
        foreach (preg_split('/\s*(?:,|;|&|\band\b)\s*/i', trim($text, ' .'), -1, \PREG_SPLIT_NO_EMPTY) ?: [] as $part) {
            $scenario = ScenarioWords::maybe($part);
            if (null === $scenario || !\in_array($scenario, $there, true)) {
                throw self::unknown(
                    $part,
                    'reference',
                    array_values(array_unique(array_map(static fn (Scenario $one): string => $one->word(), $there))),
                );
            }
            $against[] = $scenario->value;
        }
        $against = array_values(array_unique($against));
        if (\count($against) > 2) {
            throw new NotAccepted('text', 'These are more than two references; give one or two.');
        }

        return ['against' => $against];
    }

    /** @throws NotAccepted */
    private function better(string $text): string
    {
        return match (true) {
            1 === preg_match('/\b(more|higher|up)\b/i', $text) => 'more',
            1 === preg_match('/\b(less|fewer|lower|down)\b/i', $text) => 'less',
            default => throw new NotAccepted('text', "\"$text\" does not say what is better; write more or less."),
        };
    }

    /**
     * @return array<string, mixed>
     *
     * @throws NotAccepted
     */
    private function between(string $text): array
    {
        foreach ($this->dataset->breakdowns as $breakdown) {
            $two = TypedNames::several($text, $breakdown->members);
            if (\is_array($two) && 2 === \count($two)) {
                return ['between' => ['field' => $breakdown->name, 'first' => $two[0], 'second' => $two[1]]];
            }
        }
        throw new NotAccepted(
            'text', "\"$text\" does not name two members of one breakdown. Write it like North and Holm.",
        );
    }

    /**
     * @return array<string, mixed>
     *
     * @throws NotAccepted
     */
    private function bridge(string $text): array
    {
        $closing = $this->question->closedThrough ?? $this->dataset->closing();
        $bridge = (new TypedBridge($this->dataset, $closing))->of($text);

        return ['bridge' => WaterfallWriter::bridge($bridge), 'opened' => null];
    }

    /**
     * @return list<array<string, mixed>>|null
     *
     * @throws NotAccepted
     */
    private function members(string $field, string $text): ?array
    {
        $breakdown =
            $this->dataset->maybeBreakdown($field) ??
            throw new NotAccepted('slot', "There is no breakdown \"$field\".");
        $where = array_map(RecipeWriter::filter(...), $this->question->where);
        $others = array_values(array_filter(
            $where,
            static fn (array $filter): bool => $filter['field'] !== $field
                || !(isset($filter['in']) || isset($filter['notIn'])),
        ));
        $all = (string) preg_replace('/^all (of )?(the )?/i', '', trim($text));
        $isBut = 1 === preg_match('/^(?:.*\b)?(?:but|except|without)\b\s*(.+)$/iu', $text, $part);
        if (
            !$isBut
            && 1 === preg_match('/^(all|everything)\b/i', trim($text))
            && null === TypedNames::maybeOne($all, $breakdown->members)
        ) {
            return [] === $others ? null : $others;
        }
        $members = TypedNames::several($isBut ? $part[1] : $text, $breakdown->members);
        if (\is_string($members)) {
            throw self::unknown($members, "member of $field", $breakdown->members);
        }

        return [...$others, ['field' => $field, $isBut ? 'notIn' : 'in' => $members]];
    }

    /** @param list<string> $names */
    private static function unknown(string $text, string $what, array $names): NotAccepted
    {
        $near = array_values(array_filter(
            $names,
            static fn (string $name): bool => str_contains(TypedNames::plain($name), TypedNames::plain($text)),
        ));

        return new NotAccepted(
            'text',
            \count($near) > 1
                ? "\"$text\" could be ".Wording::either(\array_slice($near, 0, 4)).'; write more of it.'
                : "\"$text\" is no $what; there ".
                    (1 === \count($names) ? 'is ' : 'are ').
                    Wording::some($names, 6).
                    '.',
        );
    }
}
