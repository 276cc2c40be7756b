<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\Core\Figures\FactTable;
use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Time\Period;

/** Keeps what was read as a dataset, whole or not at all. */
final readonly class DatasetKeeper
{
    public function __construct(private EntityManagerInterface $manager, private FactStore $facts)
    {
    }

    /**
     * @param string               $source  name of the file or paste
     * @param array<string, mixed> $mapping
     */
    public function keep(FactTable $table, string $source, string $digest, int $rows, array $mapping): DatasetRecord
    {
        return $this->manager->wrapInTransaction(function () use ($table, $source, $digest, $rows, $mapping): DatasetRecord {
            $record = $this->outline($table);
            $import = new ImportRecord($record, $source, $digest, $rows, \count($table->facts), $mapping);
            $this->manager->persist($record);
            $this->manager->persist($import);
            $this->manager->flush();
            $this->facts->insert((int) $record->id, (int) $import->id, $table->facts, self::measures($record), self::members($record));

            return $record;
        });
    }

    private function outline(FactTable $table): DatasetRecord
    {
        $dataset = $table->dataset();
        $coverage = array_map(static fn (array $periods): array => array_map(static fn (Period $period): int => $period->start, $periods), $dataset->coverage->periods);
        $notices = array_map(static fn (Notice $notice): array => ['id' => $notice->id, 'holds' => $notice->holds, 'says' => $notice->says], $dataset->notices);
        $record = new DatasetRecord($dataset->name, $dataset->organisation, $dataset->grain->value, $dataset->calendar->firstMonth, $coverage, $notices);
        $record->factCount = \count($table->facts);
        foreach ($dataset->measures as $position => $measure) {
            $record->measures->add(new MeasureRecord($record, $position, $measure->name, $measure->unit, $measure->decimals, $measure->grouping->value, $measure->better?->value, $measure->numerator, $measure->denominator));
        }
        foreach ($dataset->breakdowns as $position => $dimension) {
            $breakdown = new BreakdownRecord($record, $position, $dimension->name);
            foreach ($dimension->members as $place => $member) {
                $breakdown->members->add(new MemberRecord($breakdown, $place, $member));
            }
            $record->breakdowns->add($breakdown);
        }

        return $record;
    }

    /** @return array<string, array{int, int}> */
    private static function measures(DatasetRecord $record): array
    {
        $measures = [];
        foreach ($record->measures as $measure) {
            $measures[$measure->name] = [(int) $measure->id, $measure->scale];
        }

        return $measures;
    }

    /** @return list<array<string|int, int>> */
    private static function members(DatasetRecord $record): array
    {
        $members = [];
        foreach ($record->breakdowns as $breakdown) {
            $ids = [];
            foreach ($breakdown->members as $member) {
                $ids[$member->name] = (int) $member->id;
            }
            $members[] = $ids;
        }

        return $members;
    }
}
