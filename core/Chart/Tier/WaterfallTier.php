<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Tier;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Canvas\Orientation;
use KeenMargin\Core\Chart\Canvas\PlacedLabel;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Part\LevelCut;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Question\Finish\StepColours;
use KeenMargin\Core\Question\Finish\StepLabels;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Scene\Measures;
use KeenMargin\Core\Scene\Scale;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Workings\Arithmetic\Effect;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/**
 * Totals that stand on nought and steps that run from where the one before ended, tied by connectors at the height of
 * the running total. A step that is opened stays as an outline around its own steps.
 */
final readonly class WaterfallTier implements Tier
{
    /** Widths in bands. */
    private const STEP = 0.62;
    private const TOTAL = 0.74;
    private const WIDEST = 64.0;
    private const LARGEST_DOT = 9.0;

    /** @var array<string, true> ids of rows that are opened */
    private array $opened;

    /**
     * @param list<Row> $rows of one panel
     * @param WaterfallLooks $looks how steps are coloured and labelled
     */
    public function __construct(
        private Workings $workings,
        private array $rows,
        private LevelCut $cut,
        private WaterfallLooks $looks,
    ) {
        $opened = [];
        foreach ($rows as $row) {
            null === $row->parent || ($opened[$row->parent->id] = true);
        }
        $this->opened = $opened;
    }

    public function unit(): Scale
    {
        return Scale::Amount;
    }

    public function name(): string
    {
        return $this->looks->name;
    }

    public function extent(): Extent
    {
        $levels = [];
        foreach ($this->rows as $row) {
            [$from, $to] = [$this->from($row), $this->to($row)];
            if (null !== $from && null !== $to) {
                array_push($levels, $from, $to);
            }
        }

        return Extent::ofSizes($levels);
    }

    public function labelWidths(): LabelWidths
    {
        $display = $this->workings->context->display;
        $widths = LabelWidths::of(
            array_map(
                fn (Row $row): array => [
                    null,
                    $row->role->isWhole()
                        ? $display->amount($this->number($row, 'to'))
                        : $this->stepText($row, $display->varianceDecimals),
                ],
                $this->rows,
            ),
            600,
        );

        return new LabelWidths($widths->above, $widths->above);
    }

    public function draw(Stage $stage): void
    {
        $labels = [];
        foreach ($this->rows as $i => $row) {
            [$from, $to] = [$this->from($row), $this->to($row)];
            if (null === $from || null === $to) {
                $this->none($stage, $row, $i);
                continue;
            }
            $row->role->isWhole()
                ? $this->totalBar($stage, $row, $i, $to)
                : $this->stepBar($stage, $row, $i, $from, $to);
            $labels[$i] = $this->label($stage, $row, $i, $to);
        }
        $this->connectors($stage);
        $this->looks->hasDots && $this->dots($stage);
        $stage->nought();
        $stage->write($labels);
    }

    private function totalBar(Stage $stage, Row $row, int $i, float $to): void
    {
        $isCut = $this->cut->isCut();
        $bar = $stage->bar(
            centre: $stage->axis->centre($i),
            thickness: $this->thickness($stage, $row),
            from: 0.0,
            to: $to,
            style: $this->totalStyle($row),
            role: $isCut ? 'total-cut' : 'total',
            key: $row->key->id,
            of: $this->column('to'),
            measures: new Measures(Scale::Amount, $this->column('to'), $isCut),
        );
        $stage->canvas->add('totals', $bar);
        if ($isCut) {
            $this->cut->mark($stage, $bar, $row->key->id);
        }
    }

    /** Totals as their scenarios are drawn; the running total of a bridge is of none. */
    private function totalStyle(Row $row): Style
    {
        $scenario = $this->looks->scenario ?? $row->shownScenario;

        return null === $scenario ? Style::mark(Ink::Quiet) : Style::scenario($scenario);
    }

    private function stepBar(Stage $stage, Row $row, int $i, float $from, float $to): void
    {
        $isOpened = isset($this->opened[$row->key->id]);
        $bar = $stage->bar(
            centre: $stage->axis->centre($i),
            thickness: $this->thickness($stage, $row),
            from: $from,
            to: $to,
            style: $isOpened ? Style::outline() : $this->style($row),
            role: $isOpened ? 'opened' : 'change',
            key: $row->key->id,
            of: $this->column('change'),
            measures: new Measures(Scale::Amount, $this->column('change')),
        );
        $stage->canvas->add($isOpened ? 'references' : 'values', $bar);
    }

    private function style(Row $row): Style
    {
        $sign = $this->number($row, 'change')?->getSign() ?? 0;

        return StepColours::Sign === $this->looks->colours
            ? Style::step($sign, $row->shownScenario)
            : Style::variance($this->effect($row), $row->shownScenario);
    }

    private function effect(Row $row): Effect
    {
        $written = $this->workings->context->display->variance($this->number($row, 'change'));

        return NumberFormat::isNought($written) ? Effect::Neutral : $row->effect ?? Effect::Neutral;
    }

    /** Lines at the height of the running total, from each row to the one that goes on from it. */
    private function connectors(Stage $stage): void
    {
        $count = \count($this->rows);
        for ($i = 0; $i < $count - 1; ++$i) {
            [$row, $next] = [$this->rows[$i], $this->rows[$i + 1]];
            $isInto = true === $next->parent?->is($row->key);
            $this->connector($stage, $i, $i + 1, $isInto ? $this->from($row) : $this->to($row));
            // From an opened step to the last of its own, at its end.
            $last = $isInto ? $this->lastWithin($i) : $i;
            $last > $i + 1 && $this->connector($stage, $i, $last, $this->to($row));
        }
    }

    private function connector(Stage $stage, int $from, int $to, ?float $level): void
    {
        $next = $this->rows[$to];
        if (null === $level || null === $this->to($next)) {
            return;
        }
        $along = $stage->scale->at($level);
        $stage->canvas->addBehind(
            'lines',
            $stage->orientation->line(
                across1: $stage->axis->centre($from) + $this->thickness($stage, $this->rows[$from]) / 2,
                along1: $along,
                across2: $stage->axis->centre($to) - $this->thickness($stage, $next) / 2,
                along2: $along,
                ink: Ink::Quiet,
                thickness: 0.8,
                dash: null,
                role: 'connector',
                key: $this->rows[$from]->key->id,
                of: $next->key->id,
            ),
        );
        $stage->canvas->takeAlong([
            $stage->orientation->point($stage->axis->centre($from), $along),
            $stage->orientation->point($stage->axis->centre($to), $along),
        ]);
    }

    /** The place of the last row that stands within an opened one. */
    private function lastWithin(int $opened): int
    {
        $last = $opened;
        foreach (\array_slice($this->rows, $opened + 1, null, true) as $i => $row) {
            if ($row->depth <= $this->rows[$opened]->depth) {
                break;
            }
            $last = $row->depth === $this->rows[$opened]->depth + 1 ? $i : $last;
        }

        return $last;
    }

    private function label(Stage $stage, Row $row, int $i, float $to): PlacedLabel
    {
        $display = $this->workings->context->display;
        $isWhole = $row->role->isWhole();
        $change = $this->number($row, 'change');
        $isUp = $isWhole ? $to >= 0.0 : true !== $change?->isNegative();
        $decimals = $isWhole ? $display->decimals : $display->varianceDecimals;
        $from = $this->from($row) ?? 0.0;
        $write = fn (bool $isAbove, float $level): \Closure => function (int $decimals) use (
            $stage,
            $row,
            $i,
            $isWhole,
            $isAbove,
            $level,
        ): Text {
            $text = $isWhole
                ? $this->workings->context->display->plain($this->number($row, 'to'), $decimals)
                : $this->stepText($row, $decimals);
            $isColoured = !$isWhole && StepColours::Effect === $this->looks->colours;

            return $stage->label(
                centre: $stage->axis->centre($i),
                amount: $level,
                isAbove: $isAbove,
                text: $text,
                ink: $isColoured ? Style::written($text, $this->effect($row)) : Ink::Ink,
                weight: $isWhole || ($row->variances['first'] ?? null)?->flagged ? 600 : 400,
                role: $isWhole ? 'value-label' : 'variance-label',
                key: $row->key->id,
                of: $this->column($isWhole ? 'to' : 'change'),
                further: 1.0 + $this->dotRadius($row),
            );
        };
        $size = $isWhole ? $to : (float) ($change?->toFloat() ?? 0.0);

        return new PlacedLabel($size, $decimals, $write($isUp, $to), $isWhole ? null : $write(!$isUp, $from));
    }

    private function stepText(Row $row, int $decimals): string
    {
        $display = $this->workings->context->display;
        $amount = $display->signed($this->number($row, 'change'), $decimals).($display->inPoints ? ' pp' : '');
        $share = $row->values[$this->looks->share] ?? null;
        if (StepLabels::Amount === $this->looks->labels || null === $share) {
            return $amount;
        }
        $percent = $display->format->plain($share, $decimals > 0 ? 1 : 0).' %';

        return StepLabels::Share === $this->looks->labels ? $percent : "$amount ($percent)";
    }

    /** Dots at the running total, whose areas show shares. */
    private function dots(Stage $stage): void
    {
        foreach ($this->rows as $i => $row) {
            $to = $this->to($row);
            if (null === $to || 0.0 === $this->dotRadius($row)) {
                continue;
            }
            $radius = $this->dotRadius($row);
            [$x, $y] = $stage->orientation->point($stage->axis->centre($i), $stage->scale->at($to));
            $stage->canvas->add(
                'points',
                new Circle(
                    $x,
                    $y,
                    $radius,
                    Ink::Panel->value,
                    Ink::Ink->value,
                    role: 'share',
                    key: $row->key->id,
                    of: $this->looks->share,
                ),
            );
        }
    }

    /** Nought where the row has no dot. */
    private function dotRadius(Row $row): float
    {
        $share = abs(($row->values[$this->looks->share] ?? BigDecimal::zero())->toFloat()) / 100;
        $hasDot = $this->looks->hasDots && !$row->role->isWhole() && null === $row->parent;

        return $hasDot ? self::LARGEST_DOT * sqrt(min(1.0, $share)) : 0.0;
    }

    private function none(Stage $stage, Row $row, int $i): void
    {
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
                of: $this->column('to'),
            ),
        );
    }

    private function thickness(Stage $stage, Row $row): float
    {
        $isWide = $row->role->isWhole() && $this->workings->context->by instanceof Grain;
        $share = ($isWide ? self::TOTAL : self::STEP) * $stage->axis->band;

        return Orientation::Vertical === $stage->orientation ? min(self::WIDEST, $share) : $share;
    }

    private function from(Row $row): ?float
    {
        $from = $this->number($row, 'from');

        return match (true) {
            null === $from => null,
            $row->role->isWhole() => 0.0,
            default => $this->cut->level($from),
        };
    }

    private function to(Row $row): ?float
    {
        $to = $this->number($row, 'to');

        return null === $to ? null : $this->cut->level($to);
    }

    private function number(Row $row, string $column): ?BigDecimal
    {
        return $row->values[$this->column($column)] ?? null;
    }

    private function column(string $column): string
    {
        return '' === $this->looks->of ? $column : "{$this->looks->of} $column";
    }
}
