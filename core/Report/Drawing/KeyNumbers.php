<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Drawing;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Report\Block\FiguresBlock;
use KeenMargin\Core\Report\Block\KeyFigure;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Span;
use KeenMargin\Core\Workings\Result\Row;

/** Looks up key figures: the sum that the summary of their workings begins with, and a trend. */
final class KeyNumbers
{
    private const TREND = 12;

    /** @return list<KeyNumber> */
    public static function of(FiguresBlock $block, ReportDrawing $drawing): array
    {
        return array_map(static fn (KeyFigure $figure): KeyNumber => self::one($figure, $drawing), $block->figures);
    }

    private static function one(KeyFigure $figure, ReportDrawing $drawing): KeyNumber
    {
        try {
            $workings = $drawing->workings($figure->id);
            $trend = self::trend($drawing->asked($figure->id), $drawing);
        } catch (NotAccepted $e) {
            return new KeyNumber(
                id: $figure->id,
                label: '' === $figure->label ? 'Key figure' : $figure->label,
                amount: NumberFormat::NONE,
                trouble: $e->reason,
            );
        }
        $headline = $workings->summary->headline;
        $unit = $workings->context->display->unitText();
        $name = '' === $figure->label ? $workings->context->subject : $figure->label;

        return new KeyNumber(
            id: $figure->id,
            label: $name.
                ('' === $unit ? '' : " in $unit").
                ('' === $headline['label'] ? '' : ', '.Wording::withinSentence($headline['label'])),
            amount: $headline['amount'],
            variance: $headline['variance'] ?? '',
            effect: $headline['effect'],
            trend: $trend,
        );
    }

    /** @return list<?BigDecimal> none of figures without time */
    private static function trend(AskedChart $asked, ReportDrawing $drawing): array
    {
        $dataset = $asked->figures->dataset();
        if ($dataset->isTimeless()) {
            return [];
        }
        $grain = Grain::Day === $dataset->grain ? Grain::Month : $dataset->grain;
        $own = $asked->recipe->question;
        $question = new Question(
            measure: $own->measure,
            scenario: $own->scenario,
            by: $grain,
            span: Span::last(self::TREND, $grain),
            closedThrough: $own->closedThrough,
            where: $own->where,
            capacity: $own->capacity,
        );
        $recipe = With::of($asked->recipe, ['kind' => $drawing->kinds()->first(), 'question' => $question]);
        try {
            $workings = Drawing::workings($recipe, $asked->figures, $drawing->kinds());
        } catch (NotAccepted) {
            return [];
        }

        return array_map(static fn (Row $row): ?BigDecimal => $row->shown, $workings->table->parts());
    }
}
