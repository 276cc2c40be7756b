<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Hat;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Question\Fit\QuestionFit;
use KeenMargin\Core\Question\Part\Between;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Time\Grain;

/** Which two members a hat graph compares. */
final readonly class HatQuestion
{
    public function __construct(private Dataset $dataset) {}

    public function lacks(): ?string
    {
        return match (true) {
            $this->dataset->isTimeless() && [] === $this->dataset->breakdowns => 'The figures have no periods.',
            null === $this->maybeBetween(null) => 'A breakdown with two members is missing.',
            default => null,
        };
    }

    /**
     * The two members that the question names.
     *
     * @throws NotAccepted where it names none, or members that the dataset does not have
     */
    public function between(Question $question): Between
    {
        $between =
            $question->between ??
            throw new NotAccepted(
                'question.between',
                'A hat graph holds two members of a breakdown against each other; give "field", "first" and "second".',
            );
        $breakdown = QuestionFit::breakdown($between->field, $this->dataset, 'question.between.field');
        foreach (['first' => $between->first, 'second' => $between->second] as $side => $member) {
            QuestionFit::refuseIf(
                !\in_array($member, $breakdown->members, true),
                "question.between.$side",
                "{$breakdown->name} has no \"$member\"; it has ".Wording::some($breakdown->members, 8).'.',
            );
        }
        QuestionFit::refuseIf(
            $between->field === $question->breakdown(),
            'question.by',
            "The two sides are members of {$between->field}; the rows must be periods or members of another breakdown.",
        );
        QuestionFit::refuseIf(
            $between->field === $question->each,
            'question.each',
            "The two sides are members of {$between->field}; take another breakdown for the charts.",
        );

        return $between;
    }

    /** With two members, and rows that are of another breakdown or periods. */
    public function adapted(Question $question): Question
    {
        $between = $question->between ?? $this->maybeBetween($question->breakdown());
        if (null === $between || $between->field !== $question->breakdown()) {
            return $question->asking(between: $between);
        }
        foreach ($this->dataset->breakdowns as $breakdown) {
            if ($breakdown->name !== $between->field) {
                return $question->asking(by: $breakdown->name, between: $between);
            }
        }

        return $question->asking(
            by: Grain::Day === $this->dataset->grain ? Grain::Month : $this->dataset->grain,
            between: $between,
        );
    }

    /** @param ?string $by the breakdown that rows are of, which the two had better not be members of */
    private function maybeBetween(?string $by): ?Between
    {
        $able = array_values(array_filter(
            $this->dataset->breakdowns,
            static fn (Breakdown $one): bool => \count(self::leaves($one)) > 1,
        ));
        // Of a list without periods the rows have to be another breakdown.
        if ($this->dataset->isTimeless() && \count($this->dataset->breakdowns) < 2) {
            return null;
        }
        usort(
            $able,
            static fn (Breakdown $a, Breakdown $b): int => [$a->name === $by, \count(self::leaves($a))] <=> [
                $b->name === $by, \count(self::leaves($b)),
            ],
        );
        $leaves = [] === $able ? [] : self::leaves($able[0]);

        return [] === $able ? null : new Between($able[0]->name, $leaves[0], $leaves[1]);
    }

    /** @return list<string> members that hold no others */
    private static function leaves(Breakdown $breakdown): array
    {
        return array_values(array_diff($breakdown->members, $breakdown->groups()));
    }
}
