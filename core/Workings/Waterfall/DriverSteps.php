<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Question\Part\SumKey;
use KeenMargin\Core\Question\Waterfall\Drivers;
use KeenMargin\Core\Workings\Arithmetic\Amounts;
use KeenMargin\Core\Workings\Arithmetic\Effect;
use KeenMargin\Core\Workings\Result\RowRole;

/** The steps of a driver bridge: volume, mix, rate, currency, new and gone, each of which opens into its members. */
final readonly class DriverSteps
{
    private Measure $volume;
    private ?Measure $currency;

    public function __construct(private WaterfallScope $of, private Drivers $drivers, private Breakdown $breakdown)
    {
        $dataset = $of->scope->dataset;
        $this->volume = $dataset->maybeMeasure($drivers->volume) ?? throw new \LogicException('There is no volume.');
        $this->currency = null === $drivers->currency ? null : $dataset->maybeMeasure($drivers->currency);
    }

    /**
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return list<Step>
     */
    public function of(Leg $leg, array $where): array
    {
        $figures = $this->figures($leg, $where);
        $split = DriverSplit::of($figures, $this->of->measure->decimals);
        $effects = [
            'volume' => array_map(static fn (DriverEffects $one): BigDecimal => $one->volume, $split->both),
            'mix' => array_map(static fn (DriverEffects $one): BigDecimal => $one->mix, $split->both),
            'rate' => array_map(static fn (DriverEffects $one): BigDecimal => $one->rate, $split->both),
            'currency' => array_map(static fn (DriverEffects $one): BigDecimal => $one->currency, $split->both),
            'new' => $split->new,
            'gone' => $split->gone,
        ];
        $steps = [];
        foreach ($effects as $driver => $changes) {
            $isThere = match ($driver) {
                'currency' => null !== $this->currency,
                'new', 'gone' => [] !== $changes,
                default => true,
            };
            if ($isThere) {
                $steps[] = $this->step(SumKey::from($driver), $changes, $figures, $leg, $where);
            }
        }

        return $steps;
    }

    /** `Volume`, `Price` */
    private function name(SumKey $driver): string
    {
        return match ($driver) {
            SumKey::Rate => null === $this->currency ? 'Rate' : 'Price',
            default => ucfirst($driver->value),
        };
    }

    /**
     * @param array<string|int, BigDecimal> $changes by member
     * @param array<string|int, DriverFigures> $figures by member
     * @param list<MemberFilter|NumberFilter> $where
     */
    private function step(SumKey $driver, array $changes, array $figures, Leg $leg, array $where): Step
    {
        $key = RowKey::sum($driver)->onLeg($leg->place);
        $role = match ($driver) {
            SumKey::New => RowRole::New,
            SumKey::Gone => RowRole::Gone,
            default => RowRole::Step,
        };
        $own = array_intersect_key($figures, $changes);
        $exact = ExactNumber::sum($changes);
        $step = new Step(
            key: $key,
            label: $this->name($driver),
            name: $this->name($driver),
            exact: $exact,
            role: $role,
            values: $this->together($own),
            effect: Effect::of($exact, $this->of->better),
            where: $where,
            fine: $leg->fine(),
        );
        $isOpened = false;
        foreach ($this->of->scope->question->opened as $opened) {
            $isOpened = $isOpened || $opened->step->is($key);
        }

        return $isOpened ? $step->opened($this->members($step, $changes, $own, $where)) : $step;
    }

    /**
     * @param array<string|int, BigDecimal> $changes by member
     * @param array<string|int, DriverFigures> $figures by member
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return list<Step>
     */
    private function members(Step $driver, array $changes, array $figures, array $where): array
    {
        $steps = [];
        foreach ($changes as $member => $change) {
            $member = (string) $member;
            $label = '' === $member ? '(blank)' : $member;
            $step = new Step(
                key: RowKey::row($member)->onLeg($driver->key->leg),
                label: $label,
                name: $label,
                exact: $change,
                role: $driver->role,
                values: $this->together([$figures[$member]]),
                effect: Effect::of($change, $this->of->better),
                where: [...$where, new MemberFilter($this->breakdown->name, [$member])],
                fine: $driver->fine,
            );
            $steps[] = $step->within($driver);
        }

        return $steps;
    }

    /**
     * Volumes and values of several members.
     *
     * @param array<string|int, DriverFigures> $figures
     *
     * @return array<string, BigDecimal>
     */
    private function together(array $figures): array
    {
        $sums = array_fill_keys(['volume first', 'volume second', 'first', 'second'], BigDecimal::zero());
        foreach ($figures as $one) {
            $sums['volume first'] = $sums['volume first']->plus($one->volume0);
            $sums['volume second'] = $sums['volume second']->plus($one->volume1);
            $sums['first'] = $sums['first']->plus($one->value0);
            $sums['second'] = $sums['second']->plus($one->value1);
        }

        return $sums;
    }

    /**
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return array<string|int, DriverFigures> by member, of those with any figure
     */
    private function figures(Leg $leg, array $where): array
    {
        $firsts = $this->byMember($leg->first, $where);
        $seconds = $leg->first->where === $leg->second->where ? $firsts : $this->byMember($leg->second, $where);
        $figures = [];
        foreach ($this->breakdown->asTree() as $member) {
            [$first, $second] = [$firsts[$member] ?? null, $seconds[$member] ?? null];
            $volumes = [
                $this->amount($this->volume, $leg->first, $first), $this->amount($this->volume, $leg->second, $second),
            ];
            $values = [
                $this->amount($this->of->measure, $leg->first, $first),
                $this->amount($this->of->measure, $leg->second, $second),
            ];
            if ([] === array_filter([...$volumes, ...$values])) {
                continue;
            }
            $figures[$member] = new DriverFigures(
                volume0: $volumes[0] ?? BigDecimal::zero(),
                volume1: $volumes[1] ?? BigDecimal::zero(),
                value0: $values[0] ?? BigDecimal::zero(),
                value1: $values[1] ?? BigDecimal::zero(),
                rate0: $this->rate($leg->first, $first),
                rate1: $this->rate($leg->second, $second),
            );
        }

        return $figures;
    }

    private function amount(Measure $measure, BridgeSide $side, ?Sums $sums): ?BigDecimal
    {
        return $sums?->added($measure->name, $side->periods->starts);
    }

    private function rate(BridgeSide $side, ?Sums $sums): BigDecimal|Fraction|null
    {
        return null === $this->currency || null === $sums
            ? null
            : (new Amounts($this->currency, $this->of->coverage))->together($side->periods, $sums);
    }

    /**
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return array<string|int, Sums>
     */
    private function byMember(BridgeSide $side, array $where): array
    {
        $measures = [$this->of->measure->name, $this->volume->name, ...array_filter([$this->currency?->name])];

        return $this->of->figures->sumsBy(
            $this->breakdown->name,
            $measures,
            [...$where, ...$side->where],
            $this->of->scenarios(),
        );
    }
}
