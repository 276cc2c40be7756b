<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Words;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Question\Part\SumKey;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Workings\Arithmetic\Effect;
use KeenMargin\Core\Workings\Arithmetic\LeftOut;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Arithmetic\UnlikeCells;
use KeenMargin\Core\Workings\Arithmetic\Variance;
use KeenMargin\Core\Workings\Result\LinkedText;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Sentence;
use KeenMargin\Core\Workings\Result\Summary;
use KeenMargin\Core\Workings\Rows\Landing;

/**
 * Composes the summary: the sum that matters, what moved it, runs and turns, what is flagged, where the year will land.
 */
final class SummaryWriter
{
    private const MOVERS = 5;
    private const FLAGGED = 6;

    /**
     * @var list<array{Row, Variance}> rows that differ from the first reference, the largest variance first, ties in
     *                                 the rows' order
     */
    private readonly array $moved;
    private readonly bool $namesYears;

    /**
     * @param list<Row> $rows those whose variances are final
     * @param Total $headline of the periods
     * @param SummaryPeriods $periods that the headline is about
     * @param string $shown what is held against the reference, where that is not the question's scenario
     * @param string $moves heads the rows that differ most
     * @param bool $isRunning whether rows are running totals
     * @param list<Row> $closed periods, also of earlier years, for what runs on over them
     */
    public function __construct(
        private readonly string $measure,
        private readonly RowPhrases $telling,
        private readonly array $rows,
        private readonly Total $headline,
        private readonly SummaryPeriods $periods,
        private readonly string $shown = '',
        private readonly string $moves = 'What moved it',
        private readonly bool $isRunning = false,
        private readonly array $closed = [],
    ) {
        $years = array_unique(
            array_map(static fn (Row $row): string => null === $row->period ? '' : PeriodNames::year($row->period), [
                ...$rows,
                ...$closed,
            ]),
        );
        $this->namesYears = \count($years) > 1;
        $this->moved = self::ranked($this->pairs());
    }

    /** @param ?Landing $landing null where there is nothing to say about it */
    public function write(bool $isToDate, ?Landing $landing = null): Summary
    {
        $key = RowKey::sum($isToDate ? SumKey::ToDate : SumKey::Total);
        $sentences = array_values(
            array_filter([
                $this->total($key),
                $this->movement(),
                Streak::maybeSaid($this->closed, $this->telling, $this->isRunning, $this->namesYears),
                $this->flagged(),
                null === $landing ? null : $this->landing($landing),
            ]),
        );

        return new Summary($this->headline($key), $this->movers(), $sentences, $this->moves);
    }

    /**
     * @return array{
     *     label: string, amount: string, variance: ?string, percent: ?string, effect: ?string, note: string,
     *     row: string,
     * }
     */
    private function headline(RowKey $key): array
    {
        [$display, $reference] = [$this->telling->display, $this->telling->reference];
        $variance = $this->telling->of($this->headline);
        $against = null === $reference ? '' : ', '.trim("$this->shown against ").' '.$reference->word;

        $points = $display->inPoints ? ' pp' : '';

        return [
            'label' => SumKey::ToDate === $key->sum
                    ? 'Year to date, '.$this->periods->withinYear()
                    : $this->periods->name(),
            'amount' => $display->amount($this->headline->shown),
            'variance' => null === $variance ? null : $display->variance($variance->amount).$points,
            'percent' => null === $variance?->percent() ? null : $display->percent($variance).' %',
            'effect' => null === $variance ? null : $display->effect($variance)->value,
            'note' => trim($display->unitText().$against, ', '),
            'row' => $key->id,
        ];
    }

    private function total(RowKey $row): Sentence
    {
        $isAll = $this->periods->areAll();
        $span = $this->periods->name();
        if (null === $this->headline->shown) {
            return new Sentence(
                [] === $this->shownRows() && [] === $this->moved
                    ? "There are no figures of {$this->measure} for this question."
                    : "{$this->measure} has no total".($isAll ? '.' : " for $span."),
            );
        }
        $key = $this->telling->reference->key ?? '';
        $isPart =
            null !== $this->telling->reference
            && ($this->periods->includeAnyOf($this->headline->leftOut[$key] ?? new LeftOut())
                || !($this->headline->unlike[$key] ?? new UnlikeCells())->isEmpty());
        $start = $isAll ? "{$this->measure} in all: " : "{$this->measure} in $span: ";

        return new Sentence(
            $start,
            $this->telling->amount($this->headline, $row),
            $this->telling->unit(),
            ...[...$this->against($this->headline, $row, $isPart), '.'],
        );
    }

    /** For and against; where nothing is compared, the largest and the smallest. */
    private function movement(): ?Sentence
    {
        $for = $this->first(Effect::Favourable);
        $against = $this->first(Effect::Unfavourable);
        $say = fn (?array $pair): array => null === $pair
            ? []
            : [
                $this->telling->name($pair[0], $this->namesYears),
                ' (',
                $this->telling->variance($pair[0], $pair[0]->key) ?? '',
                ')',
            ];
        $reference = $this->telling->reference;

        return match (true) {
            null === $reference => $this->ends(),
            $this->isRunning && null !== ($for ?? $against) => new Sentence(
                ...null === $for
                    ? ['At its worst in ']
                    : ['At its best in ', ...$say($for), null === $against ? '' : ', at its worst in '],
                ...[...$say($against), '.'],
            ),
            null !== $for && null !== $against => new Sentence(
                'Most for it: ',
                ...$say($for),
                ...['; most against it: '],
                ...$say($against),
                ...['.'],
            ),
            null !== $for => new Sentence('Most for it: ', ...$say($for), ...['.']),
            null !== $against => new Sentence('Most against it: ', ...$say($against), ...['.']),
            [] === $this->pairs() => $this->hasNothingToCompare()
                ? new Sentence("There is no {$reference->word} to hold it against.")
                : null,
            default => 1 === \count($this->pairs()) || [] !== $this->moved
                ? null
                : new Sentence("No row differs from {$reference->word}."),
        };
    }

