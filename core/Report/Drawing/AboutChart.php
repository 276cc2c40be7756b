<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Drawing;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Fit\RecipeFit;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\Table\TableColumn;
use KeenMargin\Core\Question\Waterfall\ScenarioBridge;
use KeenMargin\Core\Report\About;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\Span;

/** Puts what a page is about over the question of a chart, as far as its figures can follow. */
final class AboutChart
{
    /** @var list<string> */
    private array $cannot = [];

    private function __construct(private Recipe $recipe, private readonly Dataset $dataset) {}

    /**
     * @param ?Period $closedThrough of the report; null: that of the chart or its dataset
     */
    public static function of(Recipe $recipe, Dataset $dataset, About $about, ?Period $closedThrough): self
    {
        $chart = new self($recipe, $dataset);
        if (null !== $closedThrough && !$dataset->isTimeless()) {
            $chart->recipe = $recipe->asking(With::of($recipe->question, ['closedThrough' => $closedThrough]));
        }
        foreach ($about->where as $filter) {
            $chart->filter($filter);
        }
        if (null !== $about->span) {
            $chart->take(
                With::of($chart->recipe->question, ['span' => $chart->spanOf($about->span)]),
                $dataset->isTimeless() ? 'It has no periods.' : null,
                'Its span stays its own.',
            );
        }
        if ([] !== $about->against) {
            $chart->references($about->against);
        }

        return $chart;
    }

    /** As it is asked on the page. */
    public function recipe(): Recipe
    {
        return $this->recipe;
    }

    /** @return list<string> what of the page it cannot follow, as sentences */
    public function cannot(): array
    {
        return $this->cannot;
    }

    /**
     * Members are compared as far as the books are closed, where nothing stands for the periods after it: a budget of
     * the whole year would dwarf the actual of a part of it. Kinds that need the whole span (a goal) keep it.
     */
    private function spanOf(Span $span): Span
    {
        $question = $this->recipe->question;
        $isOverTime = null !== $question->grain();
        $needsAll = $this->recipe->kind->rows($question)->canBeWhole;
        if ($isOverTime || $needsAll || null !== $question->forecast || $this->dataset->isTimeless()) {
            return $span;
        }
        $closing = $question->closedThrough ?? $this->dataset->closing();
        $range = $span->resolve($closing, $this->dataset->calendar, $this->dataset->range());
        if ($range->lastDay <= $closing->lastDay() || $range->firstDay > $closing->lastDay()) {
            return $span;
        }
        $first = Period::ofStart(Grain::Day, $range->firstDay)->group($closing->grain, $this->dataset->calendar);

        return Span::between($first, $closing);
    }

    private function filter(MemberFilter $filter): void
    {
        $breakdown = $this->dataset->maybeBreakdown($filter->breakdown);
        if (null === $breakdown) {
            $this->cannot[] = "It has no {$filter->breakdown}, and shows all.";

            return;
        }
        $known = array_values(array_intersect($filter->members, $breakdown->members));
        $unknown = array_values(array_diff($filter->members, $known));
        if ([] === $known && $filter->keeps) {
            $this->cannot[] = "Its {$filter->breakdown} has no ".Wording::some($unknown, 3).', and shows all.';

            return;
        }
        if ([] !== $unknown && $filter->keeps) {
            $this->cannot[] = "Its {$filter->breakdown} has no ".Wording::some($unknown, 3).'.';
        }
        $others = array_values(array_filter(
            $this->recipe->question->where,
            static fn (MemberFilter|NumberFilter $own): bool => $own instanceof NumberFilter
                || $own->breakdown !== $filter->breakdown,
        ));
        $where = [] === $known ? $others : [...$others, new MemberFilter($breakdown->name, $known, $filter->keeps)];
        $this->take(
            With::of($this->recipe->question, ['where' => $where]), null, "Its {$filter->breakdown} stays its own.",
        );
    }

    /** @param list<Scenario> $against */
    private function references(array $against): void
    {
        $question = $this->recipe->question;
        $own = $question->scenario;
        $has = $this->dataset->scenarios();
        $known = array_values(
            array_filter($against, static fn (Scenario $one): bool => $one !== $own && \in_array($one, $has, true)),
        );
        $unknown = array_values(
            array_filter($against, static fn (Scenario $one): bool => !\in_array($one, $has, true)),
        );
        if ([] !== $unknown) {
            $words = array_map(static fn (Scenario $one): string => $one->word(), $unknown);
            $this->cannot[] = 'It has no '.Wording::either($words).'.';
        }
        $bridge = $question->bridge;
        if ([] === $known || ([] === $question->against && !$bridge instanceof ScenarioBridge)) {
            return;
        }
        if ([] !== $question->columns) {
            $compared = array_map(static fn (TableColumn $column): ?Scenario => $column->scenario, $question->columns);
            foreach ($compared as $one) {
                if (null !== $one && $one !== $own && !\in_array($one, $known, true)) {
                    $this->cannot[] = 'Its columns stay its own.';
                    break;
                }
            }

            return;
        }
        $this->take(
            With::of($question, [
                'against' => $known,
                ...$bridge instanceof ScenarioBridge && $bridge->to !== $known[0]
                    ? ['bridge' => With::of($bridge, ['from' => $known[0]])]
                    : [],
            ]),
            null,
            'Its references stay its own.',
        );
    }

    /**
     * Takes a question where the figures can answer it, else says why not.
     *
     * @param ?string $refusal that is known before; null: none
     */
    private function take(Question $question, ?string $refusal, string $stays): void
    {
        $asked = $this->recipe->asking($question);
        try {
            RecipeFit::insist($asked, $this->dataset);
        } catch (NotAccepted $e) {
            $refusal ??= "$e->reason $stays";
        }
        if (null === $refusal) {
            $this->recipe = $asked;
        } else {
            $this->cannot[] = $refusal;
        }
    }
}
