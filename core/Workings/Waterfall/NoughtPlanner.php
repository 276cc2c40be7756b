<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Workings\Arithmetic\Comparison;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Arithmetic\ScenarioPeriods;
use KeenMargin\Core\Workings\Checks\OpenMonthChecks;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Words\PeriodsOfRows;

/** Plans waterfalls that start from nought: of what is shown, and of each reference over the same periods. */
final readonly class NoughtPlanner
{
    private Comparison $comparison;
    private FinePeriods $fine;

    public function __construct(private WaterfallScope $of)
    {
        $question = $of->scope->question;
        $this->comparison = $of->comparison($question->against);
        $fine = $of->scope->fine;
        foreach ($question->against as $reference) {
            $fine = new FinePeriods($this->comparison->plan($fine)->pair($reference)->periods);
        }
        $this->fine = $fine;
    }

    /** Of what is shown. */
    public function shown(string $endName): Leg
    {
        $end = new BridgeEnd(
            $endName,
            $endName,
            $this->comparison->plannedScenario($this->fine) ?? $this->of->scope->question->scenario,
        );

        return $this->leg($end, fn (FinePeriods $fine): ScenarioPeriods => $this->comparison->plan($fine)->shown());
    }

    public function reference(Scenario $reference, string $endName): Leg
    {
        return $this->leg(
            new BridgeEnd($endName, $reference->word(), $reference),
            fn (FinePeriods $fine): ScenarioPeriods => $this->comparison->plan($fine)->pair($reference)->reference,
        );
    }

    /** @return list<Check> about periods without figures, and those that only one side has */
    public function checks(): array
    {
        $question = $this->of->scope->question;
        $names = new PeriodsOfRows($this->of->scope);
        if ([] === $question->against) {
            $shown = $this->fine->only($this->comparison->shows(...));
            $last = $shown->last();
            $missing = $this->fine
                ->without($shown)
                ->only(static fn ($period): bool => null !== $last && $last->isAfter($period));

            $closed = (new OpenMonthChecks($this->of->scope, $this->comparison))->of([]);

            return $missing->isEmpty()
                ? $closed
                : [
                    ...$closed,
                    new Check('none-missing', false, 'There are no figures of '.$names->names($missing->list)),
                ];
        }
        $checks = (new OpenMonthChecks($this->of->scope, $this->comparison))->of($question->against);
        $isShown = null === $question->forecast ? $question->scenario->word() : 'actual or forecast';
        foreach ($question->against as $reference) {
            $leftOut = $this->comparison->leftOutBesidesOpenMonth(
                $reference, $this->comparison->plan($this->of->scope->fine)->pair($reference)->leftOut,
            );
            if (!$leftOut->isEmpty()) {
                $says = $names->leftOut($leftOut, $isShown, $reference->word());
                $checks[] = new Check('left-out-'.strtolower($reference->value), false, "$says, so left out");
            }
        }

        return $checks;
    }

    /** @param \Closure(FinePeriods): ScenarioPeriods $side */
    private function leg(BridgeEnd $end, \Closure $side): Leg
    {
        $nothing = new BridgeSide(new ScenarioPeriods(), new FinePeriods([]));
        $fine = $this->fine;
        $calendar = $this->of->scope->dataset->calendar;

        return new Leg(
            place: 0,
            from: $end,
            to: $end,
            first: $nothing,
            second: new BridgeSide($side($fine), $fine),
            parts: static fn (Grain $by): array => array_map(
                static fn (PeriodOfFine $part): LegPart => new LegPart(
                    $part->period, $nothing, new BridgeSide($side($part->fine), $part->fine),
                ),
                PeriodOfFine::all($fine, $by, $calendar),
            ),
        );
    }
}
