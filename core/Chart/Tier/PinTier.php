<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Tier;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Canvas\PlacedLabel;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Part\ReferenceLine;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Scene\Measures;
use KeenMargin\Core\Scene\Scale;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Arithmetic\Variance;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** Pins of the relative variance: a stem with a square head; an outlier is cut with an open arrow head. */
final readonly class PinTier implements Tier
{
    private const HEAD = 7.0;
    /** A pin longer than this many times the middling one, and than 20 %, is an outlier. */
    private const OUTLIER = 5.0;
    private const NEVER_CUT = 20.0;

    /**
     * @param list<Row> $rows
     * @param array<int, float> $percents lengths of the pins by place; none where the reference is zero
     * @param float $limit the percentage at which longer pins are cut
     */
    private function __construct(
        private Workings $workings,
        private array $rows,
        private Reference $reference,
        private array $percents,
        private float $limit,
    ) {}

    /**
     * @param list<Row> $rows
     * @param ?BigDecimal $limit none: where outliers of all charts begin
     */
    public static function of(Workings $workings, array $rows, Reference $reference, ?BigDecimal $limit): self
    {
        $cut =
            $limit?->toFloat() ??
            self::limit(array_values(array_map(abs(...), self::percents($workings->table->rows, $reference))));

        return new self($workings, $rows, $reference, self::percents($rows, $reference), $cut);
    }

    public function unit(): Scale
    {
        return Scale::Percent;
    }

    public function name(): string
    {
        return "\u{0394}{$this->reference->short} %";
    }

    /** In percent, outliers cut. */
    public function extent(): Extent
    {
        return Extent::ofSizes(array_map($this->cut(...), $this->percents));
    }

    public function labelWidths(): LabelWidths
    {
        $labels = array_map(
            fn (Row $row): array => [
                $row->variance($this->reference)?->amount,
                $this->workings->context->display->percent($row->variance($this->reference)),
            ],
            LabelWidths::widestOf(
                $this->rows,
                fn (Row $row): ?BigDecimal => $row->variance($this->reference)?->percent(1),
            ),
        );

        return LabelWidths::of($labels, 600)->plus(self::HEAD / 2);
    }

    public function draw(Stage $stage): void
    {
        $labels = [];
        foreach ($this->rows as $i => $row) {
            $variance = $row->variance($this->reference);
            if (null === $variance) {
                continue;
            }
            $percent = $this->percents[$i] ?? null;
            if (null === $percent) {
                $none = $stage->label(
                    centre: $stage->axis->centre($i),
                    amount: 0.0,
                    isAbove: true,
                    text: NumberFormat::NONE,
                    ink: Ink::Quiet,
                    weight: 400,
                    role: 'missing',
                    key: $row->key->id,
                    of: null,
                    further: 0.5,
                );
                $labels[$i] = new PlacedLabel(0.0, 0, static fn (): Text => $none);
                continue;
            }
            $this->pin($stage, $row, $variance, $i, $percent);
            $labels[$i] = $this->label($stage, $row, $variance, $percent, $i);
        }
        ReferenceLine::draw($stage, $this->reference);
        $stage->write($labels);
    }

    private function pin(Stage $stage, Row $row, Variance $variance, int $i, float $percent): void
    {
        $across = $stage->axis->centre($i);
        $head = min(self::HEAD, $stage->axis->band * 0.6);
        $end = $stage->scale->at($this->cut($percent));
        $style = Style::variance($this->workings->context->display->percentEffect($variance), $row->shownScenario);
        $stem = $style->stroke ?? $style->fill;
        if ($stage->scale->zero !== $end) {
            $stage->canvas->add(
                'pins',
                $stage->orientation->line(
                    across1: $across,
                    along1: $stage->scale->zero,
                    across2: $across,
                    along2: $end,
                    ink: $stem,
                    thickness: min(2.0, $head * 0.4),
                    dash: null,
                    role: abs($percent) > $this->limit ? 'cut-pin' : 'pin',
                    key: $row->key->id,
                    of: 'percent',
                    measures: abs($percent) > $this->limit
                        ? null
                        : new Measures(Scale::Percent, "percent:{$this->reference->key}"),
                ),
            );
        }
        if (abs($percent) > $this->limit) {
            $back = $end < $stage->scale->zero ? $head : -$head;
            $stage->canvas->addBehind(
                'pins',
                $stage->orientation->path(
                    points: [
                        [$across - $head / 2, $end + $back * 0.8],
                        [$across, $end],
                        [$across + $head / 2, $end + $back * 0.8],
                    ],
                    fill: null,
                    stroke: $stem,
                    thickness: 1.6,
                    role: 'cut',
                    key: $row->key->id,
                    of: 'percent',
                ),
            );

            return;
        }
        $stage->canvas->add(
            'pins',
            $stage->orientation->bar(
                centre: $across,
                thickness: $head,
                from: $end - $head / 2,
                to: $end + $head / 2,
                style: $style,
                role: 'pin-head',
                key: $row->key->id,
                of: 'percent',
            ),
        );
    }

    private function label(Stage $stage, Row $row, Variance $variance, float $percent, int $i): PlacedLabel
    {
        $weight = $variance->flagged || $row->role->isSum() ? 600 : 400;
        $label = function (int $decimals) use ($stage, $row, $variance, $percent, $i, $weight): Text {
            $kept = max(0, $decimals);
            $text = $this->workings->context->display->format->signed($variance->percent($kept), $kept);
            $ink = Style::written($text, $variance->effect);
            $end = $this->cut($percent);

            return $stage->label(
                centre: $stage->axis->centre($i),
                amount: $end,
                isAbove: $percent >= 0,
                text: $text,
                ink: $ink,
                weight: $weight,
                role: 'percent-label',
                key: $row->key->id,
                of: 'percent',
                further: self::HEAD / 2,
            );
        };

        return new PlacedLabel($percent, 1, $label);
    }

    private function cut(float $percent): float
    {
        return max(-$this->limit, min($this->limit, $percent));
    }

    /**
     * @param list<Row> $rows
     *
     * @return array<int, float>
     */
    private static function percents(array $rows, Reference $reference): array
    {
        $percents = [];
        foreach ($rows as $i => $row) {
            $variance = $row->variance($reference);
            if (null !== $variance && !$variance->reference->isZero()) {
                $percents[$i] = (100.0 * $variance->amount->toFloat()) / abs($variance->reference->toFloat());
            }
        }

        return $percents;
    }

    /** @param list<float> $sizes */
    private static function limit(array $sizes): float
    {
        if ([] === $sizes) {
            return 0.0;
        }
        sort($sizes);
        $longest = max(self::NEVER_CUT, self::OUTLIER * $sizes[intdiv(\count($sizes) - 1, 2)]);
        $usual = array_filter($sizes, static fn (float $size): bool => $size <= $longest);

        return \count($usual) === \count($sizes) ? max($sizes) : 1.25 * max([...$usual, 0.2 * $longest]);
    }
}
