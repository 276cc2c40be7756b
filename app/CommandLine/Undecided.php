<?php

declare(strict_types=1);

namespace KeenMargin\App\CommandLine;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Figures\Reading\Guess\RoleGuess;
use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Mapping\PercentColumns;
use KeenMargin\Core\Figures\Reading\Mapping\Role;
use KeenMargin\Core\Figures\Reading\Table\FileTable;
use KeenMargin\Core\Figures\Reading\Text\DateOrder;
use KeenMargin\Core\Figures\Reading\Text\NumberReader;
use KeenMargin\Core\Figures\Reading\Text\NumberStyle;

/** What the page would ask about a file, and what nobody can be asked on the command line: it has to be told. */
final class Undecided
{
    /**
     * Refuses a file that can be read in two ways.
     *
     * @param ?Given $told what is told of how the file is to be read; null: nothing
     * @param string $where it is to be told, within a sentence: `under "figures" in the recipe`
     *
     * @throws UsageError that names what would decide it
     */
    public static function refuse(FileTable $sheet, Mapping $mapping, ?Given $told, string $where): void
    {
        $says = [];
        foreach (array_intersect(RoleGuess::doubts($sheet, $mapping), ['dates', 'decimal', 'percents']) as $key) {
            if (null === $told?->maybe($key)) {
                $says[] = self::sentence($key, $sheet, $mapping);
            }
        }
        if ([] !== $says) {
            throw new UsageError(implode(' ', $says)." Say it $where.");
        }
    }

    private static function sentence(string $key, FileTable $sheet, Mapping $mapping): string
    {
        return match ($key) {
            'dates' => \sprintf(
                'Dates such as "%s" can be read in two ways: "dates" is "day first" or "month first".',
                self::example(
                    $sheet,
                    $mapping,
                    [Role::Period],
                    static fn (string $cell): bool => DateOrder::isAmbiguous([$cell]),
                ),
            ),
            'decimal' => \sprintf(
                'Numbers such as "%s" can be read in two ways: "decimal" is "." or ",".',
                self::example(
                    $sheet,
                    $mapping,
                    [Role::Amount],
                    static fn (string $cell): bool => NumberStyle::isAmbiguous([$cell]),
                ),
            ),
            default => \sprintf(
                '"%s" holds percentages and plain numbers such as "%s": "percents" is "points" (0.5 is 0.5 %%) or '
                    .'"fractions" (0.5 is 50 %%).',
                PercentColumns::mixed($sheet, $mapping)[0],
                self::example(
                    $sheet,
                    $mapping,
                    [Role::Amount],
                    static fn (string $cell): bool => !str_contains($cell, '%') && !NumberReader::isMissing($cell),
                ),
            ),
        };
    }

    /**
     * The first cell in columns of some roles that is in doubt.
     *
     * @param list<Role> $roles
     * @param callable(string): bool $isDoubtful
     */
    private static function example(FileTable $sheet, Mapping $mapping, array $roles, callable $isDoubtful): string
    {
        foreach ($mapping->columns as $name => $column) {
            $cells = \in_array($column->role, $roles, true)
                ? [...$sheet->column($sheet->placeOf((string) $name)), (string) $column->period]
                : [];
            foreach ($cells as $cell) {
                if ($isDoubtful($cell)) {
                    return $cell;
                }
            }
        }

        return '';
    }
}
