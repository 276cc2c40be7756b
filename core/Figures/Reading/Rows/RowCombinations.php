<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Rows;

use KeenMargin\Core\Figures\Reading\Guess\RoleGuess;
use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Mapping\Role;
use KeenMargin\Core\Figures\Reading\Table\Cell;
use KeenMargin\Core\Figures\Reading\Table\Sheet;
use KeenMargin\Core\Figures\Reading\Text\Limits;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Core\Figures\Reading\Text\ScenarioWords;
use KeenMargin\Core\Figures\Reading\Text\TotalWords;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Series\Series;

/**
 * The different combinations of members, scenario and measure that rows have, each with a number.
 * A row's cells lead to it through one look-up; only what was not seen before is looked into.
 */
final class RowCombinations
{
    public const REFUSED = -1;

    /** @var list<string> members, scenario and measure by number, as one text each: there may be many */
    private array $list = [];
    /** @var array<int, true> numbers of those whose members say that their rows are totals */
    public array $totals = [];
    /** @var array<string, string> unit by measure, where a column tells it */
    public array $units = [];
    /** @var array<string, int> number by the clean texts */
    private array $numbers = [];
    /** @var array<int, array<string, bool>> whether a name stands behind an apostrophe, by breakdown */
    private array $guarded = [];
    /** @var array{string, string} why the last row was refused: the column and the sentence */
    public array $refusal = ['', ''];

    /** @var list<int> */
    private readonly array $breakdowns;
    /** @var list<array<string, string>> names that stand for another, by breakdown */
    private readonly array $sameAs;
    private readonly ?int $scenarioAt;
    private readonly ?int $measureAt;
    private readonly ?int $unitAt;
    /** @var list<int> the columns that a combination is made of */
    public readonly array $places;

    public function __construct(private readonly Sheet $sheet, private readonly Mapping $mapping)
    {
        $names = array_map(strval(...), array_keys($mapping->of(Role::Breakdown)));
        $this->breakdowns = array_map($sheet->placeOf(...), $names);
        $this->sameAs = array_map(static fn (string $name): array => $mapping->sameAs[$name] ?? [], $names);
        $at = static fn (Role $role): ?int => [] === $mapping->of($role)
            ? null
            : $sheet->placeOf((string) array_key_first($mapping->of($role)));
        [$this->scenarioAt, $this->measureAt, $this->unitAt] = [
            $at(Role::Scenario),
            $at(Role::Measure),
            $at(Role::Unit),
        ];
        $this->places = array_values(
            array_filter(
                [...$this->breakdowns, $this->scenarioAt, $this->measureAt, $this->unitAt],
                static fn (?int $place): bool => null !== $place,
            ),
        );
    }

    /**
     * @param list<string> $cells of a row whose combination was not seen before
     *
     * @throws RefusedFigures
     */
    public function number(array $cells): int
    {
        $raw = $cells;
        $cells = array_map(Cell::clean(...), $cells);
        $members = [];
        foreach ($this->breakdowns as $i => $place) {
            $name = $cells[$place] ?? '';
            if (mb_strlen($name) > Limits::NAME) {
                return $this->refused(
                    $place,
                    \sprintf('a name has %d letters; up to %d can be read.', mb_strlen($name), Limits::NAME),
                );
            }
            $isGuarded = Cell::isGuarded($raw[$place] ?? '');
            if (($this->guarded[$i][$name] ??= $isGuarded) !== $isGuarded) {
                return $this->refused(
                    $place,
                    "\"$name\" stands with an apostrophe before it in some rows, and without one in others. Write it ".
                        'alike, or give them two names.',
                );
            }
            $members[] = $this->sameAs[$i][$name] ?? $name;
        }
        $scenario = null === $this->scenarioAt ? null : ScenarioWords::maybe($cells[$this->scenarioAt] ?? '');
        if (null !== $this->scenarioAt && null === $scenario) {
            return $this->refused(
                $this->scenarioAt,
                \sprintf(
                    '"%s" is not a scenario. Write actual, budget, forecast, target or prior year.',
                    $cells[$this->scenarioAt] ?? '',
                ),
            );
        }
        $measure = null === $this->measureAt ? null : $cells[$this->measureAt] ?? '';
        if (null !== $measure && ('' === $measure || mb_strlen($measure) > 120)) {
            return $this->refused(
                (int) $this->measureAt,
                '' === $measure
                    ? 'the measure is missing. Fill it in, or leave the row out.'
                    : \sprintf('the name of the measure has %d letters; up to 120 can be read.', mb_strlen($measure)),
            );
        }
        if (
            null !== $this->unitAt
            && null ===
                $this->unit(
                    $measure ?? ($this->mapping->measure ?? RoleGuess::DEFAULT_MEASURE),
                    $cells[$this->unitAt] ?? '',
                )
        ) {
            return self::REFUSED;
        }

        return $this->numbered($members, $scenario, $measure);
    }

    /**
     * @param list<string> $members
     *
     * @throws RefusedFigures
     */
    private function numbered(array $members, ?Scenario $scenario, ?string $measure): int
    {
        $key = implode("\0", [$measure ?? '', $scenario->value ?? '', implode("\0", $members)]);
        if (!isset($this->numbers[$key])) {
            if (\count($this->list) >= Limits::COMBINATIONS) {
                throw RefusedFigures::whole(
                    'The breakdowns have more than '.
                        number_format(Limits::COMBINATIONS).
                        ' different combinations. Ignore a column that differs from row to row, such as a document '.
                        'number.',
                );
            }
            $this->numbers[$key] = \count($this->list);
            $this->list[] = $key;
            if (!$this->mapping->keepsTotalRows() && [] !== array_filter($members, TotalWords::isTotal(...))) {
                $this->totals[$this->numbers[$key]] = true;
            }
        }

        return $this->numbers[$key];
    }

    /**
     * What a combination means in a column that stands for a scenario or a measure, where the row does not say them.
     */
    public function series(int $number, ?Scenario $scenario, ?string $measure): Series
    {
        [$ownMeasure, $own, $members] = explode("\0", $this->list[$number], 3);

        return Series::joined(
            '' === $ownMeasure ? $measure ?? ($this->mapping->measure ?? RoleGuess::DEFAULT_MEASURE) : $ownMeasure,
            '' === $own ? $scenario ?? Scenario::Actual : Scenario::from($own),
            $members,
        );
    }

    /** Forgets what is only needed while rows are read. */
    public function close(): void
    {
        $this->numbers = [];
    }

    private function unit(string $measure, string $unit): ?string
    {
        $known = $this->units[$measure] ??= mb_substr($unit, 0, 20);
        if ($known === mb_substr($unit, 0, 20)) {
            return $known;
        }
        $this->refused(
            (int) $this->unitAt,
            "$measure is in \"$unit\" here and in \"$known\" before. Bring it in as a measure of its own.",
        );

        return null;
    }

    private function refused(int $place, string $reason): int
    {
        $this->refusal = [$this->sheet->header[$place], $reason];

        return self::REFUSED;
    }
}
