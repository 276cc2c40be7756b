<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use KeenMargin\Core\Chart\Drawing;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\RecipeWriter;
use KeenMargin\Core\Question\Sentence;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Workings\Check;
use KeenMargin\Core\Workings\Row;
use KeenMargin\Core\Workings\Total;
use KeenMargin\Core\Workings\Workings;

/** A drawing as the page needs it: every number already written out. */
final class DrawingState
{
    /** @return array<string, mixed> */
    public static function of(Recipe $recipe, Drawing $drawing, Dataset $dataset): array
    {
        $workings = $drawing->workings;

        return [
            'recipe' => RecipeWriter::toArray($recipe),
            'sentence' => Sentence::of($recipe->question, $dataset, $workings->measure, $workings->better, $workings->range),
            'better' => $workings->better->value,
            'closing' => ['key' => $workings->closing->key(), 'label' => PeriodNames::full($workings->closing)],
            'scene' => $drawing->scene->toArray(),
            'reading' => ['headline' => $workings->reading->headline, 'movers' => $workings->reading->movers, 'statements' => $workings->reading->statements],
            'checks' => array_map(static fn (Check $check): array => $check->toArray(), $drawing->checks()),
            'workings' => self::table($workings),
        ];
    }

    /**
     * Columns with their heads and rules, rows with their cells as text.
     *
     * @return array{columns: list<array{id: string, head: string, rule: string}>, rows: list<array<string, mixed>>, total: array<string, string>}
     */
    private static function table(Workings $workings): array
    {
        $columns = [];
        foreach (array_keys($workings->rows[0]->values ?? []) as $code) {
            $columns[] = ['id' => $code, 'head' => $code, 'rule' => ucfirst(Scenario::from($code)->word()).', '.$workings->display->unitText()];
        }
        foreach ($workings->against as $reference) {
            $code = $reference->value;
            $columns[] = ['id' => "variance:$code", 'head' => "\u{0394}$code", 'rule' => 'Shown minus '.$reference->word().($workings->display->inPoints ? ', in points' : '')];
            if (!$workings->display->inPoints) {
                $columns[] = ['id' => "percent:$code", 'head' => "\u{0394}$code %", 'rule' => "\u{0394}$code over the size of ".$reference->word()];
            }
        }

        return [
            'unit' => $workings->display->unitText(),
            'columns' => $columns,
            'rows' => array_map(static fn (Row $row): array => self::row($row, $workings), $workings->rows),
            'total' => self::total($workings->total, $workings),
        ];
    }

    /** @return array<string, mixed> */
    private static function row(Row $row, Workings $workings): array
    {
        $cells = [];
        $effects = [];
        foreach ($row->values as $code => $value) {
            $isOther = null !== $row->shown && \in_array($code, [$workings->scenario->value, $workings->forecast?->value], true);
            $cells[$code] = null === $value && !$isOther ? 'missing' : $workings->display->amount($value);
        }
        $flags = [];
        foreach ($row->variances as $code => $variance) {
            $cells["variance:$code"] = $workings->display->variance($variance?->amount);
            $cells["percent:$code"] = $workings->display->percent($variance);
            $effects[$code] = $variance?->effect->value;
            $flags[$code] = $variance->flagged ?? false;
        }

        return ['key' => $row->key, 'label' => $row->label, 'shown' => $row->shownScenario?->value, 'cells' => $cells, 'effects' => (object) $effects, 'flags' => (object) $flags, 'flagged' => $flags[$workings->reference()->value ?? ''] ?? false];
    }

    /** @return array<string, string> */
    private static function total(Total $total, Workings $workings): array
    {
        $cells = ['shown' => $workings->display->amount($total->shown)];
        foreach ($total->variances as $code => $variance) {
            $cells["variance:$code"] = $workings->display->variance($variance?->amount);
            $cells["percent:$code"] = $workings->display->percent($variance);
        }

        return $cells;
    }
}
