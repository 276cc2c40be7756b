<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Mapping;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Reading\Table\Cell;
use KeenMargin\Core\Figures\Reading\Table\FileTable;
use KeenMargin\Core\Figures\Reading\Text\NumberReader;
use KeenMargin\Core\Figures\Scenario;

/** The columns of a list that hold bands: what a value is good for up to which limit. */
final readonly class BandColumns
{
    private const NAMES = '/\b(band|bands|limits?|up '
        .'to|poor|bad|weak|fair|ok|okay|satisfactory|good|strong|excellent|'
        .'low|medium|mid|middle|high|red|amber|yellow|green|schlecht|mittel|gut|sehr gut)\b/iu';

    /** @param list<array{string, int}> $bands name and place, in their order */
    private function __construct(public array $bands, private ?int $target, private NumberReader $numbers) {}

    public static function of(FileTable $sheet, Mapping $mapping): self
    {
        $bands = [];
        $target = null;
        foreach ($sheet->header as $place => $name) {
            $column = $mapping->columns[$name] ?? null;
            if (Role::Band === $column?->role) {
                $bands[] = [$column->measure ?? $name, $place];
            } elseif (Role::Amount === $column?->role && Scenario::Target === $column->scenario) {
                $target ??= $place;
            }
        }

        return new self($bands, $target, $mapping->numbers());
    }

    /**
     * Two columns of numbers or more that are named as bands are, in a list whose values stand beside them.
     *
     * @param array<string, ColumnRole> $columns
     *
     * @return array<string, ColumnRole>
     */
    public static function recognised(array $columns): array
    {
        $named = array_filter(
            $columns,
            static fn (ColumnRole $column, string|int $name): bool => Role::Amount === $column->role
                && null === $column->period
                && Scenario::Actual === ($column->scenario ?? Scenario::Actual)
                && 1 === preg_match(self::NAMES, (string) $name),
            \ARRAY_FILTER_USE_BOTH,
        );
        $others = array_diff_key(
            array_filter($columns, static fn (ColumnRole $column): bool => Role::Amount === $column->role),
            $named,
        );
        $isList =
            [] ===
            array_filter(
                $columns,
                static fn (ColumnRole $column): bool => Role::Period === $column->role || null !== $column->period,
            );

        return !$isList || \count($named) < 2 || [] === $others
            ? $columns
            : array_replace(
                $columns,
                array_map(
                    static fn (ColumnRole $column): ColumnRole => new ColumnRole(Role::Band, measure: $column->measure),
                    $named,
                ),
            );
    }

    /** Reads the bands as amounts of their own from now on: each a measure that says which band it is the limit of. */
    public static function asAmounts(FileTable $sheet, Mapping $mapping): Mapping
    {
        $columns = $mapping->columns;
        $measures = $mapping->measures;
        foreach (self::of($sheet, $mapping)->bands as $band => [$name, $place]) {
            $columns[$sheet->header[$place]] = new ColumnRole(Role::Amount, Scenario::Actual, $name);
            $rule = $measures[$name] ?? new MeasureRule();
            $measures[$name] = new MeasureRule(
                $rule->unit, Grouping::Last, $rule->better, power: $rule->power, band: $band,
            );
        }

        return [] === $mapping->of(Role::Band) ? $mapping : $mapping->with($columns, $measures);
    }

    /**
     * What the bands may mean: all meanings in which the limits of every row rise. More than one: a person has to tell.
     *
     * @return list<BandMeaning>
     */
    public function possible(FileTable $sheet): array
    {
        $possible = BandMeaning::cases();
        foreach ([] === $this->bands ? [] : $sheet->rows as $cells) {
            $numbers = $this->numbers($cells);
            if (null === $numbers) {
                continue;
            }
            $inPercent =
                [] !==
                array_filter(
                    $this->bands,
                    static fn (array $band): bool => str_contains($cells[$band[1]] ?? '', '%')
                        || str_contains($sheet->header[$band[1]], '%'),
                );
            $target = $this->target($cells);
            $possible = array_filter($possible, static function (BandMeaning $meaning) use (
                $numbers,
                $target,
                $inPercent,
            ): bool {
                $limits = $meaning->maybeLimits($numbers, $target);
                $fits =
                    BandMeaning::PercentOfTarget === $meaning
                        ? $inPercent || self::mayBePercent($numbers)
                        : !$inPercent;

                return null !== $limits && BandMeaning::rise($limits) && $fits;
            });
        }

        return array_values($possible);
    }

    /**
     * What each possible meaning makes of the first rows.
     *
     * @return list<array{meaning: string, says: string}>
     */
    public function examples(FileTable $sheet, Mapping $mapping): array
    {
        $item =
            array_map($sheet->placeOf(...), array_map(strval(...), array_keys($mapping->of(Role::Breakdown))))[0] ??
            null;
        $examples = [];
        foreach ([] === $this->bands ? [] : BandMeaning::cases() as $meaning) {
            $says = [];
            foreach (\array_slice($sheet->rows, 0, 2) as $cells) {
                $limits =
                    null === ($numbers = $this->numbers($cells))
                        ? null
                        : $meaning->maybeLimits($numbers, $this->target($cells));
                if (null !== $limits) {
                    $says[] =
                        (null === $item ? '' : ($cells[$item] ?? '').': ').
                        implode(', ', array_map(static fn (BigDecimal $limit): string => $limit->toString(), $limits)).
                        (BandMeaning::rise($limits) ? '' : ', which do not rise');
                }
            }
            if ([] !== $says) {
                $examples[] = ['meaning' => $meaning->value, 'says' => implode('; ', $says)];
            }
        }

        return $examples;
    }

    /**
     * The cells of a row with limits in the place of what was written; or why that cannot be.
     *
     * @param list<string> $cells
     *
     * @return list<string>|string
     */
    public function converted(array $cells, BandMeaning $meaning, string $point): array|string
    {
        $numbers = $this->numbers($cells);
        if (null === $numbers) {
            return $cells;
        }
        $limits = $meaning->maybeLimits($numbers, $this->target($cells));
        if (null === $limits) {
            return 'the bands are in percent of the target, and the row has no target. Fill it in, or leave the row '
                .'out.';
        }
        $told = Wording::and(array_map(static fn (BigDecimal $limit): string => $limit->toString(), $limits));
        if (!BandMeaning::rise($limits)) {
            return "the limits of its bands do not rise: $told. ".
                (BandMeaning::Limits === $meaning
                    ? 'Say that they are increments, or mend them.'
                    : 'Mend them, or say what else they are.');
        }
        foreach ($this->bands as $i => [, $place]) {
            $cells[$place] = str_replace('.', $point, $limits[$i]->toString());
        }

        return array_values($cells);
    }

    /**
     * @param list<string> $cells
     *
     * @return list<BigDecimal>|null none where a band is missing or is no number
     */
    private function numbers(array $cells): ?array
    {
        $numbers = [];
        foreach ($this->bands as [, $place]) {
            $number = $this->numbers->maybe(trim(str_replace('%', '', Cell::clean($cells[$place] ?? ''))));
            if (null === $number) {
                return null;
            }
            $numbers[] = $number;
        }

        return $numbers;
    }

    /** @param list<string> $cells */
    private function target(array $cells): ?BigDecimal
    {
        return null === $this->target ? null : $this->numbers->maybe(Cell::clean($cells[$this->target] ?? ''));
    }

    /** @param list<BigDecimal> $numbers */
    private static function mayBePercent(array $numbers): bool
    {
        return [] ===
            array_filter(
                $numbers,
                static fn (BigDecimal $number): bool => $number->isNegative() || $number->isGreaterThan(200),
            );
    }
}
