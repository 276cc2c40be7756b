<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Dimension;
use KeenMargin\Core\Figures\Fact;
use KeenMargin\Core\Figures\FactTable;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Figures\Scenario;

/**
 * Reads a sheet by its mapping into facts: all of it, or nothing and why.
 */
final class FactReader
{
    private const MOST_REFUSALS = 1000;

    /** @var array<string, Fact> by key */
    private array $facts = [];
    /** @var array<string, array<string, true>> members by breakdown, in the order in which they came */
    private array $members = [];
    /** @var list<Refusal> */
    private array $refusals = [];
    private int $summed = 0;

    private function __construct(private readonly Sheet $sheet, private readonly Mapping $mapping)
    {
        foreach (array_keys($mapping->of(Role::Breakdown)) as $name) {
            $this->members[$name] = [];
        }
    }

    public static function read(Sheet $sheet, Mapping $mapping, string $name, string $organisation = ''): FactTable
    {
        MappingFit::insist($sheet, $mapping);
        $reader = new self($sheet, $mapping);
        $reader->readRows(PeriodColumn::of($sheet, $mapping));
        if ([] !== $reader->refusals) {
            throw RefusedFigures::rows($reader->refusals);
        }

        return $reader->table($name, $organisation);
    }

    private function readRows(PeriodColumn $periods): void
    {
        $places = array_flip($this->sheet->header);
        $breakdowns = array_map(static fn (string $column): int => $places[$column], array_keys($this->mapping->of(Role::Breakdown)));
        $scenarioAt = self::placeOf($places, $this->mapping->of(Role::Scenario));
        $measureAt = self::placeOf($places, $this->mapping->of(Role::Measure));
        $numbers = $this->mapping->numbers();
        foreach ($this->sheet->rows as $number => $cells) {
            if (\in_array($number, $this->mapping->leaveOut, true) || \count($this->refusals) >= self::MOST_REFUSALS) {
                continue;
            }
            $members = array_map(static fn (int $place): string => $cells[$place] ?? '', $breakdowns);
            if ([] !== $total = preg_grep('/^(grand |sub-?)?(total|sum|totals|summe|gesamt)$/iu', $members) ?: []) {
                $this->refuse($number, '', '"'.reset($total).'" looks like a row of totals, which would count its figures twice. Leave the row out.');
                continue;
            }
            $scenario = null;
            if (null !== $scenarioAt && null === $scenario = ScenarioWords::maybe($cells[$scenarioAt] ?? '')) {
                $this->refuse($number, $this->sheet->header[$scenarioAt], \sprintf('"%s" is not a scenario. Write actual, budget, forecast, target or prior year.', $cells[$scenarioAt] ?? ''));
                continue;
            }
            $measure = null === $measureAt ? null : $cells[$measureAt] ?? '';
            foreach ($this->mapping->of(Role::Amount) as $name => $column) {
                $text = $cells[$places[$name]] ?? '';
                if (NumberReader::isMissing($text)) {
                    continue;
                }
                $amount = $numbers->maybe($text);
                if (null === $amount || self::digits($amount) > Limits::DIGITS) {
                    $this->refuse($number, $name, null === $amount
                        ? "\"$text\" is not a number. Mend it in the file, or leave the row out."
                        : "\"$text\" has more than ".Limits::DIGITS.' digits. Mend it in the file, or leave the row out.');
                    continue;
                }
                $period = null === $column->period ? $periods->period($cells) : $periods->header($column->period);
                if (null === $period) {
                    $this->refuse($number, $periods->name(), $periods->why($cells));
                    break;
                }
                $this->add($number, new Fact($measure ?? $column->measure ?? $this->mapping->measure ?? RoleGuess::DEFAULT_MEASURE, $scenario ?? $column->scenario ?? Scenario::Actual, $period, $members, $amount));
            }
        }
    }

    private function add(int $row, Fact $fact): void
    {
        foreach (array_keys($this->members) as $i => $name) {
            $this->members[$name][$fact->members[$i]] = true;
        }
        $key = $fact->key();
        if (isset($this->facts[$key])) {
            if (Grouping::Rate === ($this->mapping->measures[$fact->measure] ?? null)?->grouping) {
                $this->refuse($row, '', "{$fact->measure} is a percentage, and an earlier row has one for the same key; two cannot be added. Leave one out.");

                return;
            }
            ++$this->summed;
            $fact = new Fact($fact->measure, $fact->scenario, $fact->period, $fact->members, $this->facts[$key]->amount->plus($fact->amount));
        }
        $this->facts[$key] = $fact;
    }

    private function table(string $name, string $organisation): FactTable
    {
        $breakdowns = [];
        foreach ($this->members as $breakdown => $members) {
            $breakdowns[] = new Dimension($breakdown, array_map(strval(...), array_keys($members)));
        }

        $facts = array_values($this->facts);
        if ([] === $facts) {
            throw RefusedFigures::whole('The file holds no figures: every amount is missing.');
        }

        return DatasetBuilder::table($name, $organisation, $facts, $breakdowns, $this->mapping, $this->notices());
    }

    /** @return list<Notice> */
    private function notices(): array
    {
        return 0 === $this->summed ? [] : [new Notice('summed-rows', true, Wording::count($this->summed, 'amount shared its key with another row and was', 'amounts shared their key with other rows and were').' added up')];
    }

    private function refuse(int $row, string $column, string $reason): void
    {
        $this->refusals[] = new Refusal($row, $column, $reason);
    }

    /**
     * @param array<string, int>        $places
     * @param array<string, ColumnRole> $columns
     */
    private static function placeOf(array $places, array $columns): ?int
    {
        return [] === $columns ? null : $places[array_key_first($columns)];
    }

    private static function digits(BigDecimal $amount): int
    {
        return \strlen(ltrim($amount->abs()->getUnscaledValue()->toString(), '0'));
    }
}
