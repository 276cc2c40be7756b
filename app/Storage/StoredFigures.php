<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use KeenMargin\Core\Figures\Coverage;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Dimension;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\MemberFilter;
use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;

/** A kept dataset as figures that can be asked. */
final readonly class StoredFigures implements Figures
{
    private Dataset $dataset;

    public function __construct(private DatasetRecord $record, private FactStore $store)
    {
        $this->dataset = self::outline($record, $store);
    }

    public function dataset(): Dataset
    {
        return $this->dataset;
    }

    public function sums(array $measures, array $where): Sums
    {
        $byId = [];
        foreach ($this->record->measures as $measure) {
            if (\in_array($measure->name, $measures, true)) {
                $byId[(int) $measure->id] = $measure;
            }
        }
        $sums = new Sums();
        foreach ($this->store->sums((int) $this->record->id, array_keys($byId), array_map($this->condition(...), $where)) as $cell) {
            $measure = $byId[$cell['measure']];
            $sums->add($measure->name, FactStore::scenario($cell['scenario']), $cell['period'], FactStore::amount($cell['amount'], $measure->scale), $cell['facts']);
        }

        return $sums;
    }

    /** @return array{int, list<int>, bool} */
    private function condition(MemberFilter $filter): array
    {
        foreach ($this->record->breakdowns as $breakdown) {
            if ($breakdown->name === $filter->breakdown) {
                $ids = array_keys(array_intersect($this->store->members((int) $breakdown->id), $filter->members));

                return [$breakdown->position, $ids, $filter->keeps];
            }
        }
        throw new \LogicException("There is no breakdown \"{$filter->breakdown}\".");
    }

    private static function outline(DatasetRecord $record, FactStore $store): Dataset
    {
        $grain = Grain::from($record->grain);
        $calendar = new FiscalCalendar($record->firstMonth);

        return new Dataset(
            $record->name,
            array_values($record->measures->map(static fn (MeasureRecord $measure) => $measure->measure())->toArray()),
            array_values($record->breakdowns->map(static fn (BreakdownRecord $breakdown): Dimension => new Dimension($breakdown->name, array_values($store->members((int) $breakdown->id))))->toArray()),
            $grain,
            $calendar,
            new Coverage(array_map(static fn (array $starts): array => array_map(static fn (int $start): Period => Period::ofStart($grain, $start, $calendar), $starts), $record->coverage)),
            null === $record->closedThrough ? null : Period::of($record->closedThrough, $calendar),
            $record->organisation,
            array_map(static fn (array $notice): Notice => new Notice($notice['id'], $notice['holds'], $notice['says']), $record->notices),
        );
    }
}
