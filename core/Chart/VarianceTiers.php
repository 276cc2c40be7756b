<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Labels as Names;
use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Workings;

/**
 * Three tiers on one period axis: relative variance as pins, variance as bars, values with the reference behind them.
 * Bars and columns share one length per unit.
 */
final readonly class VarianceTiers implements ChartKind
{
    private const NAMES = 58.0;
    private const RIGHT = 10.0;
    private const LABEL = 20.0;
    private const GAP = 16.0;
    private const PINS = 56.0;

    public function id(): string
    {
        return 'variance-tiers';
    }

    public function name(): string
    {
        return 'Variance tiers';
    }

    public function group(): string
    {
        return 'Against';
    }

    public function says(): string
    {
        return 'Values, their variance and its percentage, period by period';
    }

    public function scene(Workings $workings, Finish $finish): Scene
    {
        $board = new Board($finish->width);
        $board->reserve('closing');
        $title = TitleBlock::of($workings);
        $top = $title->write($board) + 4.0;
        $axis = BandAxis::over(\count($workings->rows), self::NAMES, $finish->width - self::RIGHT, $workings->grain);
        $closing = ClosingLine::maybeX($workings, $axis);
        $y = $top + (null === $closing ? 0.0 : 14.0);

        [$y, $perUnit] = $this->variances($board, $workings, $finish, $axis, $y);
        $y = $this->values($board, $workings, $finish, $axis, $y, $perUnit);
        $bottom = PeriodLabels::write($board, $axis, $workings->rows, $y + 14.0);
        $height = max($bottom, $board->bottom()) + 4.0;
        if (null !== $closing) {
            ClosingLine::draw($board, $closing, $top, $bottom - 2.0);
        }

        return new Scene($finish->width, $height, $title->oneLine(), implode(' ', \array_slice($workings->reading->statements, 0, 2)), $board->groups());
    }

    /** @return array{float, float} where the values begin, and the points that one unit takes */
    private function variances(Board $board, Workings $workings, Finish $finish, BandAxis $axis, float $y): array
    {
        $values = ColumnTier::extent($workings);
        $reference = $workings->reference();
        $variance = null === $reference ? Extent::of([]) : VarianceTier::extent($workings);
        $length = $values->length() + $variance->length();
        $perUnit = 0.0 === $length ? 0.0 : max(190.0, min(420.0, 0.32 * $finish->width)) / $length;
        if (null === $reference) {
            return [$y, $perUnit];
        }
        if (!$workings->display->inPoints) {
            $y = $this->pins($board, $workings, $reference, $finish, $axis, $y);
        }
        $zero = $y + self::LABEL + $variance->above * $perUnit;
        $this->tierName($board, Names::variance($reference).($workings->display->inPoints ? ' pp' : ''), $zero);
        (new VarianceTier($workings, $reference, $axis, new LinearScale($zero, $perUnit)))->draw($board, $finish->labels);

        return [$zero + $variance->below * $perUnit + self::LABEL + self::GAP / 2, $perUnit];
    }

    private function pins(Board $board, Workings $workings, Scenario $reference, Finish $finish, BandAxis $axis, float $y): float
    {
        $tier = PinTier::of($workings, $reference);
        $extent = $tier->extent();
        $perPercent = 0.0 === $extent->length() ? 0.0 : self::PINS / $extent->length();
        $zero = $y + self::LABEL + $extent->above * $perPercent;
        $this->tierName($board, Names::relative($reference), $zero);
        $tier->draw($board, $axis, new LinearScale($zero, $perPercent), $finish->labels);

        return $zero + $extent->below * $perPercent + self::LABEL + self::GAP / 2;
    }

    private function tierName(Board $board, string $name, float $zero): void
    {
        $board->write('names', Board::text(self::NAMES - 8.0, $zero + 4.0, $name, 'end', Ink::Quiet, role: 'tier-name'));
    }

    /** @return float the y below the values and their labels */
    private function values(Board $board, Workings $workings, Finish $finish, BandAxis $axis, float $y, float $perUnit): float
    {
        $extent = ColumnTier::extent($workings);
        $height = max($extent->length() * $perUnit, SeriesNames::height($workings));
        $zero = $y + self::LABEL + ($extent->below > 0.0 ? $extent->above * $perUnit : $height);
        $bottom = $zero + ($extent->below > 0.0 ? max($height - $extent->above * $perUnit, $extent->below * $perUnit) + self::LABEL : 0.0);
        (new ColumnTier($workings, $axis, new LinearScale($zero, $perUnit)))->draw($board, $finish->labels);
        SeriesNames::write($board, $workings, self::NAMES - 8.0, $y, $extent->below > 0.0 && 0.0 === $extent->above ? $bottom : max($zero, $y + self::LABEL + SeriesNames::height($workings)));

        return $bottom;
    }
}
