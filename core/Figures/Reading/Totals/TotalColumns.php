<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Totals;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Figures\Reading\Mapping\ColumnRole;
use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Mapping\Role;
use KeenMargin\Core\Figures\Reading\Table\Cell;
use KeenMargin\Core\Figures\Reading\Table\FileTable;
use KeenMargin\Core\Figures\Reading\Text\NumberReader;

/**
 * Columns that are the sum of others in their row: left out of the figures, and compared with the sum of the others.
 */
final class TotalColumns
{
    /** @var array<string, array{int, list<int>}> place of the total and of its parts, by name */
    private array $columns = [];
    private int $rows = 0;
    private ?string $doesNotTie = null;
    private readonly NumberReader $numbers;

    public function __construct(FileTable $sheet, Mapping $mapping)
    {
        $this->numbers = $mapping->numbers();
        foreach ($mapping->of(Role::Total) as $name => $total) {
            $parts = array_filter(
                $mapping->of(Role::Amount),
                static fn (ColumnRole $part): bool => (null === $total->scenario
                    || $part->scenario === $total->scenario)
                    && (null === $total->measure || $part->measure === $total->measure),
            );
            $this->columns[(string) $name] = [
                $sheet->placeOf((string) $name),
                array_map(static fn (string|int $part): int => $sheet->placeOf((string) $part), array_keys($parts)),
            ];
        }
    }

    /** @param list<string> $cells */
    public function check(int $row, array $cells): void
    {
        foreach ($this->columns as $name => [$place, $parts]) {
            $total = $this->numbers->maybe(Cell::clean($cells[$place] ?? ''));
            if (null === $total || null !== $this->doesNotTie) {
                continue;
            }
            ++$this->rows;
            $sum = BigDecimal::zero();
            foreach ($parts as $part) {
                $sum = $sum->plus($this->numbers->maybe(Cell::clean($cells[$part] ?? '')) ?? 0);
            }
            if (!$sum->isEqualTo($total)) {
                $this->doesNotTie = "\"$name\" does not tie in row $row: it says $total, its columns add up to $sum";
            }
        }
    }

    public function maybeNotice(): ?Notice
    {
        if ([] === $this->columns || (0 === $this->rows && null === $this->doesNotTie)) {
            return null;
        }
        $said = Wording::some(
            array_map(static fn (string|int $name): string => "\"$name\"", array_keys($this->columns)),
            3,
        );
        $is =
            1 === \count($this->columns)
                ? 'is the sum of other columns and was'
                : 'are sums of other columns and were';

        return null === $this->doesNotTie
            ? new Notice('total-columns-left-out', true, "$said $is left out; it ties in every row")
            : new Notice('total-columns-left-out', false, "$said was left out as a total. $this->doesNotTie");
    }
}
