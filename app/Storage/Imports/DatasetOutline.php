<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Imports;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Storage\Names\NameKind;
use KeenMargin\App\Storage\Names\NumberedName;
use KeenMargin\App\Storage\Record\BreakdownRecord;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\MeasureRecord;
use KeenMargin\App\Storage\Series\BreakdownMembers;
use KeenMargin\App\Storage\Series\MeasureScale;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Series\Series;

/** A kept dataset's measures and members as numbers; makes room for those that figures bring along. */
final class DatasetOutline
{
    /** @var array<string, MeasureRecord> */
    private array $measures = [];
    /** @var list<array<string|int, int>> ids of members by name, for each breakdown in the dataset's order */
    private array $members = [];
    /** @var list<BreakdownMembers> */
    private array $trees = [];
    /** @var list<BreakdownRecord> */
    private array $breakdowns = [];
    /** @var list<array<int, string>>|null names of members by id, for each breakdown; null: nobody asked */
    private ?array $ownNames = null;
    /** @var array<int, string>|null names of measures by id; null: nobody asked */
    private ?array $measureNames = null;

    public function __construct(
        private readonly DatasetRecord $record,
        private readonly EntityManagerInterface $manager,
        private readonly SeriesStore $store,
    ) {
        foreach ($record->measures as $measure) {
            $this->measures[$measure->name] = $measure;
        }
        foreach ($record->measures as $measure) {
            $this->measures += array_fill_keys($measure->former, $measure);
        }
        foreach ($record->breakdowns as $breakdown) {
            $this->breakdowns[] = $breakdown;
            $this->trees[] = $tree = BreakdownMembers::of($breakdown, $store);
            $this->members[] = $tree->ids();
        }
    }

    public static function ofNew(Dataset $dataset, EntityManagerInterface $manager, SeriesStore $store): self
    {
        $record = new DatasetRecord(
            name: $dataset->name,
            organisation: $dataset->organisation,
            grain: $dataset->grain->value,
            firstMonth: $dataset->calendar->firstMonth,
            coverage: [],
            notices: [],
        );
        $record->closedThrough = $dataset->closedThrough?->key();
        foreach ($dataset->breakdowns as $position => $breakdown) {
            $record->breakdowns->add(new BreakdownRecord($record, $position, $breakdown->name));
        }
        $manager->persist($record);
        $manager->flush();
        $outline = new self($record, $manager, $store);
        $outline->widen($dataset);

        return $outline;
    }

    public function record(): DatasetRecord
    {
        return $this->record;
    }

    /**
     * Makes room for the measures, decimals and members of incoming figures.
     *
     * @return array<string, list<string>> members that were not there before, by breakdown
     */
    public function widen(Dataset $incoming): array
    {
        $added = [];
        foreach ($incoming->measures as $measure) {
            $this->measure($measure);
        }
        foreach ($this->breakdowns as $place => $breakdown) {
            $new = $this->newMembers($incoming, $place);
            $ids = array_flip($this->store->members()->addMembers((int) $breakdown->id, $new));
            $this->members[$place] += $ids;
            $this->store->members()->giveRoles($ids, $this->incoming($incoming, $place)->roles ?? []);
            $added[$breakdown->name] = $new;
        }
        $this->manager->flush();
        $this->numberParts();
        $this->manager->flush();

        return array_filter($added);
    }

    /** Ratios refer to the measures that they are made of by number, which new ones have only now. */
    private function numberParts(): void
    {
        $kept = fn (?string $name): ?string => isset($this->measures[$name ?? ''])
            ? (new NumberedName(NameKind::Measure, (int) $this->measures[$name ?? '']->id))->written()
            : $name;
        foreach ($this->record->measures as $measure) {
            $measure->numerator = $kept($measure->numerator);
            $measure->denominator = $kept($measure->denominator);
        }
    }

    /** @return list<string> */
    private function newMembers(Dataset $incoming, int $place): array
    {
        $known = $this->members[$place];
        $own = $this->incoming($incoming, $place)->members ?? [];

        return array_values(array_filter($own, static fn (string $name): bool => !isset($known[$name])));
    }

