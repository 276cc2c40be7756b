<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Bridge;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\NetFigures;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Between;
use KeenMargin\Core\Question\Fit\QuestionFit;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\ScenarioBridge;
use KeenMargin\Core\Workings\Waterfall\StepsFit;

/** What a bridge can lead from and to, and by which steps. */
final readonly class BridgeQuestion
{
    private const NO_ENDS = 'Two totals are missing: a second scenario, a second period or a second member.';

    public function __construct(private Dataset $dataset)
    {
    }

    public function lacks(): ?string
    {
        return null === $this->maybeScenarios() ? self::NO_ENDS : null;
    }

    /** From the reference to what is shown, by lines of a statement where there are any, else as the rows are. */
    public function adapted(Question $question): Question
    {
        $lines = NetFigures::maybeLines($this->dataset);
        $shown = \in_array($question->scenario, $this->dataset->scenarios(), true) ? $question->scenario : null;
        $reference = $question->against[0] ?? null;
        $bridge =
            $question->bridge ??
            (null === $shown || null === $reference
                ? $this->maybeScenarios()
                : new ScenarioBridge($reference, $shown));
        $isPeriods = null !== $question->grain();
        $by = match (true) {
            !$isPeriods => $question->by,
            null !== $lines => $lines->name,
            default => $this->dataset->breakdowns[0]->name ?? $question->by,
        };

        return With::of($question, ['bridge' => $bridge, 'by' => $by, 'cumulate' => null, 'landing' => false]);
    }

    /** @throws NotAccepted */
    public function insist(Question $question): void
    {
        $bridge =
            $question->bridge ??
            throw new NotAccepted(
                'question.bridge',
                'A bridge leads from one total to another; give "from" and "to" as scenarios, "fromPeriod" and '.
                    '"toPeriod", or "field", "first" and "second".',
            );
        if ($bridge instanceof Between) {
            $this->members($question, $bridge);
        }
        StepsFit::insist($question, $this->dataset, true);
    }

    /** @throws NotAccepted */
    private function members(Question $question, Between $between): void
    {
        $breakdown = QuestionFit::breakdown($between->field, $this->dataset, 'question.bridge.field');
        foreach (['first' => $between->first, 'second' => $between->second] as $side => $member) {
            QuestionFit::refuseIf(
                !\in_array($member, $breakdown->members, true),
                "question.bridge.$side",
                "{$breakdown->name} has no \"$member\"; it has ".Wording::some($breakdown->members, 8).'.',
            );
        }
        foreach (['by' => $question->breakdown(), 'each' => $question->each] as $key => $taken) {
            QuestionFit::refuseIf(
                $between->field === $taken,
                "question.$key",
                "The bridge leads between members of {$between->field}; take another breakdown here.",
            );
        }
    }

    private function maybeScenarios(): ?ScenarioBridge
    {
        $there = $this->dataset->scenarios();
        $to = \in_array(Scenario::Actual, $there, true) ? Scenario::Actual : $there[0] ?? null;
        foreach ([Scenario::Budget, Scenario::PriorYear, Scenario::Target, ...$there] as $from) {
            if (null !== $to && $from !== $to && \in_array($from, $there, true)) {
                return new ScenarioBridge($from, $to);
            }
        }

        return null;
    }
}
