<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\GapLine;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\GapBar;
use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Chart\Tier\StandsOnAxis;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Question\Finish\Labels;
use KeenMargin\Core\Question\Finish\VarianceForm;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Arithmetic\Variance;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/**
 * Values and reference as lines over periods, a thin bar between the two at each. Lines stop where a value is missing.
 */
final readonly class LineTier implements Tier
{
    use StandsOnAxis;

    private const BAR = 5.0;
    private const NAME = 14.0;
    /** Bands narrower than this leave room for the largest gaps only. */
    private const NARROW = 30.0;

    /** @param list<Row> $rows */
    public function __construct(private Workings $workings, private array $rows, private VarianceForm $form) {}

    public function extent(): Extent
    {
        return Extent::of(array_merge(
            [],
            ...array_map(
                fn (Row $row): array => [$row->shown, $row->value($this->workings->table->reference())],
                $this->rows,
            ),
        ));
    }

    public function labelWidths(): LabelWidths
    {
        return LabelWidths::of(array_map(
            fn (Row $row): array => [$row->shown, $this->workings->context->display->amount($row->shown)],
            $this->rows,
        ));
    }

    public function draw(Stage $stage): void
    {
        $reference = $this->workings->table->reference();
        foreach ($this->rows as $i => $row) {
            $variance = $row->variance($reference);
            if (null !== $variance) {
                GapBar::draw(
                    stage: $stage,
                    display: $this->workings->context->display,
                    row: $row,
                    variance: $variance,
                    across: $stage->axis->centre($i),
                    thickness: min(self::BAR, 0.5 * $stage->axis->band),
                    reference: $reference->key ?? '',
                );
            }
        }
        if (null !== $reference) {
            $ink = Scenario::PriorYear === $reference->scenario ? Ink::PriorYear : Ink::Quiet;
            $this->line(
                stage: $stage,
                amount: static fn (Row $row): ?BigDecimal => $row->value($reference),
                ink: $ink,
                thickness: 1.4,
                role: 'reference-line-through',
                of: $reference->key,
            );
        }
        $this->line(
            stage: $stage,
            amount: static fn (Row $row): ?BigDecimal => $row->shown,
            ink: Ink::Ink,
            thickness: 2.2,
            role: 'value-line',
            of: 'shown',
        );
        $stage->nought();
        $this->points($stage);
        $this->labels($stage, $reference);
    }

    /** @param callable(Row): ?BigDecimal $amount */
    private function line(Stage $stage, callable $amount, Ink $ink, float $thickness, string $role, string $of): void
    {
        $run = [];
        foreach ([...$this->rows, null] as $i => $row) {
            $value = null === $row ? null : $amount($row);
            if (null !== $value) {
                $run[] = [$stage->axis->centre($i), $stage->scale->at($value)];
                continue;
            }
            if (\count($run) > 1) {
                $stage->canvas->addBehind(
                    'lines',
                    $path = $stage->orientation->path(
                        points: $run, fill: null, stroke: $ink, thickness: $thickness, role: $role, key: null, of: $of,
                    ),
                );
                $stage->canvas->takeAlong($path->points);
            }
            $run = [];
        }
    }

    /** Actual points are solid, those of a forecast open; of many periods only the ends bear one. */
    private function points(Stage $stage): void
    {
        $isMany = $stage->axis->band < 16.0;
        $last = array_key_last(array_filter($this->rows, static fn (Row $row): bool => null !== $row->shown));
        foreach ($this->rows as $i => $row) {
            $isLone = null === ($this->rows[$i - 1] ?? null)?->shown && null === ($this->rows[$i + 1] ?? null)?->shown;
            if (
                null === $row->shown
                || ($isMany && $i !== $last && !$isLone && Scenario::Forecast !== $row->shownScenario)
            ) {
                continue;
            }
            [$x, $y] = $stage->orientation->point($stage->axis->centre($i), $stage->scale->at($row->shown));
            $radius = $isMany ? 2.2 : 3.2;
            $stage->canvas->add(
                'points',
                new Circle(
                    x: $x,
                    y: $y,
                    radius: $radius,
                    fill: Scenario::Forecast === $row->shownScenario ? Ink::Panel->value : Ink::Ink->value,
                    stroke: Ink::Ink->value,
                    thickness: 1.4,
                    role: 'point',
                    key: $row->key->id,
                    of: 'shown',
                ),
            );
        }
    }

    private function labels(Stage $stage, ?Reference $reference): void
    {
        $this->names($stage, $reference);
        $shown = array_filter($this->rows, static fn (Row $row): bool => null !== $row->shown);
        foreach (array_unique([array_key_first($shown), array_key_last($shown)]) as $i) {
            null === $i || $this->end($stage, $i, $shown[$i]);
        }
        foreach ($this->rows as $i => $row) {
            if (null === $row->shown) {
                $stage->canvas->writeIfFree(
                    'labels',
                    $stage->label(
                        centre: $stage->axis->centre($i),
                        amount: 0.0,
                        isAbove: true,
                        text: NumberFormat::NONE,
                        ink: Ink::Quiet,
                        weight: 400,
                        role: 'missing',
                        key: $row->key->id,
                        of: 'shown',
                    ),
                );
            }
        }
        $most = match (true) {
            Labels::None === $stage->labels => 0,
            Labels::Extremes === $stage->labels => 2,
            $stage->axis->band < self::NARROW => 8,
            default => \count($this->rows),
        };
        foreach (\array_slice($this->largestFirst($reference), 0, $most) as [$i, $variance]) {
            $this->variance($stage, $i, $variance);
        }
    }

    /**
     * Where there is not room for all, the largest are told.
     *
     * @return list<array{int, Variance}>
     */
    private function largestFirst(?Reference $reference): array
    {
        $told = [];
        foreach ($this->rows as $i => $row) {
            $variance = $row->variance($reference);
            if (null !== $variance && !($variance->reference->isZero() && VarianceForm::Percent === $this->form)) {
                $told[] = [$i, $variance];
            }
        }
        usort($told, static fn (array $a, array $b): int => $b[1]->amount->abs()->compareTo($a[1]->amount->abs()));

        return $told;
    }

    /** On the side of its sign, beyond both lines; else on the other, else farther off. */
    private function variance(Stage $stage, int $i, Variance $variance): void
    {
        $isAbove = !$variance->amount->isNegative();
        [$high, $low] = [
            max($variance->shown->toFloat(), $variance->reference->toFloat()),
            min($variance->shown->toFloat(), $variance->reference->toFloat()),
        ];
        $text = GapBar::text($this->workings->context->display, $variance, $this->form, 0);
        $places = [[$isAbove, 4.0], [$isAbove, 9.0], [!$isAbove, 4.0], [$isAbove, 14.0], [!$isAbove, 9.0]];
        foreach ($places as [$side, $further]) {
            $label = GapBar::written(
                stage: $stage,
                row: $this->rows[$i],
                variance: $variance,
                centre: $stage->axis->centre($i),
                beyond: $side ? $high : $low,
                isAbove: $side,
                text: $text,
                further: $further,
            );
            if (!$this->isBeyondNought($stage, $label, $low) && $stage->canvas->writeIfFree('labels', $label)) {
                return;
            }
        }
    }

    /** Whether a label would stand on the other side of nought than its amount, among the names. */
    private function isBeyondNought(Stage $stage, Text $label, float $low): bool
    {
        return $low >= 0.0 && $label->box()->bottom > $stage->scale->zero;
    }

    /** The value of an end: beside its point where it is the last, else beyond it. */
    private function end(Stage $stage, int $i, Row $row): void
    {
        $amount = $row->shown ?? BigDecimal::zero();
        $text = $this->workings->context->display->amount($amount);
        $variance = $row->variance($this->workings->table->reference());
        $isBelow = null !== $variance && !$variance->amount->isNegative();
        [$x, $y] = $stage->orientation->point($stage->axis->centre($i), $stage->scale->at($amount));
        $beside = Canvas::text(
            $x + 7.0, $y + 4.0, $text, 'start', weight: 600, role: 'value-label', key: $row->key->id, of: 'shown',
        );
        if ($i === \count($this->rows) - 1 && $stage->canvas->writeIfFree('labels', $beside)) {
            return;
        }
        foreach ([[!$isBelow, 5.0], [$isBelow, 5.0], [!$isBelow, 18.0], [$isBelow, 18.0]] as [$isAbove, $further]) {
            $label = $stage->label(
                centre: $stage->axis->centre($i),
                amount: $amount,
                isAbove: $isAbove,
                text: $text,
                ink: Ink::Ink,
                weight: 600,
                role: 'value-label',
                key: $row->key->id,
                of: 'shown',
                further: $further,
            );
            if (
                !$this->isBeyondNought($stage, $label, $amount->toFloat())
                && $stage->canvas->writeIfFree('labels', $label)
            ) {
                return;
            }
        }
    }

    /** Both lines named beside where they begin, apart from one another. */
    private function names(Stage $stage, ?Reference $reference): void
    {
        if (!$stage->isFirst) {
            return;
        }
        $starts = [];
        foreach ($this->rows as $row) {
            $starts['shown'] ??=
                null === $row->shown
                    ? null
                    : [$stage->scale->at($row->shown), $row->shownScenario->value ?? '', Ink::Ink, 600];
            $starts['held'] ??=
                null === $row->value($reference)
                    ? null
                    : [$stage->scale->at($row->value($reference)), $reference->short ?? '', Ink::Quiet, 400];
        }
        $starts = array_values(array_filter($starts));
        usort($starts, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        if (2 === \count($starts) && $starts[1][0] - $starts[0][0] < self::NAME) {
            $middle = ($starts[0][0] + $starts[1][0]) / 2;
            $starts[0][0] = $middle - self::NAME / 2;
            $starts[1][0] = $middle + self::NAME / 2;
        }
        foreach ($starts as [$y, $name, $ink, $weight]) {
            $stage->canvas->writeIfFree(
                'names',
                Canvas::text(
                    $stage->axis->start - 6.0, $y + 4.0, $name, 'end', $ink, weight: $weight, role: 'series-name',
                ),
            );
        }
    }
}
