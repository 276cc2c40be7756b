<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\CapacityFill;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\GapBar;
use KeenMargin\Core\Chart\Part\InsideLabels;
use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Part\Lengths;
use KeenMargin\Core\Chart\Part\TargetTick;
use KeenMargin\Core\Chart\Part\TotalsCut;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Chart\Tier\StandsOnAxis;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** Outlined columns of the total, filled up to what is used; the target is a tick, its gap a thin bar. */
final readonly class FillTier implements Tier
{
    use StandsOnAxis;

    private const WIDE = 1.28;

    private Lengths $lengths;

    /** @param list<Row> $rows */
    public function __construct(private Workings $workings, private array $rows, TotalsCut $cut)
    {
        $this->lengths = new Lengths($cut, []);
    }

    public function extent(): Extent
    {
        return Extent::ofSizes(array_merge(
            [],
            ...array_map(
                fn (Row $row): array => array_map(
                    fn (string $of): float => $this->lengths->of($row, $row->values[$of] ?? null),
                    ['used', 'total', 'target'],
                ),
                $this->rows,
            ),
        ));
    }

    public function labelWidths(): LabelWidths
    {
        return LabelWidths::of(array_map(
            fn (Row $row): array => [
                $row->values['total'] ?? null,
                $this->workings->context->display->amount($row->values['total'] ?? null),
            ],
            $this->rows,
        ));
    }

    public function draw(Stage $stage): void
    {
        $thickness = self::WIDE * $stage->axis->column;
        foreach ($this->rows as $i => $row) {
            $this->bar(
                stage: $stage,
                group: 'totals',
                row: $row,
                i: $i,
                amount: $row->values['total'] ?? null,
                style: Style::scenario(Scenario::Budget),
                role: 'whole',
                of: 'total',
            );
        }
        foreach ($this->rows as $i => $row) {
            $this->bar(
                stage: $stage,
                group: 'values',
                row: $row,
                i: $i,
                amount: $row->values['used'] ?? null,
                style: Style::scenario($row->shownScenario ?? Scenario::Actual),
                role: 'used',
                of: 'used',
            );
        }
        $stage->nought();
        foreach ($this->rows as $i => $row) {
            $this->target($stage, $row, $i, $thickness);
        }
        foreach ($this->rows as $i => $row) {
            if (null === $row->shown) {
                GapBar::none(
                    $stage,
                    $row,
                    $stage->axis->centre($i),
                    max(0.0, $this->lengths->of($row, $row->values['total'] ?? ($row->values['used'] ?? null))),
                    true,
                );
            }
        }
        InsideLabels::write(
            stage: $stage,
            workings: $this->workings,
            rows: $this->rows,
            thickness: $thickness,
            drawn: fn (Row $row): float => $this->lengths->of($row, $row->values['used'] ?? null),
            mark: fn (Row $row): ?float => null === ($row->values['target'] ?? null)
                ? null
                : $this->lengths->of($row, $row->values['target']),
        );
    }

    private function bar(
        Stage $stage,
        string $group,
        Row $row,
        int $i,
        ?BigDecimal $amount,
        Style $style,
        string $role,
        string $of,
    ): void {
        if (null !== $amount) {
            $this->lengths->bar(
                stage: $stage,
                group: $group,
                row: $row,
                centre: $stage->axis->centre($i),
                thickness: self::WIDE * $stage->axis->column,
                amount: $amount,
                style: $style,
                role: $role,
                of: $of,
            );
        }
    }

    private function target(Stage $stage, Row $row, int $i, float $thickness): void
    {
        $target = $row->values['target'] ?? null;
        if (null === $target) {
            return;
        }
        $centre = $stage->axis->centre($i);
        $along = $stage->scale->at($this->lengths->of($row, $target));
        $reach = min(0.68 * $thickness, 0.48 * $stage->axis->band);
        $variance = $row->variances['target'] ?? null;
        if (null !== $variance && !$this->lengths->isCut($row)) {
            GapBar::draw(
                stage: $stage,
                display: $this->workings->context->display,
                row: $row,
                variance: $variance,
                across: $centre + $thickness / 2 + 3.0,
                thickness: 3.0,
                reference: 'target',
            );
        }
        TargetTick::draw(stage: $stage, row: $row, centre: $centre, reach: $reach, along: $along, of: 'target');
    }
}