    private function incoming(Dataset $incoming, int $place): ?Breakdown
    {
        return $incoming->breakdowns[$this->positions($incoming)[$place]] ?? null;
    }

    /** @return array<string, array{int, int}> id and decimals by name; no id where it is not kept yet */
    public function measures(): array
    {
        return array_map(
            static fn (MeasureRecord $measure): array => [(int) $measure->id, $measure->scale],
            $this->measures,
        );
    }

    /** @return list<string> names of the breakdowns in the dataset's order */
    public function breakdownNames(): array
    {
        return array_map(static fn (BreakdownRecord $breakdown): string => $breakdown->name, $this->breakdowns);
    }

    /** The series of a key, as SeriesStore::seriesKey() writes it, by the names that its members go by. */
    public function series(string $key): Series
    {
        [$measure, $scenario, $ids] = explode(',', $key, 3) + ['', '', ''];
        $members = array_map(intval(...), explode(',', $ids));
        $this->ownNames ??= array_map(static fn (BreakdownMembers $tree): array => $tree->names(), $this->trees);
        $this->measureNames ??= array_column(
            array_map(
                static fn (MeasureRecord $measure): array => [(int) $measure->id, $measure->name],
                $this->record->measures->toArray(),
            ),
            1,
            0,
        );
        $names = [];
        foreach ($this->ownNames as $place => $byId) {
            $names[] = $byId[$members[$place]] ?? '';
        }

        return Series::of($this->measureNames[(int) $measure] ?? '', SeriesStore::scenario((int) $scenario), $names);
    }

    /**
     * @param list<string> $members of a series, in the incoming order
     * @param list<int> $positions where each breakdown of the dataset stands in that order
     *
     * @return list<int>|null none where one of them is not kept yet
     */
    public function maybeIds(array $members, array $positions): ?array
    {
        $ids = [];
        foreach ($positions as $place => $position) {
            $id = $this->members[$place][$members[$position]] ?? null;
            if (null === $id) {
                return null;
            }
            $ids[] = $id;
        }

        return $ids;
    }

    public function hasMerged(): bool
    {
        return [] !== array_filter($this->trees, static fn (BreakdownMembers $tree): bool => [] !== $tree->merged);
    }

    /**
     * @param list<int> $ids of members of one series
     *
     * @return list<list<int>> those of all series that count as the same one, itself first
     */
    public function alike(array $ids): array
    {
        return BreakdownMembers::keys($ids, $this->trees);
    }

    /** @return list<int> where each breakdown of the dataset stands among the incoming ones */
    public function positions(Dataset $incoming): array
    {
        $names = array_map(static fn (Breakdown $breakdown): string => $breakdown->name, $incoming->breakdowns);

        return array_map(
            static fn (BreakdownRecord $breakdown): int => (int) array_key_first(
                array_intersect($names, [$breakdown->name, ...$breakdown->former]),
            ),
            $this->breakdowns,
        );
    }

    private function measure(Measure $measure): void
    {
        $known = $this->measures[$measure->name] ?? null;
        if (null === $known) {
            $this->measures[$measure->name] = new MeasureRecord(
                dataset: $this->record,
                position: $this->record->measures->count(),
                name: $measure->name,
                unit: $measure->unit,
                scale: $measure->decimals,
                grouping: $measure->grouping->value,
                better: $measure->better?->value,
                numerator: $measure->numerator,
                denominator: $measure->denominator,
            );
            $this->measures[$measure->name]->band = $measure->band;
            $this->measures[$measure->name]->overMembers = $measure->overMembers->value;
            $this->record->measures->add($this->measures[$measure->name]);
            $this->manager->persist($this->measures[$measure->name]);

            return;
        }
        $known->unit = '' === $known->unit ? $measure->unit : $known->unit;
        if ($measure->decimals > $known->scale) {
            (new MeasureScale($this->store))->raise(
                (int) $this->record->id, (int) $known->id, $measure->name, $measure->decimals - $known->scale,
            );
            $known->scale = $measure->decimals;
        }
    }
}
