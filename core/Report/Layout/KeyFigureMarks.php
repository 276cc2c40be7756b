<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Layout;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Part\TrendLine;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Report\Drawing\KeyNumber;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Scene\TextMeasure;

/** Key figures side by side under a rule: label, number, variance, a trend. */
final class KeyFigureMarks
{
    private const GAP = 18.0;
    private const NARROWEST = 100.0;
    private const LABEL_LINE = 14.0;
    private const NUMBER = 22.0;
    private const VARIANCE = 12.5;
    private const TREND_WIDTH = 84.0;
    private const TREND_HEIGHT = 14.0;
    private const MOST_LABEL_LINES = 3;
    private const BETWEEN_LINES = 8.0;

    /** @var list<Mark> */
    private array $marks = [];

    /**
     * @param list<KeyNumber> $numbers
     * @param bool $hasRule whether there is a rule above them
     */
    public static function laid(array $numbers, float $width, bool $hasRule): LaidText
    {
        if ([] === $numbers) {
            return new LaidText([], 0.0);
        }
        $own = new self();
        $most = max(1, (int) floor(($width + self::GAP) / (self::NARROWEST + self::GAP)));
        $lines = (int) ceil(\count($numbers) / $most);
        $beside = (int) ceil(\count($numbers) / $lines);
        $hasRule && $own->rule(0.0, $width);
        $y = 0.0;
        foreach (array_chunk($numbers, max(1, $beside)) as $i => $some) {
            $y += 0 === $i ? 0.0 : self::BETWEEN_LINES;
            $y += $own->line($some, $y, $width, $beside);
        }
        $own->rule($y, $width);

        return new LaidText($own->marks, $y + 1.0);
    }

    /**
     * @param list<KeyNumber> $numbers
     *
     * @return float its height
     */
    private function line(array $numbers, float $top, float $width, int $beside): float
    {
        $column = ($width - self::GAP * ($beside - 1)) / $beside;
        $labels = array_map(
            static fn (KeyNumber $number): array => \array_slice(
                TextMeasure::lines($number->label, $column, Type::SMALL), 0, self::MOST_LABEL_LINES,
            ),
            $numbers,
        );
        $labelHeight = self::LABEL_LINE * max(1, ...array_map(\count(...), $labels));
        $baseline = $top + 6.0 + $labelHeight + self::NUMBER;
        $isWide = true;
        foreach ($numbers as $i => $number) {
            $left = $i * ($column + self::GAP);
            foreach ($labels[$i] as $n => $label) {
                $y = $top + 5.0 + self::LABEL_LINE * ($n + 1) - 3.0;
                $this->write(x: $left, y: $y, text: $label, size: Type::SMALL, ink: Ink::Quiet, key: $number->id);
            }
            $end = $this->write(
                x: $left,
                y: $baseline,
                text: $number->amount,
                size: self::NUMBER,
                ink: Ink::Ink,
                key: $number->id,
                weight: 600,
            );
            $isWide = $this->variance($number, $left, $end, $baseline, $left + $column) && $isWide;
        }
        $y = $baseline + ($isWide ? 0.0 : 17.0);
        foreach ($numbers as $i => $number) {
            $trend = TrendLine::marks(
                amounts: array_map(static fn (?BigDecimal $one): ?float => $one?->toFloat(), $number->trend),
                left: $i * ($column + self::GAP),
                centre: $y + 6.0 + self::TREND_HEIGHT / 2,
                width: min(self::TREND_WIDTH, $column),
                height: self::TREND_HEIGHT,
                key: $number->id,
            );
            array_push($this->marks, ...$trend);
        }

        return $y + 6.0 + self::TREND_HEIGHT + 9.0 - $top;
    }

    /** @return bool whether it stands beside the number; else below */
    private function variance(KeyNumber $number, float $left, float $end, float $baseline, float $right): bool
    {
        if ('' === $number->variance) {
            return true;
        }
        $width = TextMeasure::width($number->variance, self::VARIANCE, 600);
        $fits = $end + 7.0 + $width <= $right;
        [$x, $y] = $fits ? [$end + 7.0, $baseline] : [$left, $baseline + 17.0];
        $ink = match ($number->effect) {
            'favourable' => Ink::FavourableText,
            'unfavourable' => Ink::UnfavourableText,
            default => Ink::Quiet,
        };
        $this->write(
            x: $x, y: $y, text: $number->variance, size: self::VARIANCE, ink: $ink, key: $number->id, weight: 600,
        );

        return $fits;
    }

    /**
     * @param 400|600 $weight
     *
     * @return float where it ends
     */
    private function write(
        float $x,
        float $y,
        string $text,
        float $size,
        Ink $ink,
        string $key,
        int $weight = 400,
    ): float {
        $width = TextMeasure::width($text, $size, $weight);
        $this->marks[] = new Text(
            x: $x,
            y: $y,
            text: $text,
            size: $size,
            fill: $ink->value,
            width: $width,
            weight: $weight,
            role: 'key-figure',
            key: $key,
        );

        return $x + $width;
    }

    private function rule(float $y, float $width): void
    {
        $this->marks[] = new Line(0.0, $y, $width, $y, Ink::Hairline->value, role: 'rule');
    }
}
