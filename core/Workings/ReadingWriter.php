<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;

/** Composes the reading: the sum that matters, what moved it, where the year will land. */
final class ReadingWriter
{
    private const MOVERS = 5;

    /** @var list<array{Row, Variance}> rows that differ from the first reference, the largest variance first, ties in the rows' order */
    private readonly array $moved;
    private readonly bool $namesYears;

    /**
     * @param list<Row> $rows     those whose variances are final
     * @param ?Period   $from,$to finest periods that the headline covers
     * @param string    $shown    what is held against the reference, where that is not the question's scenario
     * @param string    $moves    heads the rows that differ most
     */
    public function __construct(
        private readonly string $measure,
        private readonly Display $display,
        private readonly array $rows,
        private readonly ?Reference $reference,
        private readonly ?Period $from,
        private readonly ?Period $to,
        private readonly string $shown = '',
        private readonly string $moves = 'What moved it',
    ) {
        $years = array_unique(array_map(static fn (Row $row): string => null === $row->period ? '' : PeriodNames::year($row->period), $rows));
        $this->namesYears = \count($years) > 1;
        $this->moved = self::ranked($this->pairs());
    }

    public function write(Total $headline, bool $isToDate, ?Total $landing, string $landingYear): Reading
    {
        $reference = $this->reference;
        $variance = null === $reference ? null : $headline->variances[$reference->key] ?? null;
        $span = null === $this->from || null === $this->to ? 'No periods' : (Grain::Timeless === $this->from->grain ? 'In all' : PeriodNames::range($this->from, $this->to));
        $label = $isToDate && null !== $this->from && null !== $this->to ? 'Year to date, '.self::withoutYear($this->from, $this->to) : $span;
        $statements = array_values(array_filter([
            $this->total($span, $headline, $variance, $reference),
            $this->movement(),
            $this->flagged(),
            null === $landing ? null : $this->landing($landing, $reference, $landingYear),
        ]));

        return new Reading([
            'label' => $label,
            'amount' => $this->display->amount($headline->shown),
            'variance' => null === $variance ? null : $this->display->variance($variance->amount).($this->display->inPoints ? ' pp' : ''),
            'percent' => null === $variance?->percent() ? null : $this->display->percent($variance).' %',
            'effect' => $variance?->effect->value,
            'note' => trim($this->display->unitText().(null === $reference ? '' : ', '.trim("$this->shown against ").' '.$reference->word), ', '),
        ], $this->movers(), $statements, $this->moves);
    }

    private function total(string $span, Total $headline, ?Variance $variance, ?Reference $reference): string
    {
        if (null === $headline->shown) {
            return "{$this->measure} has no total for $span.";
        }
        $amount = ('In all' === $span ? "{$this->measure} in all: " : "{$this->measure} in $span: ").$this->withUnit($this->display->amount($headline->shown));

        return $amount.(null === $variance || null === $reference ? '' : ', '.$this->against($variance, $reference)).'.';
    }

    private function movement(): ?string
    {
        $for = $this->first(Effect::Favourable);
        $against = $this->first(Effect::Unfavourable);
        $say = fn (array $pair): string => "{$this->name($pair[0])} (".$this->display->variance($pair[1]->amount).')';

        return match (true) {
            null !== $for && null !== $against => 'Most for it: '.$say($for).'; most against it: '.$say($against).'.',
            null !== $for => 'Most for it: '.$say($for).'.',
            null !== $against => 'Most against it: '.$say($against).'.',
            default => null,
        };
    }

    /** @return array{Row, Variance}|null the largest of an effect */
    private function first(Effect $effect): ?array
    {
        foreach ($this->moved as $pair) {
            if ($effect === $pair[1]->effect) {
                return $pair;
            }
        }

        return null;
    }

    private function flagged(): ?string
    {
        $labels = array_map(fn (array $pair): string => $this->name($pair[0]), array_filter($this->pairs(), static fn (array $pair): bool => $pair[1]->flagged));

        return [] === $labels ? null : 'Flagged: '.Wording::some(array_values($labels), 6).'.';
    }

    private function landing(Total $landing, ?Reference $reference, string $year): ?string
    {
        if (null === $landing->shown) {
            return null;
        }
        $variance = null === $reference ? null : $landing->variances[$reference->key] ?? null;

        return "With the forecast, $year lands at ".$this->withUnit($this->display->amount($landing->shown)).(null === $variance ? '' : ', '.$this->against($variance, $reference)).'.';
    }

    private function against(Variance $variance, Reference $reference): string
    {
        if ($variance->amount->isZero()) {
            return "equal to {$reference->word}";
        }
        $size = $this->display->inPoints
            ? ltrim($this->display->variance($variance->amount->abs()), '+').' pp'
            : $this->withUnit(ltrim($this->display->variance($variance->amount->abs()), '+'));
        $percent = $variance->percent(1);

        return $size.(null === $percent ? '' : ' ('.$this->display->format->plain($percent->abs(), 1).' %)').($variance->amount->isPositive() ? ' above ' : ' below ').$reference->word;
    }

    /** @return list<array{key: string, label: string, variance: string, effect: string, flagged: bool}> */
    private function movers(): array
    {
        return array_map(fn (array $pair): array => [
            'key' => $pair[0]->key,
            'label' => $this->name($pair[0]),
            'variance' => $this->display->variance($pair[1]->amount),
            'effect' => $pair[1]->effect->value,
            'flagged' => $pair[1]->flagged,
        ], \array_slice($this->moved, 0, self::MOVERS));
    }

    /**
     * @param list<array{Row, Variance}> $pairs
     *
     * @return list<array{Row, Variance}>
     */
    private static function ranked(array $pairs): array
    {
        $moved = array_values(array_filter($pairs, static fn (array $pair): bool => !$pair[1]->amount->isZero()));

        return array_map(static fn (int $i): array => $moved[$i], Decimals::largestFirst(array_map(static fn (array $pair): BigDecimal => $pair[1]->amount, $moved)));
    }

    /** @return list<array{Row, Variance}> */
    private function pairs(): array
    {
        $pairs = [];
        foreach ($this->rows as $row) {
            $variance = $row->variance($this->reference);
            if (null !== $variance) {
                $pairs[] = [$row, $variance];
            }
        }

        return $pairs;
    }

    /** With its year only where the rows are of several. */
    private function name(Row $row): string
    {
        return $this->namesYears ? $row->label : trim("$row->panel $row->name");
    }

    private function withUnit(string $number): string
    {
        return trim($number.' '.$this->display->unitText());
    }

    private static function withoutYear(Period $from, Period $to): string
    {
        return $from->key() === $to->key() ? PeriodNames::withinYear($from) : PeriodNames::withinYear($from).'–'.PeriodNames::withinYear($to);
    }
}
