<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Guess;

use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\OverMembers;
use KeenMargin\Core\Figures\Reading\Mapping\ColumnRole;
use KeenMargin\Core\Figures\Reading\Mapping\MeasureRule;
use KeenMargin\Core\Figures\Reading\Mapping\Role;
use KeenMargin\Core\Figures\Reading\Table\FileTable;
use KeenMargin\Core\Figures\Reading\Table\HeaderUnit;
use KeenMargin\Core\Figures\Reading\Table\TableTitle;

/**
 * What the columns of amounts, their names and the notes above the table tell of their measures: unit, scale, how they
 * are put together.
 */
final class MeasureGuess
{
    private const SAMPLE = 50;
    /** What is to be reached stands in every row, and counts once. */
    private const GOALS = '/^(goal|goals|ziel|objectif)\b/iu';
    private const BEFORE = '(?:average |mean |total |net |opening |closing )?';
    private const AFTER = '(?: (?:at|on|in) .*)?';
    private const SCORES =
        '/^'.
        self::BEFORE.
        '(?:[\pL ]+ )?(?:scores?|ratings?|satisfaction|nps|net promoter score|grades?|noten?)'.
        self::AFTER.
        '$/iu';
    private const STAFF =
        '/^'.
        self::BEFORE.
        '(?:head ?counts?|ftes?|staff|employees|workforce|mitarbeiter|effectifs?)'.
        self::AFTER.
        '$/iu';
    private const STOCKS =
        '/^'.
        self::BEFORE.
        '(?:[\pL]+ )?(?:stocks?|inventor(?:y|ies)|balances?|(?:lager)?bestand)'.
        self::AFTER.
        '$/iu';

    /**
     * @param array<string, ColumnRole> $columns
     * @param string $measure what amounts count whose column does not say it
     *
     * @return array<string, MeasureRule>
     */
    public static function rules(FileTable $sheet, array $columns, string $measure): array
    {
        $rules = [];
        foreach ($sheet->header as $place => $name) {
            $column = $columns[$name];
            $of = $column->measure ?? $measure;
            if (Role::Amount !== $column->role || isset($rules[$of])) {
                continue;
            }
            $unit = self::unit($sheet, $place, $of);
            [$grouping, $overMembers] = self::grouping($of, $unit->unit);
            if ($unit->isTold() || null !== $grouping) {
                $rules[$of] = new MeasureRule(
                    $unit->unit,
                    $grouping,
                    power: MeasureRule::POWERS[10 ** $unit->power] ?? 0,
                    overMembers: $overMembers,
                );
            }
        }

        return $rules;
    }

    /** By the column's name, else its cells, else the notes above the table. */
    private static function unit(FileTable $sheet, int $place, string $measure): HeaderUnit
    {
        $ofName = HeaderUnit::maybeOf($sheet->levels[$place]);
        if (null !== $ofName) {
            return $ofName;
        }
        $ofCells = HeaderUnit::maybeOfCells($sheet->column($place, self::SAMPLE));
        if (null !== $ofCells) {
            return new HeaderUnit('', $ofCells);
        }
        $ofNotes = self::areNotesAbout($sheet, $measure) ? HeaderUnit::maybeOf($sheet->notes) : null;

        return $ofNotes ?? new HeaderUnit('');
    }

    /** A title that names what it counts says the unit of nothing else; and no note says that of people or scores. */
    private static function areNotesAbout(FileTable $sheet, string $measure): bool
    {
        $titled = TableTitle::maybe($sheet->notes)?->measure;
        $isOther = null !== $titled && $titled !== $measure;

        return !$isOther && !self::isCalled($measure, self::SCORES) && !self::isCalled($measure, self::STAFF);
    }

    private static function isCalled(string $measure, string $pattern): bool
    {
        return 1 === preg_match($pattern, $measure);
    }

    /** @return array{?Grouping, ?OverMembers} null: added up */
    private static function grouping(string $measure, ?string $unit): array
    {
        return match (true) {
            self::isCalled($measure, self::GOALS) => [Grouping::Last, null],
            '%' === $unit => [Grouping::Rate, null],
            self::isCalled($measure, self::SCORES) => [Grouping::Average, OverMembers::Average],
            self::isCalled($measure, self::STAFF) => [Grouping::Average, null],
            self::isCalled($measure, self::STOCKS) => [Grouping::Last, null],
            default => [null, null],
        };
    }
}
