<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Rows;

use KeenMargin\Core\Figures\Reading\Guess\RoleGuess;
use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Mapping\Role;
use KeenMargin\Core\Figures\Reading\Table\Cell;
use KeenMargin\Core\Figures\Reading\Table\FileTable;
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
    public array $guarded = [];
    /** @var array<int, array<string, string>> names by the cells that tell them, by breakdown */
    private array $names = [];
    /** @var array<string, Scenario> by the cells that tell them */
    private array $scenarios = [];
    /** @var array<string, bool> whether a name says that its row is a total */
    private array $totalNames = [];
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
    private readonly bool $keepsTotalRows;

    public function __construct(private readonly FileTable $sheet, private readonly Mapping $mapping)
    {
        $this->keepsTotalRows = $mapping->keepsTotalRows();
        $names = array_map(strval(...), array_keys($mapping->of(Role::Breakdown)));
        $this->breakdowns = array_map($sheet->placeOf(...), $names);
        $this->sameAs = array_map(static fn (string $name): array => $mapping->sameAs[$name] ?? [], $names);
        $at = static fn (Role $role): ?int => [] === $mapping->of($role)
            ? null
            : $sheet->placeOf((string) array_key_first($mapping->of($role)));
        [$this->scenarioAt, $this->measureAt, $this->unitAt] = [
            $at(Role::Scenario), $at(Role::Measure), $at(Role::Unit),
        ];
        $this->places = array_values(array_filter(
            [...$this->breakdowns, $this->scenarioAt, $this->measureAt, $this->unitAt],
            static fn (?int $place): bool => null !== $place,
        ));
    }

    /**
     * What a cell says is looked into once: combinations are far more than the names that they are made of.
     *
     * @param list<string> $cells of a row whose combination was not seen before
     *
     * @throws RefusedFigures
     */
    public function number(array $cells): int
    {
        $members = [];
        foreach ($this->breakdowns as $i => $place) {
            $raw = $cells[$place] ?? '';
            $name = $this->names[$i][$raw] ?? $this->maybeName($i, $place, $raw);
            if (null === $name) {
                return self::REFUSED;
            }
            $members[] = $this->names[$i][$raw] = $name;
        }
        $scenario = null;
        if (null !== $this->scenarioAt) {
            $raw = $cells[$this->scenarioAt] ?? '';
            $scenario = $this->scenarios[$raw] ?? ScenarioWords::maybe(Cell::clean($raw));
            if (null === $scenario) {
                return $this->refused(
                    $this->scenarioAt,
                    \sprintf(
                        '"%s" is not a scenario. Write actual, budget, forecast, target or prior year.',
                        Cell::clean($raw),
                    ),
                );
            }
            $this->scenarios[$raw] = $scenario;
        }
        $measure = null === $this->measureAt ? null : Cell::clean($cells[$this->measureAt] ?? '');
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
                    Cell::clean($cells[$this->unitAt] ?? ''),
                )
        ) {
            return self::REFUSED;
        }

        return $this->numbered($members, $scenario, $measure);
    }

    /**
     * The name that a cell of a breakdown tells.
     *
     * @param int $i of the breakdown
     *
     * @return ?string null where it is refused
     */
    private function maybeName(int $i, int $place, string $raw): ?string
    {
        $name = Cell::clean($raw);
        if (mb_strlen($name) > Limits::NAME) {
            $this->refused(
                $place, \sprintf('a name has %d letters; up to %d can be read.', mb_strlen($name), Limits::NAME),
            );

            return null;
        }
        $isGuarded = Cell::isGuarded($raw);
        if (($this->guarded[$i][$name] ??= $isGuarded) !== $isGuarded) {
            $this->refused(
                $place,
                "\"$name\" stands with an apostrophe before it in some rows, and without one in others. Write it ".
                    'alike, or give them two names.',
            );

            return null;
        }

        return $this->sameAs[$i][$name] ?? $name;
    }

    /**
     * @param list<string> $members
     *
     * @throws RefusedFigures
     */
    private function numbered(array $members, ?Scenario $scenario, ?string $measure): int
    {
        return $this->numberOf(implode("\0", [$measure ?? '', $scenario->value ?? '', implode("\0", $members)]));
    }

    /**
     * The number of a combination that is written as one text.
     *
     * @throws RefusedFigures
     */
    public function numberOf(string $key): int
    {
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
            if (!$this->keepsTotalRows && $this->areTotals($key)) {
                $this->totals[$this->numbers[$key]] = true;
            }
        }

        return $this->numbers[$key];
    }

    private function areTotals(string $key): bool
    {
        foreach (\array_slice(explode("\0", $key), 2) as $name) {
            if ($this->totalNames[$name] ??= TotalWords::isTotal($name)) {
                return true;
            }
        }

        return false;
    }

    public function count(): int
    {
        return \count($this->list);
    }

    /**
     * Some of the combinations, as texts.
     *
     * @return list<string>
     */
    public function slice(int $from, int $count): array
    {
        return \array_slice($this->list, $from, $count);
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
        $this->numbers = $this->names = $this->scenarios = $this->totalNames = [];
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
