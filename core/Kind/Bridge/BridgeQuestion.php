<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Bridge;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\NetFigures;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\DriverGuess;
use KeenMargin\Core\Question\Fit\QuestionFit;
use KeenMargin\Core\Question\GivenList;
use KeenMargin\Core\Question\Part\Between;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\Waterfall\BalanceBridge;
use KeenMargin\Core\Question\Waterfall\Drivers;
use KeenMargin\Core\Question\Waterfall\ScenarioBridge;
use KeenMargin\Core\Workings\Waterfall\StepsFit;

/** What a bridge can lead from and to, and by which steps. */
final readonly class BridgeQuestion
{
    private const NO_ENDS = 'Two totals are missing: a second scenario, a second period or a second member.';

    public function __construct(private Dataset $dataset) {}

    public function lacks(): ?string
    {
        $hasEnds = null !== $this->maybeScenarios() || null !== GivenList::maybe($this->dataset);

        return $hasEnds ? null : self::NO_ENDS;
    }

    /** From the reference to what is shown, by lines of a statement where there are any, else as the rows are. */
    public function adapted(Question $question): Question
    {
        $lines = NetFigures::maybeLines($this->dataset);
        $shown = \in_array($question->scenario, $this->dataset->scenarios(), true) ? $question->scenario : null;
        $reference = $question->against[0] ?? null;
        $bridge =
            $question->bridge ??
            (null !== GivenList::maybe($this->dataset, $question->roles)
                ? null
                : (null === $shown || null === $reference
                    ? $this->maybeScenarios()
                    : new ScenarioBridge($reference, $shown)));
        $isPeriods = null !== $question->grain();
        $by = match (true) {
            !$isPeriods => $question->by,
            null !== $lines => $lines->name,
            default => $this->dataset->breakdowns[0]->name ?? $question->by,
        };

        // Drivers and the steps of a ratio are made of whole figures.
        $takesParts = null === $question->drivers && !StepsFit::measure($question, $this->dataset)->isRatio();

        return With::of($question, [
            'bridge' => $bridge,
            'by' => $by,
            'cumulate' => null,
            'landing' => false,
            'isProRata' => $question->isProRata && $takesParts,
        ]);
    }

    /** @throws NotAccepted */
    public function insist(Question $question): void
    {
        if (null === $question->bridge && null !== GivenList::maybe($this->dataset, $question->roles)) {
            StepsFit::insist($question, $this->dataset, true);

            return;
        }
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
        if ($bridge instanceof BalanceBridge && null !== $bridge->balance) {
            $this->balance($bridge->balance);
        }
        StepsFit::insist($question, $this->dataset, true);
        null === $question->drivers || $this->drivers($question, $question->drivers);
    }

    /** @throws NotAccepted */
    private function balance(string $name): void
    {
        $measure =
            $this->dataset->maybeMeasure($name) ??
            throw new NotAccepted('question.bridge.balance', "There is no measure \"$name\".");
        QuestionFit::refuseIf(
            Grouping::Last !== $measure->grouping,
            'question.bridge.balance',
            "$name is not taken as the last of its periods, so that it is no balance; say so in the settings.",
        );
    }

    /**
     * Measures that a value is the product of.
     *
     * @throws NotAccepted
     */
    private function drivers(Question $question, Drivers $drivers): void
    {
        $asked = ['volume' => $drivers->volume, 'value' => $drivers->value, 'currency' => (string) $drivers->currency];
        foreach (array_filter($asked, static fn (string $name): bool => '' !== $name) as $part => $name) {
            $measure =
                $this->dataset->maybeMeasure($name) ??
                throw new NotAccepted("question.drivers.$part", "There is no measure \"$name\".");
            QuestionFit::refuseIf(
                'currency' !== $part && !DriverGuess::isAdded($measure),
                "question.drivers.$part",
                "$name is not added up, so that it cannot be a volume or a value; take another measure.",
            );
        }
        QuestionFit::refuseIf(
            $drivers->volume === $drivers->value,
            'question.drivers.volume',
            'Volume and value must be two measures; take another one.',
        );
        QuestionFit::refuseIf(
            StepsFit::measure($question, $this->dataset)->name !== $drivers->value,
            'question.measure',
            "The drivers are those of {$drivers->value}; ask about that.",
        );
        QuestionFit::refuseIf(
            null === $question->breakdown(),
            'question.by',
            'Mix and rate are told by the members of a breakdown; ask by one.',
        );
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
