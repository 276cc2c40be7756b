<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\ComparisonTable;

use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\Table\TableColumn;
use KeenMargin\Core\Question\Table\TableNumber;

/** The columns of a table: those that are asked for, else value, references and the variances against the first. */
final readonly class TableColumns
{
    /** @param list<TableColumn> $list */
    private function __construct(public array $list, private Question $question) {}

    public static function of(Question $question, Dataset $dataset): self
    {
        $columns = [] === $question->columns ? self::usual($question) : $question->columns;
        $isTimeless = $dataset->isTimeless();
        $isShown = static fn (TableColumn $column): bool => TableNumber::Trend !== $column->number
            || (!$isTimeless && null === $question->grain());

        return new self(array_values(array_filter($columns, $isShown)), $question);
    }

    /** @return list<Scenario> whose figures are looked up besides those that are shown */
    public function references(): array
    {
        $references = [];
        foreach ($this->list as $column) {
            $scenario = $column->scenario;
            if (null !== $scenario && $scenario !== $this->question->scenario) {
                // Variances first: the first reference is the one that the summary tells them of.
                $references[$scenario->value] = ($references[$scenario->value] ?? false) || $column->isOfVariance();
            }
        }
        arsort($references);

        return array_map(Scenario::from(...), array_keys($references));
    }

    public function has(TableNumber $number): bool
    {
        return [] !== array_filter($this->list, static fn (TableColumn $one): bool => $one->number === $number);
    }

    /** @return list<TableColumn> */
    private static function usual(Question $question): array
    {
        $reference = $question->against[0]->value ?? null;
        $second = $question->against[1]->value ?? null;
        $names = [
            $question->scenario->value,
            ...null === $reference ? ['share'] : [$reference, "\u{0394}$reference", "\u{0394}$reference %"],
            ...null === $second ? [] : ["\u{0394}$second", "\u{0394}$second %"],
            ...null === $question->grain() ? ['trend'] : [],
        ];

        return array_values(
            array_filter(array_map(static fn (string $name): ?TableColumn => TableColumn::maybe($name), $names)),
        );
    }
}
