<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Near;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Workings\Arithmetic\Effect;
use KeenMargin\Core\Workings\Arithmetic\GoalEstimate;
use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\ColumnForm;
use KeenMargin\Core\Workings\Result\Display;
use KeenMargin\Core\Workings\Result\LinkedText;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Sentence;
use KeenMargin\Core\Workings\Result\Summary;
use KeenMargin\Core\Workings\Words\RowPhrases;

/** What values on their way to goals say: how far they are, on pace or behind, what is still needed, and by when. */
final readonly class GoalSummary
{
    private const NAMED = 3;

    /** @param list<Row> $items without layers */
    public function __construct(private GoalRows $of, private array $items, private Display $display) {}

    /** @param string $subject what is shown, by name */
    public function write(string $subject): Summary
    {
        $only = 1 === \count($this->items) ? $this->items[0] : null;
        $sentences = null === $only ? $this->several($subject) : $this->one($only, $subject);

        return new Summary(
            null === $only
                ? GoalHeadline::ofSeveral($this->withGoal(), $this->items, $this->of->aim, $subject)
                : GoalHeadline::of($only, $subject, $this->display),
            [],
            array_values(array_filter($sentences)),
        );
    }

    /** @return list<?Sentence> */
    private function one(Row $row, string $subject): array
    {
        $goal = $row->values[GoalNumbers::GOAL] ?? null;
        if (null === $row->shown && !$row->isAbsent()) {
            return [new Sentence("There are no figures of $subject for this question.")];
        }
        if (null === $goal || null === self::percent($row)) {
            $why = 'has '.GoalNumbers::whyNone($goal);

            return [new Sentence("$subject is ", $this->said($row, 'shown'), $this->unit(), " and $why.")];
        }
        if ($row->isLimit) {
            return [$this->used($row, $subject), $this->pace($row), $this->usedUp($row)];
        }
        $isReached = true !== ($row->values[GoalNumbers::REMAINING] ?? null)?->isPositive();

        return [
            new Sentence(
                "$subject has reached ",
                $this->said($row, GoalNumbers::PERCENT),
                ' % of ',
                $this->said($row, GoalNumbers::GOAL),
                $this->unit(),
                ...$isReached
                    ? (true === ($row->values[GoalNumbers::OVER] ?? null)?->isPositive()
                        ? [' and is over by ', $this->said($row, GoalNumbers::OVER), '.']
                        : ['.'])
                    : ['; ', $this->said($row, GoalNumbers::REMAINING), ' are to go.'],
            ),
            $this->pace($row),
            $this->needed($row),
            $this->estimate($row),
        ];
    }

    /** `Fuel has used 40 % of 100 k EUR; 60 are left.` */
    private function used(Row $row, string $subject): Sentence
    {
        $over = $row->values[GoalNumbers::OVER] ?? null;

        return new Sentence(
            "$subject has used ",
            $this->said($row, GoalNumbers::PERCENT),
            ' % of ',
            $this->said($row, GoalNumbers::GOAL),
            $this->unit(),
            ...true === $over?->isPositive()
                ? [' and is over it by ', $this->said($row, GoalNumbers::OVER), '.']
                : ['; ', $this->said($row, GoalNumbers::REMAINING), ' are left.'],
        );
    }

    /** `At this rate … it is used up in October: an estimate.`, where that is before the end of the span. */
    private function usedUp(Row $row): ?Sentence
    {
        $estimate = $row->estimate;
        if (null === $estimate?->reached || !$this->of->contributions->isWithin($estimate->reached)) {
            return null;
        }

        return new Sentence(
            $this->rule($estimate)."it is used up in {$this->period($estimate->reached)}: an estimate.",
        );
    }

    private function pace(Row $row): ?Sentence
    {
        $pace = $row->values[GoalNumbers::PACE] ?? null;
        $variance = $row->variances[GoalNumbers::PACE] ?? null;
        if (null === $pace || null === $variance) {
            return null;
        }
        $closing = PeriodNames::full($this->of->compared->context->closing);
        $size = $this->display->amount($variance->amount->abs());
        $link = new LinkedText($size, $row->key, GoalNumbers::BEHIND, $size, $variance->amount->abs()->toString());

        $isWithin = $row->isLimit && $variance->amount->getSign() < 0;

        return match (true) {
            $isWithin => new Sentence(
                "It is below what may be used by $closing, ", $this->said($row, GoalNumbers::PACE), ", by $size.",
            ),
            $row->isLimit && $variance->amount->getSign() > 0 => new Sentence(
                'It is ', $link, " above what may be used by $closing, ", $this->said($row, GoalNumbers::PACE), '.',
            ),
            default => $this->paced($row, $variance->amount->getSign(), $closing, $link),
        };
    }

    /** @param int $sign of what the value is beyond its pace */
    private function paced(Row $row, int $sign, string $closing, LinkedText $link): Sentence
    {
        return match ($sign) {
            0 => new Sentence("That is just its pace at $closing."),
            1 => new Sentence(
                "It is ahead of its pace at $closing, ", $this->said($row, GoalNumbers::PACE), ", by {$link->text}.",
            ),
            default => new Sentence(
                'It is ', $link, " behind its pace at $closing, ", $this->said($row, GoalNumbers::PACE), '.',
            ),
        };
    }

    private function needed(Row $row): ?Sentence
    {
        if (null === ($row->values[GoalNumbers::NEEDED] ?? null)) {
            return null;
        }
        $grain = $this->of->contributions->grain;
        $left = $this->of->contributions->left;

        return new Sentence(
            'To reach it by the end of the span, ',
            $this->said($row, GoalNumbers::NEEDED),
            "{$this->unit()} a {$grain->value} are needed over the $left ",
            1 === $left ? $grain->value : $grain->plural(),
            ' that are left.',
        );
    }

    /** An estimate with its rule: `At the rate of the last 3 contributions …`. */
    private function estimate(Row $row): ?Sentence
    {
        $estimate = $row->estimate;
        $remaining = $row->values[GoalNumbers::REMAINING] ?? null;
        if (null === $estimate || null === $remaining || $remaining->isZero()) {
            return null;
        }
        $rule = $this->rule($estimate);

        return new Sentence(
            null === $estimate->reached
                ? $rule.'it will not be reached.'
                : $rule."it would be reached in {$this->period($estimate->reached)}: an estimate.",
        );
    }

    /** `At the rate of the last 3 contributions (Jun–Aug 2026, 12 k EUR a month) ` */
    private function rule(GoalEstimate $estimate): string
    {
        $grain = $this->of->contributions->grain;
        $rate = $this->display->amount($estimate->rate);

        return 'At the rate of the last '.
            (1 === $estimate->count ? 'contribution' : "{$estimate->count} contributions").
            ' ('.
            PeriodNames::range($estimate->from, $estimate->to).
            ", $rate{$this->unit()} a {$grain->value}) ";
    }

    private function period(Period $period): string
    {
        return Grain::Month === $period->grain
            ? PeriodNames::spelledOut($period).' '.PeriodNames::year($period)
            : PeriodNames::full($period);
    }

    /** @return list<?Sentence> */
    private function several(string $subject): array
    {
        if ([] === $this->items) {
            return [new Sentence("There are no figures of $subject for this question.")];
        }
        if (true === $this->of->aim?->isTotal) {
            return [$this->shares($subject)];
        }
        $with = $this->withGoal();
        $limits = array_filter($with, static fn (Row $row): bool => $row->isLimit);
        $reached = array_filter($with, GoalHeadline::isReached(...));
        $effect = static fn (Row $row): ?Effect => ($row->variances[GoalNumbers::PACE] ?? null)?->effect;
        $behind = array_values(
            array_filter($with, static fn (Row $row): bool => Effect::Unfavourable === $effect($row)),
        );
        $count = \count($reached);
        $of = \count($with);

        return [
            new Sentence(
                match (true) {
                    [] === $with => "$subject: there is no goal.",
                    [] === $limits => "$subject: $count of $of have reached their goal.",
                    \count($limits) < $of => "$subject: $count of $of have reached their goal or keep to their limit.",
                    default => "$subject: $count of $of keep to their limit.",
                },
            ),
            $this->of->pace->isNone() || [] === $with ? null : $this->behind($behind, $of),
            $this->ends(array_values(array_filter($this->items, static fn (Row $row) => null !== self::percent($row)))),
        ];
    }

    /** @param list<Row> $behind those that are behind their pace, of so many */
    private function behind(array $behind, int $of): Sentence
    {
        if ([] === $behind) {
            return new Sentence($this->areLimits() ? 'None is above its pace.' : 'None is behind its pace.');
        }
        $count = \count($behind);
        $where = $this->areLimits() ? 'above' : 'behind';

        return new Sentence(
            "$count of $of ".(1 === $count ? 'is' : 'are')." $where the pace: ",
            ...[...Sentence::some($this->parts($behind), self::NAMED), '.'],
        );
    }

    /** @param list<Row> $with a goal */
    private function ends(array $with): ?Sentence
    {
        if (\count($with) < 2) {
            return null;
        }
        $ranked = self::ranked($with);

        return new Sentence(
            $this->areLimits() ? 'Most is used of ' : 'Farthest along is ',
            ...$this->parts([$ranked[0]])[0],
            ...[$this->areLimits() ? ', least of ' : ', least far '],
            ...$this->parts([$ranked[\count($ranked) - 1]])[0],
            ...['.'],
        );
    }

    private function areLimits(): bool
    {
        return GoalHeadline::areLimits($this->withGoal());
    }

    /** @return list<Row> all that can be counted and have a goal */
    private function withGoal(): array
    {
        return array_values(array_filter(
            $this->of->counted,
            static fn (Row $row): bool => RowRole::Row === $row->role && null !== self::percent($row),
        ));
    }

    private function shares(string $subject): Sentence
    {
        $ranked = self::ranked(
            array_values(array_filter($this->items, static fn (Row $row): bool => null !== self::percent($row))),
        );

        return [] === $ranked
            ? new Sentence("$subject: the total is nought, so that there are no shares.")
            : new Sentence(
                'Most of it is ',
                ...Sentence::some($this->parts(\array_slice($ranked, 0, self::NAMED)), self::NAMED),
                ...['.'],
            );
    }

    /**
     * @param list<Row> $rows with percentages
     *
     * @return list<Row> the farthest along first
     */
    private static function ranked(array $rows): array
    {
        usort(
            $rows,
            static fn (Row $a, Row $b): int => (self::percent($b) ?? BigDecimal::zero())->compareTo(
                self::percent($a) ?? BigDecimal::zero(),
            ),
        );

        return $rows;
    }

    /**
     * `North (62.5 %)` of each.
     *
     * @param list<Row> $rows
     *
     * @return non-empty-list<list<string|LinkedText>>|array{}
     */
    private function parts(array $rows): array
    {
        return array_map(
            fn (Row $row): array => [
                new LinkedText(null === $row->period ? trim("$row->panel $row->name") : $row->label, $row->key),
                ' (',
                $this->said($row, GoalNumbers::PERCENT),
                ' %)',
            ],
            $rows,
        );
    }

    private static function percent(Row $row): ?BigDecimal
    {
        return $row->values[GoalNumbers::PERCENT] ?? null;
    }

    private function said(Row $row, string $key): LinkedText
    {
        $form = GoalNumbers::PERCENT === $key ? ColumnForm::Rate : ColumnForm::Amount;
        $column = new Column($key, $form, '', '');
        $text =
            GoalNumbers::PERCENT === $key
                ? $this->display->format->plain(self::percent($row), 1)
                : $this->display->told($column, $row);

        return new LinkedText($text, $row->key, $key, $text, RowPhrases::exact($column, $row));
    }

    private function unit(): string
    {
        $unit = $this->display->unitText();

        return '' === $unit ? '' : " $unit";
    }
}