    /** Whether something is shown, and neither a row nor the headline has a variance. */
    private function hasNothingToCompare(): bool
    {
        return [] !== $this->shownRows() && null === $this->telling->of($this->headline);
    }

    private function ends(): ?Sentence
    {
        $rows = $this->shownRows();
        if (\count($rows) < 2) {
            return null;
        }
        $of = static fn (Row $row): BigDecimal => $row->shown ?? BigDecimal::zero();
        [$most, $least] = [$rows[0], $rows[0]];
        foreach ($rows as $row) {
            $most = $of($row)->isGreaterThan($of($most)) ? $row : $most;
            $least = $of($row)->isLessThan($of($least)) ? $row : $least;
        }
        if ($most === $least) {
            return new Sentence('All rows are equal.');
        }
        $say = fn (Row $row): array => [
            $this->telling->name($row, $this->namesYears), ' (', $this->telling->amount($row, $row->key), ')',
        ];

        return new Sentence('Largest: ', ...$say($most), ...['; smallest: '], ...$say($least), ...['.']);
    }

    /** @return array{Row, Variance}|null the largest of an effect */
    private function first(Effect $effect): ?array
    {
        foreach ($this->moved as $pair) {
            if (
                $effect === $pair[1]->effect
                && !NumberFormat::isNought($this->telling->display->variance($pair[1]->amount))
            ) {
                return $pair;
            }
        }

        return null;
    }

    private function flagged(): ?Sentence
    {
        $names = array_map(
            fn (array $pair): array => [$this->telling->name($pair[0], $this->namesYears)],
            array_values(array_filter($this->pairs(), static fn (array $pair): bool => $pair[1]->flagged)),
        );

        return [] === $names ? null : new Sentence('Flagged: ', ...Sentence::some($names, self::FLAGGED), ...['.']);
    }

    private function landing(Landing $landing): ?Sentence
    {
        if (null === $landing->total->shown) {
            return null;
        }
        $year = $landing->name();
        $isPart = null !== $this->telling->reference && $landing->total->isPart($this->telling->reference->key);
        $start = $landing->isWhole() ? "With the forecast, $year lands at " : "With the forecast, $year comes to ";

        return new Sentence(
            $start,
            $this->telling->amount($landing->total, RowKey::sum(SumKey::Landing)),
            $this->telling->unit(),
            ...[...$this->against($landing->total, RowKey::sum(SumKey::Landing), $isPart), '.'],
        );
    }

    /**
     * `, 48 k EUR (1.2 %) above budget`; nothing where there is no variance.
     *
     * @param bool $isPart whether the variance is of fewer periods than the amount
     *
     * @return list<string|LinkedText>
     */
    private function against(Total $of, RowKey $key, bool $isPart): array
    {
        [$variance, $reference] = [$this->telling->of($of), $this->telling->reference];
        $size = $this->telling->size($of, $key);
        if (null === $variance || null === $reference || null === $size) {
            return [];
        }
        if ($variance->amount->isZero()) {
            return [", equal to {$reference->word}".($isPart ? ' where both have figures' : '')];
        }
        $share = $this->telling->share($of, $key);
        $way =
            ($variance->amount->isPositive() ? 'above ' : 'below ').
            $reference->word.
            ($isPart ? ' where both have figures' : '');
        if (NumberFormat::isNought($size->text)) {
            return [", just $way"];
        }

        return [', ', $size, $this->telling->unit(true), ...null === $share ? [] : [' (', $share, ' %)'], " $way"];
    }

    /** @return list<array{key: string, label: string, variance: string, effect: string, flagged: bool}> */
    private function movers(): array
    {
        return array_map(
            fn (array $pair): array => [
                'key' => $pair[0]->key->id,
                'label' => $this->telling->name($pair[0], $this->namesYears)->text,
                'variance' => $this->telling->display->variance($pair[1]->amount),
                'effect' => $this->telling->display->effect($pair[1])->value,
                'flagged' => $pair[1]->flagged,
            ],
            \array_slice(
                array_values(array_filter(
                    $this->moved,
                    fn (array $pair): bool => !NumberFormat::isNought(
                        $this->telling->display->variance($pair[1]->amount),
                    ),
                )),
                0,
                self::MOVERS,
            ),
        );
    }

    /**
     * @param list<array{Row, Variance}> $pairs
     *
     * @return list<array{Row, Variance}>
     */
    private static function ranked(array $pairs): array
    {
        $moved = array_values(array_filter($pairs, static fn (array $pair): bool => !$pair[1]->amount->isZero()));

        return array_map(
            static fn (int $i): array => $moved[$i],
            Decimals::largestFirst(array_map(static fn (array $pair): BigDecimal => $pair[1]->amount, $moved)),
        );
    }

    /** @return list<array{Row, Variance}> */
    private function pairs(): array
    {
        $pairs = [];
        foreach ($this->rows as $row) {
            $variance = $this->telling->of($row);
            if (null !== $variance) {
                $pairs[] = [$row, $variance];
            }
        }

        return $pairs;
    }

    /** @return list<Row> */
    private function shownRows(): array
    {
        return array_values(array_filter($this->rows, static fn (Row $row): bool => null !== $row->shown));
    }
}
