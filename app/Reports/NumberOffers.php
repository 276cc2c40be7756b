<?php

declare(strict_types=1);

namespace KeenMargin\App\Reports;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\SearchText;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Question\Part\SumKey;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Page;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Result\LinkedText;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Words\RowPhrases;

/** Numbers that a text of a page may take: what its charts say in words, then all of their workings. */
final class NumberOffers
{
    private const MOST = 60;

    /** @var list<array<string, mixed>> */
    private array $found = [];

    /** @param list<string> $words that must stand in what is offered, in small letters */
    private function __construct(private readonly array $words) {}

    /**
     * @param string $sought words, in any order
     * @param string $block id of the only block, or key figure, that is asked about; blank: all of the page
     * @param string $row key of its only row that is asked about; blank: all of them, and its sentences
     *
     * @return list<array<string, mixed>> at most sixty
     */
    public static function of(
        ReportDrawing $drawing,
        Page $page,
        string $sought,
        string $block = '',
        string $row = '',
    ): array {
        $words = preg_split('/\s+/u', SearchText::folded(trim($sought)), -1, \PREG_SPLIT_NO_EMPTY) ?: [];
        $offers = new self($words);
        $all = [];
        foreach ('' === $block ? $drawing->ids($page) : [$block] as $id) {
            try {
                $all[$id] = $drawing->workings($id);
            } catch (NotAccepted) {
                // What cannot be drawn says nothing.
            }
        }
        foreach ('' === $row ? $all : [] as $id => $workings) {
            $offers->sentences((string) $id, $workings);
        }
        foreach ($all as $id => $workings) {
            $offers->rows((string) $id, $workings, $row);
        }

        return $offers->found;
    }

    private function sentences(string $id, Workings $workings): void
    {
        foreach ($workings->summary->sentences as $sentence) {
            foreach ($sentence->numbers() as $number) {
                $this->offer($id, $workings, $sentence->text(), $number, false);
            }
        }
    }

    private function rows(string $id, Workings $workings, string $only): void
    {
        $closing = $workings->context->closing->key();
        foreach ('' === $only ? $workings->table->sums() : [] as $key => $sum) {
            $this->row($id, $workings, $sum, RowKey::sum(SumKey::from($key)), Workings::SUMS[$key] ?? $key);
        }
        foreach ($workings->table->rows as $row) {
            if ('' !== $only && $row->key->id !== $only) {
                continue;
            }
            if ($row->key->id === $closing) {
                $this->row(
                    id: $id,
                    workings: $workings,
                    of: $row,
                    key: $row->key,
                    label: "the closing period ($row->label)",
                    isClosing: true,
                );
            }
            $this->row($id, $workings, $row, $row->key, $row->label);
        }
    }

    private function row(
        string $id,
        Workings $workings,
        Row|Total $of,
        RowKey $key,
        string $label,
        bool $isClosing = false,
    ): void {
        foreach ($workings->table->columns as $column) {
            $told = $workings->told($column, $of);
            $exact = RowPhrases::exact($column, $of);
            if ('' !== $exact && NumberFormat::NONE !== $told) {
                $number = new LinkedText($told, $key, $column->id(), $told, $exact);
                $this->offer($id, $workings, "$label, $column->head", $number, $isClosing);
            }
        }
    }

    private function offer(string $id, Workings $workings, string $says, LinkedText $number, bool $isClosing): void
    {
        $text = SearchText::folded("{$workings->context->subject} $says $number->text");
        foreach ($this->words as $word) {
            if (!str_contains($text, $word)) {
                return;
            }
        }
        if (\count($this->found) < self::MOST) {
            $this->found[] = [
                'of' => $id,
                'what' => $workings->context->subject,
                'says' => $says,
                'said' => $number->text,
                'unit' => $workings->context->display->unitText(),
                'row' => $number->row->toJson(),
                'isClosing' => $isClosing,
                'column' => $number->column,
                'exact' => $number->exact,
            ];
        }
    }
}
