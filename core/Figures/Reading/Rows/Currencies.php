<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Rows;

use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Mapping\Role;
use KeenMargin\Core\Figures\Reading\Table\FileTable;
use KeenMargin\Core\Figures\Reading\Table\HeaderUnit;

/** Which currency the amounts of each measure bear. Amounts in two cannot be added. */
final class Currencies
{
    private const NAMES = '/^(currency|currencies|curr|ccy|währung|devise|monnaie)\b/iu';

    private readonly ?int $measureAt;
    private readonly bool $areToldApart;
    /** @var array<string, string> those of the amounts so far, by measure, or column */
    public array $known = [];

    public function __construct(private readonly FileTable $sheet, private readonly Mapping $mapping)
    {
        $measures = $mapping->of(Role::Measure);
        $this->measureAt = [] === $measures ? null : $sheet->placeOf((string) array_key_first($measures));
        // A breakdown by currency keeps them apart.
        $this->areToldApart =
            [] !== preg_grep(self::NAMES, array_map(strval(...), array_keys($mapping->of(Role::Breakdown))));
    }

    /**
     * Why an amount cannot stand beside those before it; null where it can.
     *
     * @param list<string> $cells of the row
     */
    public function maybeRefusal(string $column, string $text, array $cells): ?string
    {
        $currency = $this->areToldApart ? null : HeaderUnit::maybeOfCells([$text]);
        if (null === $currency || '%' === $currency) {
            return null;
        }
        $measure =
            null === $this->measureAt
                ? $this->mapping->columns[$column]->measure ?? ($this->mapping->measure ?? '')
                : $cells[$this->measureAt] ?? '';
        $known = $this->known[$measure] ??= $currency;

        return $known === $currency
            ? null
            : "\"$text\" is in $currency, amounts before it are "
                ."in $known, and the two cannot be added. Put the currency in a column of its own, or bring each in "
                .'as a measure of its own.';
    }
}
