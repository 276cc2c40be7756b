<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Rows;

use KeenMargin\Core\Question\Part\Order;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Result\Row;

/** The rows of all panels of a chart, one panel after the other, in an order that is the same in each. */
final class PanelRows
{
    /**
     * @param list<Panel> $panels
     * @param callable(Panel): list<Row> $rows
     *
     * @return list<Row>
     */
    public static function of(Scope $scope, array $panels, Order $order, ?Reference $reference, callable $rows): array
    {
        $sequence =
            null !== $scope->question->breakdown() && null === $scope->question->order
                ? array_flip($scope->question->sequence)
                : [];
        $isOrdered = [] === $sequence && \in_array($order, [Order::Calendar, Order::Given], true);
        if ($isOrdered || (1 === \count($panels) && null === $panels[0]->key)) {
            $ordered = static fn (Panel $panel): array => $isOrdered
                ? $rows($panel)
                : RowOrder::of($rows($panel), $order, $reference, $sequence);

            return array_merge([], ...array_map($ordered, $panels));
        }
        $together = RowOrder::of($rows(Panel::only($scope->question->where)), $order, $reference, $sequence);
        $places = array_flip(array_map(static fn (Row $row): string => $row->key->id, $together));
        $ordered = [];
        foreach ($panels as $panel) {
            $own = $rows($panel);
            $place = static fn (Row $row): int => $places[$row->key->inPanel(null)->id] ?? \PHP_INT_MAX;
            usort($own, static fn (Row $a, Row $b): int => $place($a) <=> $place($b));
            array_push($ordered, ...$own);
        }

        return $ordered;
    }
}
