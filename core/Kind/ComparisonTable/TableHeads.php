<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\ComparisonTable;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Question\Table\TableColumn;
use KeenMargin\Core\Question\Table\TableNumber;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Workings\Result\Workings;

/** What stands over the columns of a table: the head of each and, small beneath it, its rule. */
final readonly class TableHeads
{
    public const HEIGHT = 34.0;
    private const RULE = 13.0;

    public function __construct(private Canvas $canvas, private Workings $workings, private ?TableColumn $sorted) {}

    /** @param list<TableColumnPlace> $places */
    public function write(array $places, float $top): void
    {
        foreach ($places as $i => $place) {
            $isSorted = $this->sorted?->name() === $place->column->name();
            // Up to where the next one begins.
            $most = ($places[$i + 1]->left ?? $place->right + 8.0) - 4.0;
            $least = ($places[$i - 1]->right ?? 0.0) + 6.0;
            $ink = $isSorted ? Ink::Ink : Ink::Quiet;
            $this->line($place, [$least, $most], $top + 12.0, self::head($place->column), $ink);
            $this->line($place, [$least, $most], $top + 12.0 + self::RULE, $this->rule($place->column));
        }
    }

    /** `AC`, `ΔBU`, `Share` */
    public static function head(TableColumn $column): string
    {
        return match ($column->number) {
            TableNumber::Share => 'Share %',
            TableNumber::Progress => 'Progress %',
            TableNumber::Trend => 'Trend',
            default => $column->name(),
        };
    }

    private function rule(TableColumn $column): string
    {
        $shown = $this->workings->context->scenario->value;
        $code = $column->scenario->value ?? '';

        return match ($column->number) {
            TableNumber::Amount => $column->scenario?->word() ?? '',
            TableNumber::Variance => "$shown \u{2212} $code",
            TableNumber::Percent => "of $code",
            TableNumber::Share => 'of total',
            TableNumber::Progress => 'of goal',
            TableNumber::Trend => 'over the span',
        };
    }

    /**
     * @param array{float, float} $between where it may begin and must end
     * @param ?Ink $ink of a head; null: it is a rule, which stands small
     */
    private function line(TableColumnPlace $place, array $between, float $y, string $text, ?Ink $ink = null): void
    {
        $size = null === $ink ? Type::SMALL : Type::LABEL;
        $weight = null === $ink ? 400 : 600;
        $width = TextMeasure::width($text, $size, $weight);
        $isCentred = !$place->isNumber && $place->scale->zero - $place->left > $width / 2.0;
        [$x, $anchor] = match (true) {
            $place->isNumber => [$place->right, 'end'],
            $isCentred => [$place->scale->zero, 'middle'],
            default => [$place->left, 'start'],
        };
        // A rule that would run into the next column says nothing there that its head does not.
        $right = 'end' === $anchor ? $x : $x + ('middle' === $anchor ? $width / 2.0 : $width);
        $isApart = null !== $ink || $right - $width >= $between[0];
        if ($isApart && $right <= $between[1]) {
            $ink ??= Ink::Quiet;
            $this->canvas->writeIfFree(
                'names', Canvas::text($x, $y, $text, $anchor, $ink, size: $size, weight: $weight, role: 'tier-name'),
            );
        }
    }
}
