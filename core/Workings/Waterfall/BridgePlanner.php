<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Part\Between;
use KeenMargin\Core\Question\Waterfall\ScenarioBridge;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\Arithmetic\Comparison;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Checks\OpenMonthChecks;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Words\PeriodsOfRows;

/** Plans bridges between scenarios and between members: both sides are of the same periods. */
final readonly class BridgePlanner
{
    public function __construct(private WaterfallScope $of) {}

    /** From one scenario to another, by those between. Only periods that all of them cover are compared. */
    public function scenarios(ScenarioBridge $bridge): BridgePlan
    {
        $stations = $bridge->stations();
        $comparisons = array_map(
            fn (Scenario $scenario, int $i): Comparison => $this->comparison($scenario, [$stations[$i]]),
            \array_slice($stations, 1),
            array_keys(\array_slice($stations, 1)),
        );
        [$fine, $checks] = $this->compared($stations, $comparisons);
        $leg = function (Comparison $comparison, int $i) use ($stations, $fine): Leg {
            $sides = static function (FinePeriods $fine) use ($comparison, $stations, $i): LegSides {
                $pair = $comparison->plan($fine)->pair($stations[$i]);

                return new LegSides(new BridgeSide($pair->reference, $fine), new BridgeSide($pair->shown, $fine));
            };

            $isPartForecast = $comparison->plan($fine)->forecast()->periods > 0;

            return $this->leg(
                max(0, $i),
                $this->end($stations[$i]),
                $isPartForecast ? $this->withForecast($stations[$i + 1]) : $this->end($stations[$i + 1]),
                $fine,
                $sides,
            );
        };
        $legs = array_map($leg, $comparisons, array_keys($comparisons));
        $words = array_map(static fn (Scenario $one): string => $one->value, $stations);

        return new BridgePlan(
            $legs,
            $checks,
            'from '.implode(' to ', [$words[0], implode(' to ', \array_slice($words, 1))]),
            proRata: $this->openMonth($stations)->subtitle($stations),
        );
    }

    /** From one member to another, of what is shown. */
    public function members(Between $between): BridgePlan
    {
        $comparison = $this->comparison($this->of->scope->question->scenario, []);
        $fine = $this->of->scope->fine;
        $only = static fn (string $member): array => [new MemberFilter($between->field, [$member])];
        $sides = static function (FinePeriods $fine) use ($comparison, $between, $only): LegSides {
            $pair = $comparison->plan($fine)->withinShown();

            return new LegSides(
                new BridgeSide($pair->reference, $fine, $only($between->first)),
                new BridgeSide($pair->shown, $fine, $only($between->second)),
            );
        };
        $end = fn (string $member): BridgeEnd => new BridgeEnd(
            '' === $member ? '(blank)' : $member,
            '' === $member ? '(blank)' : $member,
            $this->shownBy($comparison, $fine),
        );
        $leg = $this->leg(0, $end($between->first), $end($between->second), $fine, $sides);

        return new BridgePlan([$leg], [], "from {$leg->from->name} to {$leg->to->name}");
    }

    /** @param list<Scenario> $against */
    private function comparison(Scenario $scenario, array $against): Comparison
    {
        $question = $this->of->scope->question;

        return new Comparison(
            measure: $this->of->measure,
            coverage: $this->of->coverage,
            scenario: $scenario,
            forecast: Scenario::Actual === $scenario ? $question->forecast : null,
            against: $against,
            closing: $this->of->scope->closing,
            flag: $question->flag,
        );
    }

    private function shownBy(Comparison $comparison, FinePeriods $fine): Scenario
    {
        return $comparison->plannedScenario($fine) ?? $this->of->scope->question->scenario;
    }

    private function end(Scenario $scenario): BridgeEnd
    {
        return new BridgeEnd($scenario->value, $scenario->word(), $scenario);
    }

    private function withForecast(Scenario $scenario): BridgeEnd
    {
        $forecast = Scenario::Forecast;

        return new BridgeEnd("{$scenario->value}/{$forecast->value}", "{$scenario->word()} and forecast", $forecast);
    }

    /**
     * The periods that all scenarios cover, and what is said of the others.
     *
     * @param non-empty-list<Scenario> $stations
     * @param list<Comparison> $comparisons
     *
     * @return array{FinePeriods, list<Check>}
     */
    private function compared(array $stations, array $comparisons): array
    {
        $fine = $this->withoutUncut($stations);
        $leftOut = [];
        foreach ($comparisons as $i => $comparison) {
            $pair = $comparison->plan($fine)->pair($stations[$i]);
            foreach ($pair->leftOut->all() as $period) {
                $leftOut[$period->start] = $period;
            }
            $fine = new FinePeriods($pair->periods);
        }
        // A leg may leave out what one before it had kept.
        $kept = $fine;
        ksort($leftOut);

        return [$kept, $this->checks($stations, $comparisons, $kept, array_values($leftOut))];
    }

    /**
     * All periods of the question; of several totals without the month that is not over where one of them knows the
     * whole month only, as also a leg between plans would count it.
     *
     * @param non-empty-list<Scenario> $stations
     */
    private function withoutUncut(array $stations): FinePeriods
    {
        $fine = $this->of->scope->fine;
        if (\count($stations) < 3 || !\in_array(Scenario::Actual, $stations, true)) {
            return $fine;
        }
        $actual = $this->comparison(Scenario::Actual, []);
        foreach ($stations as $station) {
            $fine = $fine->only(static fn (Period $period): bool => !$actual->isUncut($station, $period));
        }

        return $fine;
    }

    /**
     * What is said of a month that is not over.
     *
     * @param non-empty-list<Scenario> $stations
     */
    private function openMonth(array $stations): OpenMonthChecks
    {
        $isActual = \in_array(Scenario::Actual, $stations, true);

        return new OpenMonthChecks($this->of->scope, $this->comparison(
            $isActual ? Scenario::Actual : $stations[0],
            [],
        ));
    }

    /**
     * @param non-empty-list<Scenario> $stations
     * @param list<Comparison> $comparisons
     * @param list<Period> $leftOut
     *
     * @return list<Check>
     */
    private function checks(array $stations, array $comparisons, FinePeriods $kept, array $leftOut): array
    {
        return [
            ...$this->openMonth($stations)->of($stations),
            ...$this->leftOut($stations, $comparisons, $kept, $leftOut),
        ];
    }

    /**
     * @param non-empty-list<Scenario> $stations
     * @param list<Comparison> $comparisons
     * @param list<Period> $leftOut
     *
     * @return list<Check>
     */
    private function leftOut(array $stations, array $comparisons, FinePeriods $kept, array $leftOut): array
    {
        $names = new PeriodsOfRows($this->of->scope);
        if ($kept->isEmpty()) {
            $words = array_map(static fn (Scenario $one): string => $one->word(), $stations);

            return [new Check('left-out', false, 'No period has figures of both: '.implode(', ', $words))];
        }
        if ([] === $leftOut) {
            return [];
        }
        if (1 === \count($comparisons)) {
            $pair = $comparisons[0]->plan($this->of->scope->fine)->pair($stations[0]);
            $shown = null === $this->of->scope->question->forecast ? $stations[1]->word() : 'actual or forecast';
            $others = $comparisons[0]->leftOutBesidesOpenMonth($stations[0], $pair->leftOut);
            if ($others->isEmpty()) {
                return [];
            }
            $says = $names->leftOut($others, $shown, $stations[0]->word());
        } else {
            $says = $names->names($leftOut).': not in all of the scenarios';
        }

        return [new Check('left-out', false, "$says, so not compared")];
    }

    /**
     * @param non-negative-int $place
     * @param \Closure(FinePeriods): LegSides $sides of some of its periods
     */
    private function leg(int $place, BridgeEnd $from, BridgeEnd $to, FinePeriods $fine, \Closure $sides): Leg
    {
        $whole = $sides($fine);
        $parts = function (Grain $by) use ($fine, $sides): array {
            $parts = [];
            foreach ($this->grouped($fine, $by) as $part) {
                $own = $sides($part->fine);
                $parts[] = new LegPart($part->period, $own->first, $own->second);
            }

            return $parts;
        };

        return new Leg(
            place: $place, from: $from, to: $to, first: $whole->first, second: $whole->second, parts: $parts,
        );
    }

    /** @return list<PeriodOfFine> */
    private function grouped(FinePeriods $fine, Grain $by): array
    {
        return PeriodOfFine::all($fine, $by, $this->of->scope->dataset->calendar);
    }
}
